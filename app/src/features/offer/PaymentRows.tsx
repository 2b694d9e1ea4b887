import type { Offer } from '@fine-spray/contract';
import { QuantityField, TextField } from '@/ui/field';
import { Words } from '@/ui/text';
import { Rows } from './Rows';

type Step = Offer['payments'][number];

/** What is left to say of the total, for the next step. */
const left = (steps: readonly Step[]): number =>
  Math.max(0.01, Number((1 - steps.reduce((sum, { share }) => sum + share, 0)).toFixed(4)));

/** Steps of payment, each with its share of the total; with what is due where that is known. */
export function PaymentRows({
  steps,
  due,
  errors,
  path,
  onChange,
  onInvalid,
}: {
  steps: readonly Step[];
  /** What is due at each, in words. */
  due?: readonly string[];
  errors: Readonly<Record<string, string>>;
  /** Where the steps stand in what is stored. */
  path: string;
  onChange: (steps: Step[], step: string) => void;
  onInvalid: (field: string, message: string | undefined) => void;
}) {
  return (
    <Rows<Step>
      title="When it is due"
      note="Steps of payment: together all of it. None: nothing is said on the offer."
      rows={steps}
      nameOf={({ name }, index) => `the step ${name === '' ? index + 1 : name}`}
      addLabel="Add a step of payment"
      empty={{ name: '', share: left(steps) }}
      most={12}
      onChange={onChange}
    >
      {({ name, share }, index, put) => (
        <>
          <TextField
            label={`Step ${index + 1}: when`}
            value={name}
            error={errors[`${path}.${index}.name`]}
            onChange={(next) => put({ name: next })}
          />
          <QuantityField
            label={`Step ${index + 1}: part of the total`}
            kind="percent"
            value={share}
            bounds={{ min: 0.01, max: 1 }}
            error={errors[`${path}.${index}.share`]}
            onChange={(next) => put({ share: next })}
            onInvalid={(message) => onInvalid(`${path}.${index}.share`, message)}
          />
          {due?.[index] ? <Words weight="semi">{`${due[index]} with tax`}</Words> : null}
        </>
      )}
    </Rows>
  );
}
