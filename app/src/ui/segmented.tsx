import { Pressable, View } from 'react-native';
import { useTarget } from './target';
import { Words } from './text';

export interface SegmentedProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** One of a few, all in sight. */
export function Segmented<T extends string>({ label, value, options, onChange }: SegmentedProps<T>) {
  const target = useTarget();
  return (
    <View
      role="radiogroup"
      aria-label={label}
      className="flex-row flex-wrap gap-1 rounded-xl border border-rule bg-sheet p-1"
    >
      {options.map((option) => {
        const chosen = option.value === value;
        return (
          <Pressable
            key={option.value}
            role="radio"
            aria-checked={chosen}
            onPress={() => onChange(option.value)}
            style={target}
            className={`min-w-[64px] flex-1 items-center justify-center rounded-lg px-3 ${chosen ? 'bg-identity-tint' : ''}`}
          >
            <Words
              className="text-center"
              weight={chosen ? 'bold' : 'regular'}
              colour={chosen ? 'identity' : 'ink'}
            >
              {option.label}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}
