import { of, unitOf, type Bounds, type DisplayKind, type UnitSystem } from '@fine-spray/core/units';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { View } from 'react-native';
import { IconButton } from './button';
import { QuantityField } from './field';
import { useUnits } from './units';

/** How far one press goes, in the unit that is shown. */
export type Step = Readonly<Record<UnitSystem, number>>;

export interface QuantityStepperProps {
  readonly label: string;
  readonly kind: DisplayKind;
  /** SI; nothing before one was said. */
  readonly value: number | undefined;
  /** Where the buttons begin as long as nothing was said. */
  readonly from?: number;
  readonly step: Step;
  readonly bounds: Bounds;
  readonly error?: string | undefined;
  readonly onChange: (value: number) => void;
  readonly onInvalid?: (message: string | undefined) => void;
}

/** A number with its unit, changed with two big buttons, or typed. */
export function QuantityStepper({ step, from, ...field }: QuantityStepperProps) {
  const { system } = useUnits();
  const { label, kind, value, bounds, onChange } = field;
  const unit = unitOf(kind, system);
  // The size of a step, not a point on the scale: degrees have no zero of their own here.
  const by = of(step[system], unit) - of(0, unit);
  const move = (sign: number) => {
    const start = value ?? from ?? bounds.min;
    const next = Math.round((start + sign * by - of(0, unit)) / by) * by + of(0, unit);
    onChange(Math.min(bounds.max, Math.max(bounds.min, next)));
  };
  return (
    <View className="flex-row items-end gap-2">
      <IconButton
        icon={Minus}
        name={`${label}: less`}
        className="border border-rule bg-sheet"
        onPress={() => move(-1)}
      />
      <View className="min-w-0 flex-1">
        <QuantityField {...field} />
      </View>
      <IconButton
        icon={Plus}
        name={`${label}: more`}
        className="border border-rule bg-sheet"
        onPress={() => move(1)}
      />
    </View>
  );
}
