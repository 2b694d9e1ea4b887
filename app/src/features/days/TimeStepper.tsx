import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { View } from 'react-native';
import { IconButton } from '@/ui/button';
import { Words } from '@/ui/text';
import { hourText } from './schedule';

/** A time of day, minutes after midnight, earlier or later by a step. */
export function TimeStepper({
  label,
  value,
  step = 15,
  min = 0,
  max = 1440,
  onChange,
}: {
  label: string;
  value: number;
  step?: number;
  min?: number;
  max?: number;
  onChange: (value: number) => void;
}) {
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2">
      <Words>{label}</Words>
      <View
        role="group"
        aria-label={label}
        className="flex-row items-center rounded-xl border border-rule bg-sheet"
      >
        <IconButton
          icon={Minus}
          name={`${label}: earlier`}
          disabled={value - step < min}
          className={value - step < min ? 'opacity-40' : ''}
          onPress={() => onChange(Math.max(min, value - step))}
        />
        <Words size={18} weight="digits-bold" className="min-w-[64px] text-center" aria-live="polite">
          {hourText(value)}
        </Words>
        <IconButton
          icon={Plus}
          name={`${label}: later`}
          disabled={value + step > max}
          className={value + step > max ? 'opacity-40' : ''}
          onPress={() => onChange(Math.min(max, value + step))}
        />
      </View>
    </View>
  );
}
