import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { View } from 'react-native';
import { IconButton } from './button';
import { Words } from './text';

export interface StepperProps {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly onChange: (value: number) => void;
}

/** A small whole number, changed with two big buttons. */
export function Stepper({ label, value, min, max, onChange }: StepperProps) {
  return (
    <View
      role="group"
      aria-label={label}
      className="flex-row items-center rounded-xl border border-rule bg-sheet"
    >
      <IconButton
        icon={Minus}
        name={`${label}: one less`}
        disabled={value <= min}
        aria-disabled={value <= min}
        className={value <= min ? 'opacity-40' : ''}
        onPress={() => onChange(Math.max(min, value - 1))}
      />
      <Words size={22} weight="digits-bold" className="min-w-[32px] text-center" aria-live="polite">
        {value}
      </Words>
      <IconButton
        icon={Plus}
        name={`${label}: one more`}
        disabled={value >= max}
        aria-disabled={value >= max}
        className={value >= max ? 'opacity-40' : ''}
        onPress={() => onChange(Math.min(max, value + 1))}
      />
    </View>
  );
}

/** A stepper with its label beside it, across the screen. */
export function StepperRow(props: StepperProps) {
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2">
      <Words>{props.label}</Words>
      <Stepper {...props} />
    </View>
  );
}
