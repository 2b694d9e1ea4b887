import { STATES, TIMED_WORK, WORK_RATES, isMending, workCountedIn, type WorkRate } from '@fine-spray/core';
import Timer from 'lucide-react-native/icons/timer';
import { Choice } from '@/ui/choice';
import { FieldError, Labelled, QuantityField } from '@/ui/field';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Segmented } from '@/ui/segmented';
import { StepperRow } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { numberOf, textOf, type FormProps, type WrittenKind } from './types';

const WORK = TIMED_WORK.map((value) => ({ value, label: WORK_RATES[value].name }));
const STATE_OPTIONS = STATES.map((value) => ({
  value,
  label: `${value.charAt(0).toUpperCase()}${value.slice(1)}`,
}));
const AMOUNTS = { run: 'How long it was', area: 'How much it was', count: 'How many' } as const;
const AMOUNT_LIMITS = { min: 0.01, max: 100_000 } as const;
const TIME_LIMITS = { min: 30, max: 24 * 3600 } as const;

const isWork = (value: string): value is WorkRate => value in WORK_RATES;

/** Work besides spraying: how much was done, how long it took. What is counted and timed starts empty. */
function WorkedForm({ payload, errors, onChange, onInvalid }: FormProps) {
  const chosen = textOf(payload, 'rate');
  const rate = isWork(chosen) ? chosen : undefined;
  const counted = (rate && workCountedIn(rate)) ?? 'area';
  const people = numberOf(payload, 'people') ?? 1;
  return (
    <>
      <Choice
        label="Work"
        value={chosen as WorkRate}
        options={WORK}
        error={errors['rate']}
        onChange={(next) =>
          onChange({
            rate: next,
            // Square metres are no doors.
            ...(workCountedIn(next) === counted ? {} : { amount: undefined }),
            ...(isMending(next) ? {} : { state: null }),
          })
        }
      />
      {rate ? (
        <QuantityField
          key={counted}
          label={AMOUNTS[counted]}
          kind={counted}
          value={numberOf(payload, 'amount')}
          bounds={AMOUNT_LIMITS}
          error={errors['amount']}
          onChange={(amount) => onChange({ amount })}
          onInvalid={(message) => onInvalid('amount', message)}
        />
      ) : null}
      {rate && isMending(rate) ? (
        <Labelled label="How the surface was">
          <Segmented
            label="How the surface was"
            value={textOf(payload, 'state') as (typeof STATES)[number]}
            options={STATE_OPTIONS}
            onChange={(state) => onChange({ state })}
          />
          {errors['state'] ? <FieldError message={errors['state']} /> : null}
        </Labelled>
      ) : null}
      <QuantityStepper
        label="How long it took, by the clock"
        kind="minutes"
        value={numberOf(payload, 'time')}
        from={0}
        step={{ metric: 5, us: 5 }}
        bounds={TIME_LIMITS}
        error={errors['time']}
        onChange={(time) => onChange({ time })}
        onInvalid={(message) => onInvalid('time', message)}
      />
      <StepperRow
        label="People on it"
        value={people}
        min={1}
        max={20}
        onChange={(next) => onChange({ people: next })}
      />
      <Words colour="ink2" size={14}>
        From this your own minutes are learned: hours and prices of the next jobs go by them.
      </Words>
    </>
  );
}

export const worked: WrittenKind<'worked'> = {
  tile: { label: 'Work done', icon: Timer },
  form: WorkedForm,
  first: () => ({ people: 1, state: null }),
};
