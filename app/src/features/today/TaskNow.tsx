import type { ScheduleFields } from '@fine-spray/contract';
import type { SitePlanFound } from '@fine-spray/contract/planning';
import { capital, showRange, showText } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { clockText, midnightOf, momentBeside, namesOf } from '@/features/days';
import { STEP_TITLES } from '@/features/cautions';
import type { LoadedJob } from '@/features/frame';
import { cardsOf } from '@/features/log';
import { PassStill } from '@/features/passing';
import { strokeText } from '@/features/setup';
import { Button } from '@/ui/button';
import { CautionBox, CautionList } from '@/ui/caution';
import { Fact } from '@/ui/fact';
import { QuantityField } from '@/ui/field';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import type { useSteps } from './useSteps';
import { driesUntil, setUpWords, sprayedBefore, type Doing } from './whatNow';

const LITRES = { min: 0.00001, max: 0.5 } as const;

/** The task that is done now, or the next one: what to do before, with which tip and how fast, and what was used. */
export function TaskNow({
  loaded,
  fields,
  steps,
  doing,
  planned,
  minute,
}: {
  loaded: LoadedJob;
  fields: ScheduleFields;
  steps: ReturnType<typeof useSteps>;
  doing: Doing;
  planned: SitePlanFound;
  /** Now, min of the plan. */
  minute: number;
}) {
  const { task, one } = doing;
  const { job } = loaded;
  const router = useRouter();
  const first = midnightOf(fields);
  const [room, ...rest] = task.name.split(': ');
  const state = task.running
    ? 'Now'
    : one.start <= minute + 5
      ? 'Next'
      : `At ${momentBeside(first, one.start, minute)}`;
  const names = (id: string) => steps.names?.coating(id) ?? 'its coating';
  const setUp = task.running ? undefined : setUpWords(doing, sprayedBefore(planned, doing), names);
  const dry = driesUntil(task, minute);
  return (
    <View className="gap-2 rounded-2xl border-2 border-identity bg-sheet p-4" testID="now">
      <Words weight="semi" colour="ink2">
        {`${state} · ${namesOf(fields, one.people)} · until ${clockText(first, one.end)}`}
      </Words>
      <Words size={30} weight="bold" heading={2}>
        {capital(rest.join(': '))}
      </Words>
      <Words size={18}>{room}</Words>
      {dry === undefined ? null : (
        <CautionBox
          what="not dry yet"
          why={`What is under it may be gone over from ${momentBeside(first, dry, minute)}.`}
          instead="Do something else until then."
        />
      )}
      {setUp === undefined ? null : <Words weight="semi">{setUp}</Words>}
      {task.kind === 'spray' ? (
        <Coat {...{ loaded, task, steps }} />
      ) : task.what === 'protect' || task.what === 'prepare' || task.what === 'mask' ? (
        <>
          <Words>
            {task.what === 'prepare'
              ? 'Old paint is tested for lead before it is scraped or sanded. Wash, let dry, fill, sand, dust last.'
              : task.what === 'protect'
                ? 'Power to the room off and checked dead before plates and lights are touched; whoever may do that does it.'
                : 'Everything that is not painted is covered before a trigger is pulled.'}
          </Words>
          <Button
            label="What there is to prepare"
            className="self-start"
            onPress={() => router.navigate(`/jobs/${job.id}/prepare`)}
          />
        </>
      ) : task.what === 'unmask' ? (
        <Words>Roll film inwards, slowly. Uncover smoke alarms, plates back, power on last.</Words>
      ) : null}
    </View>
  );
}

/** Tip, gun and speed of a coat, what it takes, and what went through the gun. */
function Coat({
  loaded: { job, surfaces, kit },
  task,
  steps,
}: {
  loaded: LoadedJob;
  task: Doing['task'];
  steps: ReturnType<typeof useSteps>;
}) {
  const { system } = useUnits();
  const router = useRouter();
  const surface = surfaces.find(({ id }) => id === task.surfaces[0]);
  const card = useMemo(
    () => (task.coat ? cardsOf(surface, job, kit, system)(task.coat) : undefined),
    [surface, job, kit, system, task],
  );
  const plan = useMemo(
    () => steps.plannedOf(task).reduce((sum, { planned }) => sum + planned, 0),
    [steps, task],
  );
  const [volume, setVolume] = useState<number>();
  const [wrong, setWrong] = useState<string>();
  return (
    <>
      {card ? (
        <View className="flex-row flex-wrap gap-x-6 gap-y-1" testID="tip-now">
          <Fact label="Tip" value={card.tip.code} />
          <Fact
            label="At the gun"
            value={showRange(card.gunPressure.start, card.gunPressure.stop, 'pressure', system)}
          />
          <Fact
            label="Gun speed"
            value={`${strokeText(card, system)} in ${showText(card.stroke.time, 'time', system)}`}
          />
          <Fact label="Paint, likely" value={showText(plan, 'volume', system)} />
        </View>
      ) : null}
      {card ? <CautionList title={STEP_TITLES.spray} cautions={card.cautions} /> : null}
      {card && surface && task.coat ? <PassStill {...{ surface, job, kit, card }} coat={task.coat} /> : null}
      <View className="flex-row flex-wrap gap-2">
        {surface ? (
          <Button
            label="Whole card"
            onPress={() => router.navigate(`/jobs/${job.id}/surfaces/${surface.id}`)}
          />
        ) : null}
        <Button
          label="Comb"
          onPress={() => router.navigate(`/log/write/comb?surface=${surface?.id ?? ''}`)}
        />
      </View>
      {task.running ? (
        <View className="flex-row flex-wrap items-end gap-2">
          <View className="min-w-[180px] flex-1">
            <QuantityField
              label={`Went through the gun (plan: ${showText(plan, 'volume', system)})`}
              kind="volume"
              value={volume}
              bounds={LITRES}
              error={wrong}
              onChange={(next) => {
                setVolume(next);
                setWrong(undefined);
              }}
              onInvalid={setWrong}
            />
          </View>
          <Button
            label="Write down"
            disabled={volume === undefined || wrong !== undefined}
            onPress={() => {
              if (volume === undefined) return;
              steps.litres(task, volume);
              setVolume(undefined);
            }}
          />
        </View>
      ) : null}
    </>
  );
}
