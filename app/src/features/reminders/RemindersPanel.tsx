import type { Reminder } from '@fine-spray/contract/planning';
import { CARE } from '@fine-spray/core/record';
import { useRouter } from 'expo-router';
import BellRing from 'lucide-react-native/icons/bell-ring';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { View } from 'react-native';
import type { SiteLog } from '@/data/record';
import { useWriteDown } from '@/data/writeDown';
import { Button } from '@/ui/button';
import { useOneTap } from '@/ui/oneTap';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useToast } from '@/ui/toast';
import { useReminders } from './useReminders';

/** What is to be looked after now, what is dangerous first: done with one tap, or put off for half an hour. */
export function RemindersPanel({ log }: { log: SiteLog }) {
  const { due, putOff, again } = useReminders(log);
  const toast = useToast();
  if (due.length === 0) return null;
  return (
    <View className="gap-3" testID="reminders">
      {due.map((one) => (
        <Due
          key={one.id}
          reminder={one}
          onLater={() => {
            putOff(one.id);
            toast({ text: 'Said again in half an hour.', undo: () => again(one.id) });
          }}
        />
      ))}
    </View>
  );
}

function Due({ reminder, onLater }: { reminder: Reminder; onLater: () => void }) {
  const { about, title, words, done, jobId, surfaceId } = reminder;
  const { palette } = useTheme();
  const router = useRouter();
  const write = useWriteDown();
  const finish = useOneTap(() => {
    if (done) write({ kind: 'care', payload: done, jobId, surfaceId }, `${CARE[done.what].done}.`);
  });
  const urgent = about === 'relieved';
  const Icon = urgent ? TriangleAlert : BellRing;
  return (
    <View
      role="status"
      className={`gap-2 rounded-2xl border-2 p-4 ${urgent ? 'border-danger bg-sheet' : 'border-caution bg-caution-tint'}`}
    >
      <View className="flex-row gap-2">
        <Icon size={22} color={urgent ? palette.danger : palette.caution} aria-hidden />
        <Words weight="bold" className="min-w-0 flex-1">
          {title}
        </Words>
      </View>
      <Words>{words}</Words>
      <View className="flex-row flex-wrap gap-2">
        {done ? (
          <Button
            label={urgent ? 'It is relieved and locked' : CARE[done.what].done}
            kind={urgent ? 'primary' : 'plain'}
            className="min-h-[56px] flex-1"
            onPress={finish}
          />
        ) : null}
        {urgent && jobId !== null && surfaceId !== null ? (
          <Button
            label="How"
            className="min-h-[56px]"
            onPress={() => router.navigate(`/jobs/${jobId}/surfaces/${surfaceId}/gun-down`)}
          />
        ) : null}
        {urgent ? null : <Button label="Later" kind="quiet" className="min-h-[56px]" onPress={onLater} />}
      </View>
    </View>
  );
}
