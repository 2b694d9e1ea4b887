import { useEffect } from 'react';
import { readKept, readTexts, writeKept } from '@/data/kept';
import { useSiteLog, type SiteLog } from '@/data/record';
import { usePreference } from '@/ui/preference';
import { Words } from '@/ui/text';
import { TickRow } from '@/ui/tickRow';
import { useToast } from '@/ui/toast';
import { useReminders } from './useReminders';

/** Whether this device tells reminders over other programs; off until somebody wants it. */
const useNotices = () => usePreference('notices', 'off', ['on', 'off']);

const canNotify = (): boolean => typeof globalThis.Notification === 'function';

/** Told before: a reminder is told once, whatever page of this device it is on. */
const TOLD = 'reminders told';
const TOLD_AT_MOST = 50;

/** Tells it by the device: through the service worker, since a phone takes it from nothing else. */
async function tell(id: string, title: string, body: string): Promise<void> {
  const registration = await navigator.serviceWorker?.getRegistration();
  const how = { body, tag: id, icon: '/icon.svg' };
  if (registration) await registration.showNotification(title, how);
  else new Notification(title, how);
}

/** Tells what is due over other programs, where somebody switched that on; nothing on the screen. */
export function Notices() {
  const [on] = useNotices();
  if (on === 'off' || !canNotify() || Notification.permission !== 'granted') return null;
  return <Watching />;
}

function Watching() {
  const { log } = useSiteLog('as it comes');
  return log ? <Telling log={log} /> : null;
}

function Telling({ log }: { log: SiteLog }) {
  const { due } = useReminders(log);
  useEffect(() => {
    const told = readKept(TOLD, readTexts, []);
    const fresh = due.filter(({ id }) => !told.includes(id));
    if (fresh.length === 0) return;
    writeKept(TOLD, [...told, ...fresh.map(({ id }) => id)].slice(-TOLD_AT_MOST));
    for (const { id, title, words } of fresh) void tell(id, title, words).catch(() => undefined);
  }, [due]);
  return null;
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
