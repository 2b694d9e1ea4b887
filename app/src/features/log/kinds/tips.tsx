import type { LucideIcon } from 'lucide-react-native';
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
import Gauge from 'lucide-react-native/icons/gauge';
import SprayCan from 'lucide-react-native/icons/spray-can';
import Undo from 'lucide-react-native/icons/undo-2';
import Wrench from 'lucide-react-native/icons/wrench';
import X from 'lucide-react-native/icons/x';
import { TextField } from '@/ui/field';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { NO_ID, coatOf, last, tipHandled, tipInGun } from '../defaults';
import { TipChoiceField } from './fields';
import { textOf, type FormProps, type WrittenKind } from './types';

/** A tip fitted, turned, cleaned or retired. */
function TipForm(props: FormProps) {
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
function FanForm(props: FormProps) {
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
        >{`When new: ${showText(fresh, 'fanWidth', system)} at ${showText(NOMINAL_DISTANCE, 'distance', system)}.`}</Words>
      )}
      <TipChoiceField {...props} />
      <QuantityStepper
        label="Gun to card"
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

const handled = (label: string, icon: LucideIcon) => ({
  tile: { label, icon },
  form: TipForm,
  first: tipHandled,
});

export const tipFitted: WrittenKind<'tip fitted'> = handled('Tip fitted', SprayCan);
export const tipReversed: WrittenKind<'tip reversed'> = handled('Tip reversed', Undo);
export const tipCleaned: WrittenKind<'tip cleaned'> = handled('Tip cleaned', Wrench);
export const tipRetired: WrittenKind<'tip retired'> = handled('Tip retired', X);

export const fanMeasured: WrittenKind<'fan measured'> = {
  tile: { label: 'Fan width', icon: Gauge },
  form: FanForm,
  first: (context) => {
    const tip = tipInGun(context, coatOf(context));
    const before = last(context.log, 'fan measured', ({ tipId }) => tipId === tip?.id);
    const code = tip && readTip(tip.choice.code, tip.choice.family);
    const fresh = code?.ok ? fanWidth(code.value.fan, NOMINAL_DISTANCE) : 0.25;
    return { tipId: tip?.id ?? NO_ID, width: before?.width ?? fresh, distance: NOMINAL_DISTANCE, gun: null };
  },
};
