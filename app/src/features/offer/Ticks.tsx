import { Pressable, View } from 'react-native';
import { Words } from '@/ui/text';
import { TickBox } from '@/ui/tickBox';

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
          <Pressable
            key={value}
            role="checkbox"
            aria-checked={ticked}
            aria-label={name}
            className="min-h-[48px] flex-row items-center gap-3"
            onPress={() => onChange(ticked ? on.filter((one) => one !== value) : [...on, value])}
          >
            <TickBox on={ticked} />
            <View className="min-w-0 flex-1">
              <Words>{name}</Words>
              {note ? (
                <Words size={14} colour="ink2">
                  {note}
                </Words>
              ) : null}
            </View>
          </Pressable>
        );
      })}
    </View>
  );
}
