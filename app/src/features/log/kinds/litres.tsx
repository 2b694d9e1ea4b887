import { showText } from '@fine-spray/core';
import Droplets from 'lucide-react-native/icons/droplets';
import { Words } from '@/ui/text';
import { QuantityStepper } from '@/ui/quantityStepper';
import { useUnits } from '@/ui/units';
import { abrasionOf, coatOf, coatOptions, litresLeft, tipInGun } from '../defaults';
import { CoatField, TipChoiceField } from './fields';
import { numberOf, type FormProps, type WrittenKind } from './types';

/** Litres through the gun on a coat. */
function LitresForm(props: FormProps) {
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
        value={numberOf(payload, 'volume')}
        {...(option ? { from: litresLeft(context, option) } : {})}
        step={{ metric: 0.5, us: 0.25 }}
        bounds={{ min: 1e-5, max: 0.5 }}
        error={errors['volume']}
        onChange={(volume) => onChange({ volume })}
        onInvalid={(message) => onInvalid('volume', message)}
      />
      {option ? (
        <Words colour="ink2">{`Planned for this coat: ${showText(option.planned.volume.value, 'volume', system)}. Read it off the containers, thinner included.`}</Words>
      ) : null}
      <CoatField {...props} />
      <TipChoiceField {...props} none />
    </>
  );
}

export const sprayed: WrittenKind<'sprayed'> = {
  tile: { label: 'Litres', icon: Droplets, common: true, surface: true },
  form: LitresForm,
  // What was sprayed is counted: it starts empty, with the plan beside it.
  first: (context) => {
    const { coatingId, coat } = coatOf(context);
    return {
      coatingId,
      coat,
      tipId: tipInGun(context, { coatingId, coat })?.id ?? null,
      abrasion: abrasionOf(context, coatingId),
      counted: true,
    };
  },
};
