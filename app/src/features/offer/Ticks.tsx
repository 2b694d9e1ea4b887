import { View } from 'react-native';
import { Words } from '@/ui/text';
import { TickRow } from '@/ui/tickRow';

/** Several of a few, each to be ticked. */
export function Ticks<Value extends string>({
  label,
  options,
  on,
  onChange,
}: {
  label: string;
  options: readonly { readonly value: Value; readonly label: string; readonly note?: string }[];
  on: readonly Value[];
  onChange: (on: Value[]) => void;
}) {
  return (
    <View role="group" aria-label={label}>
      <Words colour="ink2">{label}</Words>
      {options.map(({ value, label: name, note }) => {
        const ticked = on.includes(value);
        return (
          <TickRow
            key={value}
            role="checkbox"
            label={name}
            note={note}
            on={ticked}
            onPress={() => onChange(ticked ? on.filter((one) => one !== value) : [...on, value])}
          />
        );
      })}
    </View>
  );
}
