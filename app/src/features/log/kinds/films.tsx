import { meanOf, type PayloadOf } from '@fine-spray/contract';
import { layerOfCoat, type CoatOfSurface } from '@fine-spray/contract/planning';
import { combFor, showText } from '@fine-spray/core';
import { thinnerInGun } from '@fine-spray/core/record';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Ruler from 'lucide-react-native/icons/ruler';
import { Button } from '@/ui/button';
import { FieldError } from '@/ui/field';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { CombPicture } from '../CombPicture';
import { coatOf, tipInGun, type CaptureContext, cardSpeedOf } from '../defaults';
import { CoatField } from './fields';
import type { FormProps, WrittenKind } from './types';

/** Values read so far; a tap takes one out. */
function Read({
  values,
  kind,
  onChange,
}: {
  values: readonly number[];
  kind: 'wetFilm' | 'dryFilm';
  onChange: (values: number[]) => void;
}) {
  const { system } = useUnits();
  return (
    <View className="flex-row flex-wrap gap-2">
      {values.map((value, index) => (
        <Pressable
          key={index}
          role="button"
          aria-label={`Take out ${showText(value, kind, system)}`}
          onPress={() => onChange(values.filter((_one, place) => place !== index))}
          className="min-h-[56px] justify-center rounded-xl border border-rule bg-sheet px-4"
        >
          <Words weight="bold">{`${showText(value, kind, system)} ×`}</Words>
        </Pressable>
      ))}
    </View>
  );
}

/** Dry film by a gauge, several in a row. */
function DryForm({ payload, errors, onChange }: FormProps) {
  const readings = payload['readings'] as readonly number[];
  const [next, setNext] = useState(readings.at(-1) ?? 8e-5);
  const { system } = useUnits();
  const mean = readings.length > 0 ? meanOf(readings) : undefined;
  return (
    <>
      {mean === undefined ? null : (
        <Words
          size={30}
          weight="bold"
          colour="dry"
        >{`${showText(mean, 'dryFilm', system)} mean of ${readings.length}`}</Words>
      )}
      <QuantityStepper
        label="Dry film, all coats"
        kind="dryFilm"
        value={next}
        step={{ metric: 5, us: 0.2 }}
        bounds={{ min: 1e-6, max: 5e-3 }}
        onChange={setNext}
      />
      <Button
        label="Add this reading"
        className="min-h-[64px]"
        onPress={() => onChange({ readings: [...readings, next] })}
      />
      <Read values={readings} kind="dryFilm" onChange={(values) => onChange({ readings: values })} />
      {errors['readings'] ? <FieldError message={errors['readings']} /> : null}
    </>
  );
}

/** Comb readings put right: taken out, and tapped anew. */
function CombForm(props: FormProps) {
  const { errors, onChange } = props;
  const payload = props.payload as unknown as PayloadOf<'comb'>;
  const { lastWet } = payload;
  const wrong = Object.entries(errors).find(([field]) => field.startsWith('lastWet'))?.[1];
  return (
    <>
      <Read
        values={lastWet.map((one) => one ?? 0)}
        kind="wetFilm"
        onChange={(values) => onChange({ lastWet: values.map((one) => (one === 0 ? null : one)) })}
      />
      {wrong ? <FieldError message={wrong} /> : null}
      <CombPicture
        teeth={payload.teeth}
        target={payload.target ?? undefined}
        onTap={(tooth) => onChange({ lastWet: [...lastWet, tooth] })}
      />
      <CoatField {...props} />
    </>
  );
}

/** Thinner per paint in the gun: as the paint was checked last that day, else as the plan has it. */
function thinnerNow({ log, job, surface }: CaptureContext, of: CoatOfSurface): number {
  const checked = thinnerInGun(log.record, { job: job?.id, coating: of.coatingId, at: Date.now() });
  return checked ?? (surface && layerOfCoat(surface, of)?.thinning) ?? 0;
}

/** What a comb read on a coat is held against: the paint, the tip and the card of its own layer. */
export function combOf(context: CaptureContext, of: CoatOfSurface, target: number | undefined) {
  return {
    ...{ coatingId: of.coatingId, coat: of.coat },
    thinner: thinnerNow(context, of),
    tip: tipInGun(context, of)?.choice ?? null,
    target: target ?? null,
    // Whether the gun was moved as the card has it nobody knows before it is timed.
    speed: null,
    cardSpeed: cardSpeedOf(context, of),
  };
}

export const comb: WrittenKind<'comb'> = {
  tile: { label: 'Comb', icon: Ruler, common: true, surface: true },
  form: CombForm,
  first: (context) => {
    const { coatingId, coat, option } = coatOf(context);
    return {
      teeth: [...combFor(context.system)],
      lastWet: [],
      element: context.surface?.element ?? null,
      ...combOf(context, { coatingId, coat }, option?.planned.wet),
    };
  },
};

export const dryReading: WrittenKind<'dry reading'> = {
  tile: { label: 'Dry film', icon: Ruler, surface: true },
  form: DryForm,
  first: () => ({ readings: [] }),
};
