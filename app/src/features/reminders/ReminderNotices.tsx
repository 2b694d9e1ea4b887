import { useEffect } from 'react';
import { readKept, readTexts, writeKept } from '@/data/kept';
import { useSiteLog, type SiteLog } from '@/data/record';
import { useReminders } from './useReminders';

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

/** Tells what is due over other programs; shows nothing. */
export function ReminderNotices() {
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
