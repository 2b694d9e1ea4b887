import { isEntry } from '@fine-spray/contract';
import { device as pageDevice, type Device } from './device';
import { outbox as pageOutbox, type Outbox } from './outbox';

/**
 * Sends again what a server once took and no longer has: it was restored from a backup.
 * @param there ids of all entries the server has, those it cannot read too
 */
export async function sendLost(
  there: ReadonlySet<string>,
  device: Device = pageDevice,
  outbox: Outbox = pageOutbox,
): Promise<void> {
  const ids = await device.entryIds().catch(() => []);
  const { sent } = outbox.current();
  // What was taken a moment ago is not in a list that was asked for before.
  const missing = new Set(ids.filter((id) => !there.has(id) && !sent.has(id)));
  if (missing.size === 0) return;
  const lost = (await device.entries()).filter((one) => missing.has(one.id) && isEntry(one));
  await outbox.sendAgain(lost);
}
