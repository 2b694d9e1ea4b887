import { View } from 'react-native';
import { Button } from './button';
import { Words } from './text';

interface ProgressProps {
  /** What is being done, as the sentence before the figure. */
  readonly doing: string;
  /** What of it is done, for who cannot see the bar. */
  readonly label: string;
  /** Share done, 0 to 1. */
  readonly share: number;
  readonly onStop: () => void;
}

/** Work that takes its time: how far it is, and a way to end it. */
export function Progress({ doing, label, share, onStop }: ProgressProps) {
  const done = Math.round(share * 100);
  return (
    <View className="gap-3 rounded-2xl border border-rule bg-sheet p-4" role="status">
      <Words weight="semi">{`${doing}: ${done} %`}</Words>
      <View
        className="h-3 overflow-hidden rounded-full bg-wet-tint"
        role="progressbar"
        aria-valuenow={done}
        aria-label={label}
      >
        <View className="h-3 bg-wet" style={{ width: `${done}%` }} />
      </View>
      <Button label="Stop" onPress={onStop} className="self-start" />
    </View>
  );
}
