import { fetchedLater } from '@/ui/lazy';
import { usePreference } from '@/ui/preference';
import { Words } from '@/ui/text';
import { TickRow } from '@/ui/tickRow';
import { useToast } from '@/ui/toast';

/** Whether this device tells reminders over other programs; off until somebody wants it. */
const useNotices = () => usePreference('notices', 'off', ['on', 'off']);

const canNotify = (): boolean => typeof globalThis.Notification === 'function';

/** Nothing on the screen, also where it cannot be fetched: what it tells stands on Today as well. */
const ReminderNotices = fetchedLater(
  async () => (await import('./ReminderNotices')).ReminderNotices,
  null,
  () => null,
);

/** Tells what is due over other programs, where somebody switched that on; nothing on the screen. */
export function Notices() {
  const [on] = useNotices();
  if (on === 'off' || !canNotify() || Notification.permission !== 'granted') return null;
  return <ReminderNotices />;
}

/** Switches notifications of this device on or off; says where the device does not let them. */
export function NoticeSwitch() {
  const [on, set] = useNotices();
  const toast = useToast();
  if (!canNotify())
    return (
      <Words colour="ink2">This browser has no notifications: reminders stand on Today and in the log.</Words>
    );
  async function turn() {
    if (on === 'on') {
      set('off');
      return;
    }
    const answer = await Notification.requestPermission();
    if (answer === 'granted') set('on');
    else
      toast({ text: 'This device does not let Fine Spray notify. Allow it in the settings of the browser.' });
  }
  return (
    <TickRow
      label="Notifications"
      words="Reminders as notifications"
      note="Pump lubricant, strainer, mask filter, coats that are dry, a machine left under pressure. While Fine Spray is open, also behind other programs; nothing leaves this device."
      on={on === 'on'}
      onPress={() => void turn()}
    />
  );
}
