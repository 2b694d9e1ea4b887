import { Pressable, View } from 'react-native';
import { Words } from './text';
import { TickBox } from './tickBox';

/** Something to switch on or off, as large as a glove wants: its box, what it is, and small what it is for. */
export function TickRow({
  label,
  words = label,
  note,
  role = 'switch',
  on,
  onPress,
}: {
  /** What it is called. */
  label: string;
  /** What stands beside the box, where that says more. */
  words?: string;
  note?: string | undefined;
  role?: 'switch' | 'checkbox';
  on: boolean;
  onPress: () => void;
}) {
  return (
    <Pressable
      role={role}
      aria-checked={on}
      aria-label={label}
      onPress={onPress}
      className="min-h-[56px] flex-row items-center gap-3"
    >
      <TickBox on={on} />
      <View className="min-w-0 flex-1">
        <Words>{words}</Words>
        {note === undefined ? null : (
          <Words size={14} colour="ink2">
            {note}
          </Words>
        )}
      </View>
    </Pressable>
  );
}
