import { entriesOfKind } from '@fine-spray/contract';
import {
  FLUIDS,
  FLUID_IDS,
  fluidOfBase,
  heldBackBy,
  sealFor,
  shutDown,
  startUp,
  type Fluid,
  type Procedure,
  type ProcedureStep,
  type SetupCard,
} from '@fine-spray/core';
import Check from 'lucide-react-native/icons/check';
import { format } from 'date-fns/format';
import { useState, type ReactNode } from 'react';
import { Pressable, View, type ViewStyle } from 'react-native';
import { dayOfEntry } from '@/data/day';
import { useLog } from '@/data/log';
import { SiteCautions } from '@/features/cautions';
import type { Site } from '@/features/site';
import { useAwake } from '@/ui/awake';
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
import { SiteFaultFinder } from './FaultFinder';
import { MachinePicture, stateWords } from './MachinePicture';
import { atMachine } from './lists';
import { useTicks } from './useTicks';

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
  const [written, setWritten] = useState<string>();
  if (written !== undefined) return <Written leftWith={written} onAgain={() => setWritten(undefined)} />;
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
          onWritten={setWritten}
        />
      ) : (
        <ErrorState title="Not with this sprayer" text={procedure.message} />
      )}
    </View>
  );
}

function ShutDownList({ site }: { site: Site }) {
  const [until, setUntil] = useState<'tomorrow' | 'stored'>('tomorrow');
  const [written, setWritten] = useState<string>();
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
      {written !== undefined ? (
        <Written leftWith={written} onAgain={() => setWritten(undefined)} />
      ) : procedure.ok ? (
        <List
          key={until}
          site={site}
          procedure={procedure.value}
          cautions={<SiteCautions request={site.request} screen="shut-down" step="shut down" />}
          storageKey={`shut-down ${site.sprayer.id} ${site.coating.id} ${until}`}
          onWritten={setWritten}
        />
      ) : (
        <ErrorState title="Not with this sprayer" text={procedure.message} />
      )}
      <SiteCautions request={site.request} screen="shut-down" step="leave" />
    </View>
  );
}

/** At the lower edge of what is in sight, whatever a step says: the button never moves under the thumb. */
const AT_THUMB = { position: 'sticky', bottom: 0, zIndex: 1 } as unknown as ViewStyle;

/** A list that is finished begins again only when somebody asks for it. */
function Written({ leftWith, onAgain }: { leftWith: string; onAgain: () => void }) {
  return (
    <Panel title="Done and written down" testID="procedure-written">
      <Words size={22} weight="bold">
        {leftWith}
      </Words>
      <Button label="Go through the list again" className="self-start" onPress={onAgain} />
    </Panel>
  );
}

function List({
  site,
  procedure,
  cautions,
  storageKey,
  onWritten,
}: {
  site: Site;
  procedure: Procedure;
  /** The list is done and written down: how the machine was left. */
  onWritten: (leftWith: string) => void;
  /** Those of its step, under what is to be done now. */
  cautions: ReactNode;
  storageKey: string;
}) {
  const { done, now, press, pressNow, clear, refusedAt, leftAt, full } = useTicks(procedure, storageKey);
  const wide = useWide();
  useAwake(now !== undefined);
  const { write } = useLog();
  const toast = useToast();
  const { leaves } = procedure;
  const leftWith = `${FLUIDS[leaves].name} stands in ${site.sprayer.name}.`;
  function finish() {
    write({
      kind: 'machine',
      payload: {
        sprayerId: site.sprayer.id,
        holds: leaves,
        coatingId: FLUIDS[leaves].paint ? site.coating.id : null,
        procedure: procedure.kind === 'shut-down' ? 'shut-down' : 'start-up',
      },
      jobId: site.jobId,
      surfaceId: site.surfaceId,
    });
    clear();
    onWritten(leftWith);
    toast({ text: `Written down: ${FLUIDS[leaves].name.toLowerCase()} in ${site.sprayer.name}.` });
  }
  return (
    <>
      <Beside
        left={
          <>
            {leftAt === undefined ? null : <BegunAgain leftAt={leftAt} />}
            {procedure.assumes.map((words) => (
              <Words key={words} weight="semi" colour="caution">
                {words}
              </Words>
            ))}
            {now ? (
              <NowPanel procedure={procedure} now={now} />
            ) : (
              <Panel title="All done" testID="procedure-done">
                <Words size={22} weight="bold">
                  {leftWith}
                </Words>
                <Button label="Write it down" kind="primary" onPress={finish} />
              </Panel>
            )}
            {cautions}
            {full ? (
              <Words colour="danger">This device takes no more: ticks hold until this page is closed.</Words>
            ) : null}
            {wide ? <SiteFaultFinder site={site} /> : null}
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
                  refused={refusedAt(step.id)}
                  onPress={() => press(step)}
                />
              ))}
            </Panel>
            {wide ? null : <SiteFaultFinder site={site} />}
          </>
        }
      />
      {now ? (
        <View style={AT_THUMB} className="border-t border-rule bg-ground py-2">
          <Button label="Done" icon={Check} kind="primary" className="min-h-[64px]" onPress={pressNow} />
        </View>
      ) : null}
    </>
  );
}

/** Said where a list lay so long that it begins again. */
function BegunAgain({ leftAt }: { leftAt: number }) {
  const when = leftAt === 0 ? 'earlier' : format(leftAt, 'd MMM, HH:mm');
  return (
    <Panel testID="procedure-stale">
      <Words weight="bold" colour="caution">
        {`Begun ${when} and not finished: start at the top.`}
      </Words>
      <Words>
        Pressure can come back and others may have used it. If a flush was done then, what is in the machine
        is not what it was.
      </Words>
    </Panel>
  );
}

/** Whether a step leaves the machine otherwise than it was; of the first nobody knows how it was. */
function changesMachine({ steps }: Procedure, step: ProcedureStep): boolean {
  const before = steps[steps.indexOf(step) - 1];
  return before !== undefined && stateWords(before.state) !== stateWords(step.state);
}

/** The step to do now: its words, what to do where it does not go as said, and the machine after it. */
function NowPanel({ procedure, now }: { procedure: Procedure; now: ProcedureStep }) {
  return (
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
    </Panel>
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
