import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';

/** That a file is being read, and how to leave it. */
export function Reading({ name, onCancel }: { name: string; onCancel: () => void }) {
  return (
    <View role="status" className="flex-row flex-wrap items-center gap-3">
      <Words className="min-w-0 shrink">{`Reading ${name} …`}</Words>
      <Button label="Stop" onPress={onCancel} />
    </View>
  );
}
