import CloudOff from 'lucide-react-native/icons/cloud-off';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Button } from './button';
import { Words } from './text';
import { useTheme } from './theme/theme';

/** Nothing here yet: says what will be, and how to begin. */
export function EmptyState({ title, text, children }: { title: string; text: string; children?: ReactNode }) {
  return (
    <View className="items-start gap-3 rounded-2xl border border-dashed border-rule p-5">
      <Words size={18} weight="bold">
        {title}
      </Words>
      <Words colour="ink2">{text}</Words>
      {children}
    </View>
  );
}

/** Something could not be had: what happened, what was kept, and a way to try again. */
export function ErrorState({ title, text, onRetry }: { title: string; text: string; onRetry?: () => void }) {
  const { palette } = useTheme();
  return (
    <View role="alert" className="items-start gap-3 rounded-2xl border-2 border-rule bg-sheet p-5">
      <CloudOff size={28} color={palette.ink} aria-hidden />
      <Words size={18} weight="bold">
        {title}
      </Words>
      <Words colour="ink2">{text}</Words>
      {onRetry ? <Button label="Try again" onPress={onRetry} /> : null}
    </View>
  );
}

/** The shape of what comes while it loads. */
export function Skeleton({ rows = 4, height = 72 }: { rows?: number; height?: number }) {
  return (
    <View aria-label="Loading" role="status" className="gap-2">
      {Array.from({ length: rows }, (_unused, index) => (
        <View key={index} className="rounded-2xl bg-rule/50" style={{ height }} />
      ))}
    </View>
  );
}
