import { entriesOfKind } from '@fine-spray/contract';
import {
  FLUIDS,
  FLUID_IDS,
  archetypeOf,
  fluidOfBase,
  heldBackBy,
  nextStep,
  sealFor,
  showText,
  shutDown,
  startUp,
  tick,
  untick,
  type Fluid,
  type Procedure,
  type ProcedureStep,
} from '@fine-spray/core';
import Check from 'lucide-react-native/icons/check';
import { format } from 'date-fns/format';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { dayOfEntry } from '@/data/day';
import { useKept } from '@/data/kept';
import { useLog } from '@/data/log';
import type { Site } from '@/features/site';
import { Beside } from '@/ui/beside';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { Panel } from '@/ui/panel';
import { Segmented } from '@/ui/segmented';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { TickBox } from '@/ui/tickBox';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { useWide } from '@/ui/wide';
import { FaultFinder } from './FaultFinder';
import { MachinePicture } from './MachinePicture';

const readDone = (stored: unknown): readonly string[] | undefined =>
  Array.isArray(stored) && stored.every((one) => typeof one === 'string') ? stored : undefined;

/** What is in the machine: by the log, or what the crew says. */
function useHolds(site: Site) {
  const { entries } = useLog();
  const last = entriesOfKind(entries, 'machine')
    .filter(({ payload }) => payload.sprayerId === site.sprayer.id)
    .at(-1);
  const [said, setSaid] = useState<Fluid>();
  const holds = said ?? last?.payload.holds ?? 'storage';
  const same = said === undefined && last?.payload.coatingId === site.coating.id && FLUIDS[holds].paint;
  return {
    holds,
    setHolds: setSaid,
    same,
    known: said === undefined && last ? dayOfEntry(last.entry) : undefined,
  };
}

/** The checklist of a start-up or a shut-down, made from this machine and this paint; its ticks are kept on this device. */
export function ProcedureScreen({ site, kind }: { site: Site; kind: Procedure['kind'] }) {
  const { system } = useUnits();
  const { holds, setHolds, same, known } = useHolds(site);
  const [until, setUntil] = useState<'tomorrow' | 'stored'>('tomorrow');
  if (!site.card.ok) return <ErrorState title="No list yet" text={site.card.message} />;
  const card = site.card.value;
  const { base } = archetypeOf(site.coating.archetype);
  const { power } = site.sprayer;
  const procedure =
    kind === 'start-up'
      ? startUp({
          holds,
          base,
          sameCoating: same,
          power,
          side: site.surface.side,
          tipCode: card.tip.code,
          mesh: card.mesh.value,
          seal: sealFor(card.tip.candidate.tip.family, base),
          startPressure: showText(card.pumpPressure.start, 'pressure', system),
        })
      : shutDown({ base, until, power });
  return (
    <View className="gap-4">
      {kind === 'start-up' ? (
        <View className="gap-1">
          <Choice
            label="In the machine now"
            value={holds}
            options={FLUID_IDS.map((value) => ({ value, label: FLUIDS[value].name }))}
            onChange={setHolds}
          />
          <Words size={14} colour="ink2">
            {known
              ? `From the log of ${format(new Date(`${known}T12:00`), 'd MMM yyyy')}. Change it if you know better.`
              : `Then ${FLUIDS[fluidOfBase(base)].name.toLowerCase()}: ${site.coating.name}.`}
          </Words>
        </View>
      ) : (
        <Segmented
          label="Shut down"
          value={until}
          options={[
            { value: 'tomorrow', label: 'For tonight' },
            { value: 'stored', label: 'Into storage' },
          ]}
          onChange={setUntil}
        />
      )}
      <List
        key={`${holds} ${until}`}
        site={site}
        procedure={procedure}
        storageKey={`${kind} ${site.sprayer.id} ${site.coating.id} ${kind === 'start-up' ? holds : until}`}
      />
    </View>
  );
}

function List({ site, procedure, storageKey }: { site: Site; procedure: Procedure; storageKey: string }) {
  const [kept, setDone, full] = useKept(storageKey, readDone, []);
  // What is kept may be of an older list: only what this one has, in an order it allows.
  const done = procedure.steps.reduce<readonly string[]>((sofar, { id }) => {
    const result = kept.includes(id) ? tick(procedure, sofar, id) : undefined;
    return result?.ok ? result.value : sofar;
  }, []);
  const [refused, setRefused] = useState<{ id: string; message: string }>();
  const wide = useWide();
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
        procedure: procedure.kind,
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
          {now ? (
            <Panel
              title={`Now: step ${procedure.steps.indexOf(now) + 1} of ${procedure.steps.length}`}
              testID="procedure-now"
            >
              <Words size={22} weight="bold">
                {now.what}
              </Words>
              <MachinePicture state={now.state} />
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
          {full ? (
            <Words colour="danger">This device takes no more: ticks hold until this page is closed.</Words>
          ) : null}
          {wide ? <FaultFinder /> : null}
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
          {wide ? null : <FaultFinder />}
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
