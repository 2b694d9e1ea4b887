import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Words } from '@/ui/text';

/** Inputs that belong together, under their name. */
export function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View className="gap-3">
      <Words size={18} weight="bold" heading={2}>
        {title}
      </Words>
      {children}
    </View>
  );
}
