import type { Procedure } from '@fine-spray/core';
import { View } from 'react-native';
import { Words } from '@/ui/text';

/** A short list to be read and done at once, without ticks: the way in or out of spraying, or a clog. */
export function WayList({ title, procedure }: { title?: string; procedure: Procedure }) {
  return (
    <View className="gap-1 rounded-2xl border border-rule bg-sheet p-3" testID={`way ${procedure.kind}`}>
      <Words weight="bold">{title ?? procedure.title}</Words>
      {procedure.steps.map(({ id, what, doubt }, index) => (
        <View key={id} className="flex-row gap-3">
          <Words weight="digits-bold">{index + 1}</Words>
          <View className="min-w-0 flex-1 gap-1">
            <Words>{what}</Words>
            {doubt === undefined ? null : (
              <Words size={14} colour="caution">
                {doubt}
              </Words>
            )}
          </View>
        </View>
      ))}
    </View>
  );
}
