import { View } from 'react-native';
import type { Form } from '@/data/draft';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';

/** Said where a form opens on what was typed before and not stored, with a way out. */
export function KeptTyped({ kept, drop }: Pick<Form<object>, 'kept' | 'drop'>) {
  if (!kept) return null;
  return (
    <View
      className="flex-row flex-wrap items-center gap-2 rounded-xl bg-identity-tint px-3 py-1"
      role="status"
    >
      <Words className="min-w-[200px] flex-1">You typed this here before and did not store it.</Words>
      <Button label="Drop it" kind="quiet" onPress={drop} />
    </View>
  );
}
