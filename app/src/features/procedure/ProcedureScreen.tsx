import { entriesOfKind } from '@fine-spray/contract';
import {
  FLUIDS,
  FLUID_IDS,
  fluidOfBase,
  heldBackBy,
  isStale,
  nextStep,
  sealFor,
  shutDown,
  startUp,
  tick,
  untick,
  type Fluid,
  type Procedure,
  type ProcedureStep,
  type SetupCard,
} from '@fine-spray/core';
import Check from 'lucide-react-native/icons/check';
import { format } from 'date-fns/format';
import { useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { dayOfEntry } from '@/data/day';
import { useKept } from '@/data/kept';
import { useLog } from '@/data/log';
import { SiteCautions } from '@/features/cautions';
import type { Site } from '@/features/site';
import { Beside } from '@/ui/beside';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { Panel } from '@/ui/panel';
import { Segmented } from '@/ui/segmented';
import { ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { TickBox } from '@/ui/tickBox';
import { useToast } from '@/ui/toast';
import { useWide } from '@/ui/wide';
import { FaultFinder } from './FaultFinder';
import { MachinePicture, stateWords } from './MachinePicture';
import { atMachine, faultLists } from './lists';

interface Ticks {
  readonly done: readonly string[];
  /** When the last one was set; of older lists nobody knows. */
  readonly at: number;
}

function readTicks(stored: unknown): Ticks | undefined {
  const { done, at } = (Array.isArray(stored) ? { done: stored, at: 0 } : (stored ?? {})) as Partial<Ticks>;
  if (!Array.isArray(done) || !done.every((one) => typeof one === 'string')) return undefined;
  return typeof at === 'number' ? { done, at } : undefined;
}
const NO_TICKS: Ticks = { done: [], at: 0 };

/** What is in the machine: as the crew says, or by the log; undefined where nobody has said. */
function useHolds(site: Site) {
  const { entries, loading } = useLog();
  const last = entriesOfKind(entries, 'machine')
    .filter(({ payload }) => payload.sprayerId === site.sprayer.id)
    .at(-1);
  const [said, setSaid] = useState<Fluid>();
  const holds = said ?? last?.payload.holds;
  const same =
    said === undefined &&
    holds !== undefined &&
    last?.payload.coatingId === site.coating.id &&
    FLUIDS[holds].paint;
  return {
    loading,
    holds,
    setHolds: setSaid,
    same,
    known: said === undefined && last ? dayOfEntry(last.entry) : undefined,
  };
}

const FLUID_OPTIONS = FLUID_IDS.map((value) => ({ value, label: FLUIDS[value].name }));

/** The checklist of a start-up or a shut-down, made from this machine and this paint; its ticks are kept on this device. */
export function ProcedureScreen({ site, kind }: { site: Site; kind: 'start-up' | 'shut-down' }) {
  if (!site.card.ok) return <ErrorState title="No list yet" text={site.card.message} />;
  return kind === 'start-up' ? (
    <StartUpList site={site} card={site.card.value} />
  ) : (
    <ShutDownList site={site} />
  );
}

function StartUpList({ site, card }: { site: Site; card: SetupCard }) {
  const { loading, holds, setHolds, same, known } = useHolds(site);
  const at = atMachine(site);
  if (holds === undefined && loading) return <Skeleton rows={3} height={160} />;
  if (holds === undefined) {
    return (
      <Panel title="What is in this sprayer now?" testID="ask-holds">
        <Words colour="ink2">{`Nothing is written down of ${site.sprayer.name}. Ask whoever used it last, and look into its tubes.`}</Words>
        {FLUID_OPTIONS.map(({ value, label }) => (
          <Button key={value} label={label} onPress={() => setHolds(value)} />
        ))}
      </Panel>
    );
  }
  const procedure = startUp({
    ...at,
    holds,
    sameCoating: same,
    tipCode: card.tip.code,
    mesh: card.mesh.value,
    seal: sealFor(card.tip.candidate.tip.family, at.base),
  });
  return (
    <View className="gap-4">
      <View className="gap-1">
        <Choice label="In the machine now" value={holds} options={FLUID_OPTIONS} onChange={setHolds} />
        <Words size={14} colour="ink2">
          {known
            ? `From the log of ${format(new Date(`${known}T12:00`), 'd MMM yyyy')}. Change it if you know better.`
            : `Then ${FLUIDS[fluidOfBase(at.base)].name.toLowerCase()}: ${site.coating.name}.`}
        </Words>
      </View>
      {procedure.ok ? (
        <List
          key={holds}
          site={site}
          procedure={procedure.value}
          cautions={<SiteCautions request={site.request} screen="start-up" />}
          storageKey={`start-up ${site.sprayer.id} ${site.coating.id} ${holds}`}
        />
      ) : (
        <ErrorState title="Not with this sprayer" text={procedure.message} />
      )}
    </View>
  );
}

function ShutDownList({ site }: { site: Site }) {
  const [until, setUntil] = useState<'tomorrow' | 'stored'>('tomorrow');
  const procedure = shutDown({ ...atMachine(site), until });
  return (
    <View className="gap-4">
      <Segmented
        label="Shut down"
        value={until}
        options={[
          { value: 'tomorrow', label: 'For tonight' },
          { value: 'stored', label: 'Into storage' },
        ]}
        onChange={setUntil}
      />
      {procedure.ok ? (
        <List
          key={until}
          site={site}
          procedure={procedure.value}
          cautions={<SiteCautions request={site.request} screen="shut-down" step="shut down" />}
          storageKey={`shut-down ${site.sprayer.id} ${site.coating.id} ${until}`}
        />
      ) : (
        <ErrorState title="Not with this sprayer" text={procedure.message} />
      )}
      <SiteCautions request={site.request} screen="shut-down" step="leave" />
    </View>
  );
}

/** Whether a step leaves the machine otherwise than it was; of the first nobody knows how it was. */
function changesMachine({ steps }: Procedure, step: ProcedureStep): boolean {
  const before = steps[steps.indexOf(step) - 1];
  return before !== undefined && stateWords(before.state) !== stateWords(step.state);
}

function List({
  site,
  procedure,
  cautions,
  storageKey,
}: {
  site: Site;
  procedure: Procedure;
  /** Those of its step, under what is to be done now. */
  cautions: ReactNode;
  storageKey: string;
}) {
  const [ticks, setTicks, full] = useKept(storageKey, readTicks, NO_TICKS);
  const setDone = (next: readonly string[]) => setTicks({ done: next, at: Date.now() });
  const [opened] = useState(() => Date.now());
  // A list that lay is begun again: nobody knows what was done to the machine since.
  const stale = ticks.done.length > 0 && isStale(ticks.at, opened) && ticks.at < opened;
  const kept = stale ? [] : ticks.done;
  // What is kept may be of an older list: only what this one has, in an order it allows.
  const done = procedure.steps.reduce<readonly string[]>((sofar, { id }) => {
    const result = kept.includes(id) ? tick(procedure, sofar, id) : undefined;
    return result?.ok ? result.value : sofar;
  }, []);
  const [refused, setRefused] = useState<{ id: string; message: string }>();
  const wide = useWide();
  const lists = faultLists(site);
  const { write } = useLog();
  const toast = useToast();
  const now = nextStep(procedure, done);
  function press(step: ProcedureStep) {
    if (done.includes(step.id)) {
      const before = done;
      setDone(untick(procedure, done, step.id));
      toast({ text: 'Tick taken back, with what came after it.', undo: () => setDone(before) });
      return;
    }
    const result = tick(procedure, done, step.id);
    setRefused(result.ok ? undefined : { id: step.id, message: result.message });
    if (result.ok) setDone(result.value);
  }
  function finish() {
    write({
      kind: 'machine',
      payload: {
        sprayerId: site.sprayer.id,
        holds: procedure.leaves,
        coatingId: FLUIDS[procedure.leaves].paint ? site.coating.id : null,
        procedure: procedure.kind === 'shut-down' ? 'shut-down' : 'start-up',
      },
      jobId: site.jobId,
      surfaceId: site.surfaceId,
    });
    setDone([]);
    toast({ text: `Written down: ${FLUIDS[procedure.leaves].name.toLowerCase()} in ${site.sprayer.name}.` });
  }
  return (
    <Beside
      left={
        <>
          {stale ? (
            <Panel testID="procedure-stale">
              <Words weight="bold" colour="caution">
                {`Begun ${ticks.at === 0 ? 'earlier' : format(ticks.at, 'd MMM, HH:mm')} and not finished: start at the top.`}
              </Words>
              <Words>
                Pressure can come back and others may have used it. If a flush was done then, what is in the
                machine is not what it was.
              </Words>
            </Panel>
          ) : null}
          {procedure.assumes.map((words) => (
            <Words key={words} weight="semi" colour="caution">
              {words}
            </Words>
          ))}
          {now ? (
            <Panel
              title={`Now: step ${procedure.steps.indexOf(now) + 1} of ${procedure.steps.length}`}
              testID="procedure-now"
            >
              <Words size={22} weight="bold">
                {now.what}
              </Words>
              {now.doubt === undefined ? null : (
                <Words weight="semi" colour="caution">
                  {now.doubt}
                </Words>
              )}
              {changesMachine(procedure, now) ? <MachinePicture state={now.state} /> : null}
              <Words colour="ink2">{now.why}</Words>
              <Button label="Done" icon={Check} kind="primary" onPress={() => press(now)} />
            </Panel>
          ) : (
            <Panel title="All done" testID="procedure-done">
              <Words
                size={22}
                weight="bold"
              >{`${FLUIDS[procedure.leaves].name} stands in ${site.sprayer.name}.`}</Words>
              <Button label="Write it down" kind="primary" onPress={finish} />
            </Panel>
          )}
          {cautions}
          {full ? (
            <Words colour="danger">This device takes no more: ticks hold until this page is closed.</Words>
          ) : null}
          {wide ? <FaultFinder {...lists} /> : null}
        </>
      }
      right={
        <>
          <Panel title="The whole list">
            {procedure.steps.map((step, index) => (
              <StepRow
                key={step.id}
                step={step}
                index={index}
                done={done.includes(step.id)}
                locked={heldBackBy(procedure, done, step.id) !== undefined}
                refused={refused?.id === step.id ? refused.message : undefined}
                onPress={() => press(step)}
              />
            ))}
          </Panel>
          {wide ? null : <FaultFinder {...lists} />}
        </>
      }
    />
  );
}

function StepRow({
  step,
  index,
  done,
  locked,
  refused,
  onPress,
}: {
  step: ProcedureStep;
  index: number;
  done: boolean;
  locked: boolean;
  refused: string | undefined;
  onPress: () => void;
}) {
  return (
    <View>
      <Pressable
        role="checkbox"
        aria-checked={done}
        aria-label={`Step ${index + 1}: ${step.what}${locked ? ' Locked: an earlier step comes first.' : ''}`}
        onPress={onPress}
        className="min-h-[56px] flex-row items-center gap-3 py-1"
      >
        <TickBox on={done} locked={locked} />
        <Words className="min-w-0 flex-1" colour={locked ? 'ink2' : 'ink'} weight={done ? 'regular' : 'semi'}>
          {step.what}
        </Words>
      </Pressable>
      {refused ? (
        <Words role="alert" colour="danger" className="pl-11">
          {refused}
        </Words>
      ) : null}
    </View>
  );
}
