import { showText } from '@fine-spray/core';
import { Words } from '@/ui/text';
import { QuantityStepper } from '@/ui/quantityStepper';
import { useUnits } from '@/ui/units';
import { coatOptions } from '../defaults';
import { CoatField, TipChoiceField } from './fields';
import type { FormProps } from './types';

/** Litres through the gun on a coat. */
export function LitresForm(props: FormProps) {
  const { payload, context, errors, onChange, onInvalid } = props;
  const { system } = useUnits();
  const option = coatOptions(context).find(
    ({ planned }) => planned.coating === payload['coatingId'] && planned.coat === payload['coat'],
  );
  return (
    <>
      <QuantityStepper
        label="Sprayed"
        kind="volume"
        value={Number(payload['volume'])}
        step={{ metric: 0.5, us: 0.25 }}
        bounds={{ min: 1e-5, max: 0.5 }}
        error={errors['volume']}
        onChange={(volume) => onChange({ volume })}
        onInvalid={(message) => onInvalid('volume', message)}
      />
      {option ? (
        <Words colour="ink2">{`Planned for this coat: ${showText(option.planned.volume.value, 'volume', system)}. As read off the containers, thinner in it.`}</Words>
      ) : null}
      <CoatField {...props} />
      <TipChoiceField {...props} none />
    </>
  );
}
