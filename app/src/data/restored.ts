import { isEntry } from '@fine-spray/contract';
import { call } from './api';
import { device as pageDevice, type Device } from './device';
import { readKept, writeKept } from './kept';
import { outbox as pageOutbox, type Outbox } from './outbox';

/** Whose log this device keeps. */
const COMPANY = 'log-of';
const isText = (stored: unknown) => (typeof stored === 'string' ? stored : undefined);

/** The company of the server at this address. */
async function companyThere(): Promise<string | undefined> {
  const { id } = (await call('GET', '/api/company')) as { readonly id?: unknown };
  return isText(id);
}

/**
 * Sends again what a server once took and no longer has: it was restored from a backup. Only to the same company; what is kept of
 * another is let go.
 * @param there ids of all entries the server has, those it cannot read too
 */
export async function sendLost(
  there: ReadonlySet<string>,
  device: Device = pageDevice,
  outbox: Outbox = pageOutbox,
): Promise<void> {
  const ids = await device.entryIds().catch(() => []);
  const known = readKept(COMPANY, isText, undefined);
  const { sent } = outbox.current();
  // What was taken a moment ago is not in a list that was asked for before.
  const missing = new Set(ids.filter((id) => !there.has(id) && !sent.has(id)));
  if (known !== undefined && missing.size === 0) return;
  const company = await companyThere();
  if (company === undefined) return;
  writeKept(COMPANY, company);
  if (known === undefined) return;
  if (known !== company) {
    await device.forgetEntries();
    return;
  }
  const lost = (await device.entries()).filter((one) => missing.has(one.id) && isEntry(one));
  await outbox.sendAgain(lost);
}
