import { entriesOfKind } from '@fine-spray/contract';
import { showText } from '@fine-spray/core';
import { WAYS_OUT } from '@fine-spray/core/record';
import { useMemo } from 'react';
import { View } from 'react-native';
import PackageOpen from 'lucide-react-native/icons/package-open';
import Truck from 'lucide-react-native/icons/truck';
import Undo from 'lucide-react-native/icons/undo-2';
import { FieldError, Labelled, TextField } from '@/ui/field';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Segmented } from '@/ui/segmented';
import { Stepper } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { TickRow } from '@/ui/tickRow';
import { useUnits } from '@/ui/units';
import { coatOf, container } from '../defaults';
import { CoatingField } from './fields';
import { numberOf, textOf, type FormProps, type WrittenKind } from './types';

/** Size of a container: those the coating is sold in, or any. */
function SizeField({ payload, context, errors, onChange, onInvalid }: FormProps) {
  const { system } = useUnits();
  const sizes = context.log.kit.coatings.find(({ id }) => id === payload['coatingId'])?.containers ?? [];
  const size = Number(payload['size']);
  const known = sizes.some((one) => Math.abs(one.size - size) < 1e-9);
  return (
    <View className="gap-2">
      {sizes.length > 0 ? (
        <Segmented
          label="Container"
          value={known ? String(size) : ''}
          options={sizes.map((one) => ({
            value: String(one.size),
            label: showText(one.size, 'volume', system),
          }))}
          onChange={(value) => onChange({ size: Number(value) })}
        />
      ) : null}
      {known ? null : (
        <QuantityStepper
          label="Container"
          kind="volume"
          value={size}
          step={{ metric: 0.5, us: 0.25 }}
          bounds={{ min: 1e-4, max: 1.2 }}
          error={errors['size']}
          onChange={(next) => onChange({ size: next })}
          onInvalid={(message) => onInvalid('size', message)}
        />
      )}
    </View>
  );
}

function BatchField({ payload, errors, onChange }: FormProps) {
  return (
    <TextField
      label="Batch"
      value={textOf(payload, 'batch')}
      error={errors['batch']}
      onChange={(batch) => onChange({ batch })}
    />
  );
}

/** Batches of a coating heard of, the latest first. */
function useBatches({ payload, context }: FormProps): readonly string[] {
  const { entries } = context.log;
  const coatingId = payload['coatingId'];
  return useMemo(() => {
    const heard = [...entriesOfKind(entries, 'delivered'), ...entriesOfKind(entries, 'container opened')]
      .filter(({ payload: one }) => one.coatingId === coatingId && one.batch !== '')
      .sort((a, b) => (a.entry.at < b.entry.at ? 1 : -1));
    return [...new Set(heard.map(({ payload: one }) => one.batch))].slice(0, 6);
  }, [entries, coatingId]);
}

/** A container opened: what, which batch, and what it was boxed with. */
function ContainerForm(props: FormProps) {
  const { payload, errors, onChange } = props;
  const batches = useBatches(props);
  const boxed = payload['boxedWith'] as readonly string[];
  const others = batches.filter((one) => one !== payload['batch']);
  return (
    <>
      <CoatingField {...props} />
      <SizeField {...props} />
      {batches.length > 1 ? (
        <Segmented
          label="Batch"
          value={String(payload['batch'])}
          options={batches.map((value) => ({ value, label: value }))}
          onChange={(batch) => onChange({ batch })}
        />
      ) : null}
      <BatchField {...props} />
      {others.length > 0 ? (
        <Labelled label="Boxed with" note="Mixed before spraying, so that one wall has one colour.">
          {others.map((one) => (
            <TickRow
              key={one}
              role="checkbox"
              label={one}
              on={boxed.includes(one)}
              onPress={() =>
                onChange({
                  boxedWith: boxed.includes(one) ? boxed.filter((other) => other !== one) : [...boxed, one],
                })
              }
            />
          ))}
        </Labelled>
      ) : null}
      {errors['boxedWith'] ? <FieldError message={errors['boxedWith']} /> : null}
    </>
  );
}

/** Paint that came to the job. */
function DeliveryForm(props: FormProps) {
  const { payload, onChange } = props;
  return (
    <>
      <CoatingField {...props} />
      <SizeField {...props} />
      <Labelled label="How many">
        <Stepper
          label="Containers"
          value={Number(payload['count'])}
          min={1}
          max={500}
          onChange={(count) => onChange({ count })}
        />
      </Labelled>
      <BatchField {...props} />
    </>
  );
}

const WAYS = WAYS_OUT.map((value) => ({ value, label: value }));

/** Paint that leaves the job unused. */
function PaintOutForm(props: FormProps) {
  const { payload, errors, onChange, onInvalid } = props;
  return (
    <>
      <CoatingField {...props} />
      <Segmented
        label="What became of it"
        value={textOf(payload, 'how')}
        options={WAYS}
        onChange={(how) => onChange({ how })}
      />
      <QuantityStepper
        label="Paint"
        kind="volume"
        value={numberOf(payload, 'volume')}
        step={{ metric: 0.5, us: 0.25 }}
        bounds={{ min: 1e-5, max: 10 }}
        error={errors['volume']}
        onChange={(volume) => onChange({ volume })}
        onInvalid={(message) => onInvalid('volume', message)}
      />
      {payload['how'] === 'poured away' ? (
        <Words colour="ink2">
          Never down a drain or into the ground: hand it in as the label and the local rules say.
        </Words>
      ) : null}
    </>
  );
}

export const paintOut: WrittenKind<'paint out'> = {
  tile: { label: 'Paint back', icon: Undo },
  form: PaintOutForm,
  first: (context) => ({ coatingId: coatOf(context).coatingId, how: 'given back' }),
};

export const containerOpened: WrittenKind<'container opened'> = {
  tile: { label: 'Container', icon: PackageOpen, common: true },
  form: ContainerForm,
  first: (context) => ({ ...container(context, coatOf(context).coatingId), boxedWith: [] }),
};

export const delivered: WrittenKind<'delivered'> = {
  tile: { label: 'Delivery', icon: Truck },
  form: DeliveryForm,
  first: (context) => ({ ...container(context, coatOf(context).coatingId), count: 1 }),
};
