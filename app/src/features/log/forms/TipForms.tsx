import {
  FAN_WIDTH_LIMITS,
  GUN_DISTANCE_LIMITS,
  fanWidth,
  quantity,
  readTip,
  showText,
  wornTip,
  NOMINAL_DISTANCE,
} from '@fine-spray/core';
import { TextField } from '@/ui/field';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { TipChoiceField } from './fields';
import { textOf, type FormProps } from './types';

/** A tip fitted, turned, cleaned or retired. */
export function TipForm(props: FormProps) {
  const { payload, errors, onChange } = props;
  return (
    <>
      <TipChoiceField {...props} />
      <TextField
        label="Why, if it matters"
        value={textOf(payload, 'why')}
        error={errors['why']}
        onChange={(why) => onChange({ why })}
      />
      <Words size={14} colour="ink2">
        Trigger locked and pressure relieved before anybody touches the tip.
      </Words>
    </>
  );
}

/** Width of a fan, and at once what it says of the tip. */
export function FanForm(props: FormProps) {
  const { payload, context, errors, onChange, onInvalid } = props;
  const { system } = useUnits();
  const row = context.log.kit.tips.find(({ id }) => id === payload['tipId']);
  const tip = row && readTip(row.code, row.family);
  const width = (Number(payload['width']) * NOMINAL_DISTANCE) / Number(payload['distance']);
  const wear = tip?.ok ? wornTip(tip.value, { by: 'fan', width: quantity(width) }, system) : undefined;
  const fresh = tip?.ok ? fanWidth(tip.value.fan, NOMINAL_DISTANCE) : undefined;
  return (
    <>
      <QuantityStepper
        label="Fan on the card"
        kind="fanWidth"
        value={Number(payload['width'])}
        step={{ metric: 5, us: 0.5 }}
        bounds={FAN_WIDTH_LIMITS}
        error={errors['width']}
        onChange={(next) => onChange({ width: next })}
        onInvalid={(message) => onInvalid('width', message)}
      />
      {wear ? (
        <Words weight="semi" aria-live="polite">
          {wear.ok
            ? `${Math.round((1 - wear.value.widthRatio) * 100)} % narrower than new. ${wear.value.words}`
            : wear.message}
        </Words>
      ) : null}
      {fresh === undefined ? null : (
        <Words
          size={14}
          colour="ink2"
        >{`New it is ${showText(fresh, 'fanWidth', system)} at ${showText(NOMINAL_DISTANCE, 'distance', system)}.`}</Words>
      )}
      <TipChoiceField {...props} />
      <QuantityStepper
        label="From the card"
        kind="distance"
        value={Number(payload['distance'])}
        step={{ metric: 50, us: 1 }}
        bounds={GUN_DISTANCE_LIMITS}
        error={errors['distance']}
        onChange={(distance) => onChange({ distance })}
        onInvalid={(message) => onInvalid('distance', message)}
      />
    </>
  );
}
