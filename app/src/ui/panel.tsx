import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Words } from './text';

/** A sheet on the ground that holds one thing. */
export function Panel({ title, children, testID }: { title?: string; children: ReactNode; testID?: string }) {
  return (
    <View className="gap-3 rounded-2xl border border-rule bg-sheet p-4" testID={testID}>
      {title === undefined ? null : (
        <Words weight="bold" size={18} heading={2}>
          {title}
        </Words>
      )}
      {children}
    </View>
  );
}
