import { KINDS, type PayloadOf } from '@fine-spray/contract';
import { combFor, combReading, quantity, showText, type UnitSystem } from '@fine-spray/core';
import { memo, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useWriteDown } from '@/data/writeDown';
import { LIES_OPEN } from '@/ui/printing';
import { Choice } from '@/ui/choice';
import { EmptyState } from '@/ui/states';
import { Header } from '@/ui/screen';
import { BigNumber } from '@/ui/number';
import { Words } from '@/ui/text';
import { useStable } from '@/ui/stable';
import { useUnits } from '@/ui/units';
import { QuantityStepper } from '@/ui/quantityStepper';
import { strokeText } from '@/features/setup';
import { placeWords } from './place';
import { CombPicture } from './CombPicture';
import { combed } from './combed';
import { coatOptions, type CaptureContext } from './defaults';
import { firstPayload } from './kinds';
import { combOf } from './kinds/films';

type Comb = PayloadOf<'comb'>;

/** A comb to tap: the last tooth that is wet is written down at once; mean, verdict and the speed to go on with beside it. */
export const CombScreen = memo(function CombScreen({ context }: { context: CaptureContext }) {
  if (context.surface && context.job) return <Reading context={context} />;
  return (
    <View className="flex-1">
      <Header title={KINDS.comb.name} backTo="/log" />
      <View className="p-4">
        <EmptyState title="A comb is read on a surface" text="Go back and choose where you are." />
      </View>
    </View>
  );
});

function Reading({ context }: { context: CaptureContext }) {
  const { job, surface } = context;
  const { system } = useUnits();
  const writeDown = useWriteDown();
  const [inARow, setInARow] = useState(0);
  const [typed, setPayload] = useState(() => firstPayload('comb', context) as Comb);
  // The comb in the hand is the one of the units that are read in now.
  const payload = useMemo(() => ({ ...typed, teeth: [...combFor(system)] }), [typed, system]);
  const card = context.cardOf(payload);
  const [said, setSaid] = useState<string>();

  const tap = useStable((tooth: number | null) => {
    const teeth = payload.teeth.map((each) => quantity<never>(each));
    const reading = combReading(tooth === null ? undefined : quantity(tooth), teeth, system);
    if (!reading.ok) {
      setSaid(reading.message);
      return;
    }
    setSaid(undefined);
    const count = inARow + 1;
    setInARow(count);
    const shown = tooth === null ? 'No tooth wet' : showText(tooth, 'wetFilm', system);
    writeDown(
      {
        kind: 'comb',
        payload: { ...payload, lastWet: [tooth] },
        jobId: job?.id ?? null,
        surfaceId: surface?.id ?? null,
      },
      `${shown}: written down, ${count} in a row.`,
      () => setInARow((now) => now - 1),
    );
  });

  return (
    <View className="min-h-0 flex-1">
      <Header title={KINDS.comb.name} above={placeWords({ job, surface })} backTo="/log" />
      <ScrollView
        tabIndex={0}
        className={LIES_OPEN}
        contentContainerClassName="w-full max-w-[760px] gap-4 px-4 pb-24"
      >
        <CombAnswer context={context} payload={payload} />
        {said ? (
          <Words colour="danger" role="alert">
            {said}
          </Words>
        ) : null}
        <CombPicture teeth={payload.teeth} target={payload.target ?? undefined} onTap={tap} />
        <CombCoat context={context} payload={payload} onChange={setPayload} />
        {card ? (
          <QuantityStepper
            label={`Gun now, timed, ${showText(card.stroke.length, 'size', system)} in`}
            kind="time"
            value={payload.speed === null ? undefined : card.stroke.length / payload.speed}
            from={card.stroke.time}
            step={{ metric: 0.5, us: 0.5 }}
            bounds={{ min: 0.5, max: 60 }}
            onChange={(time) => setPayload({ ...payload, speed: card.stroke.length / time })}
          />
        ) : null}
      </ScrollView>
    </View>
  );
}

/** Mean, verdict and the speed to go on with; before the first reading, what to do. */
function CombAnswer({ context, payload }: { context: CaptureContext; payload: Comb }) {
  const { system } = useUnits();
  const result = combed(context, payload);
  const target = payload.target ?? undefined;
  const card = context.cardOf(payload);
  return (
    <View
      // As high as it gets: the teeth stay under the thumb from one tap to the next.
      className="min-h-[252px] gap-1 rounded-2xl border border-rule bg-sheet p-4"
      testID="comb-answer"
      aria-live="polite"
    >
      {result ? (
        <>
          <View className="flex-row flex-wrap items-end gap-x-6">
            <BigNumber value={result.mean.value} kind="wetFilm" size={64} colour="wet" />
            <View className="min-w-[140px] flex-1">
              <Words weight="semi">{`Mean of ${result.count}`}</Words>
              {target === undefined ? null : (
                <Words colour="ink2">{`wanted ${showText(target, 'wetFilm', system)}`}</Words>
              )}
            </View>
          </View>
          <Words
            size={18}
            weight="bold"
            colour={result.verdict === 'on target' || result.verdict === 'unsure' ? 'ink' : 'caution'}
          >
            {result.words}
          </Words>
          {result.speed && card && result.verdict !== 'on target' ? (
            <Words size={18} weight="bold">
              {result.verdict === 'unsure' ? 'As far as they tell: ' : ''}
              {payload.speed === null ? 'With the gun as on the card: ' : ''}
              {speedWords(
                result.speed.value,
                payload.speed ?? payload.cardSpeed ?? result.speed.value,
                card.stroke.length,
                system,
              )}
            </Words>
          ) : null}
        </>
      ) : (
        <>
          <Words size={22} weight="bold">
            Tap the last tooth that is wet
          </Words>
          <Words colour="ink2">
            {`${target === undefined ? '' : `Wanted ${showText(target, 'wetFilm', system)}. `}Set the comb square on the wet paint, both ends down. Each tap is written down at once.`}
          </Words>
        </>
      )}
    </View>
  );
}

/** Which coat is read. */
function CombCoat({
  context,
  payload,
  onChange,
}: {
  context: CaptureContext;
  payload: Comb;
  onChange: (next: Comb) => void;
}) {
  const options = coatOptions(context);
  if (options.length === 0) return null;
  return (
    <Choice
      label="Coat"
      value={`${payload.coatingId} ${payload.coat}`}
      options={options.map(({ planned, label, state }) => ({
        value: `${planned.coating} ${planned.coat}`,
        label,
        note: state === 'done' ? 'finished' : state,
      }))}
      onChange={(value) => {
        const found = options.find(({ planned }) => `${planned.coating} ${planned.coat}` === value)?.planned;
        if (found)
          onChange({
            ...payload,
            ...combOf(context, { coatingId: found.coating, coat: found.coat }, found.wet),
          });
      }}
    />
  );
}

/** "Speed up to 2.4 m in 3.4 s." */
function speedWords(to: number, now: number, length: number, system: UnitSystem): string {
  const time = length / to;
  const stroke = strokeText({ stroke: { length, time } }, system);
  return `${to > now ? 'Speed up' : 'Slow down'} to ${stroke} in ${showText(time, 'time', system)}.`;
}
