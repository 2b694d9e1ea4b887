import { isEntry, type Entry } from '@fine-spray/contract';
import type { OldJobs } from '@fine-spray/contract/log';
import { device as pageDevice, type Device } from './device';
import { outbox as pageOutbox, type Outbox, type OutboxState } from './outbox';

/** A list of the log that was read to its end. */
export interface WholeLog {
  /** Ids of all entries the server has, those it cannot read too. */
  readonly there: ReadonlySet<string>;
  /** Jobs of which only what they leave was read. */
  readonly old?: OldJobs;
  /** What this page had sent when it began to read: what was taken since cannot be in it. */
  readonly sentBefore: OutboxState['sent'];
  /** Whose entries this device may send; those of others are theirs to send. */
  readonly isOurs?: (personId: string) => boolean;
}

/** Sends again what a server once took and no longer has: it was restored from a backup. */
export async function sendLost(
  { there, sentBefore, old = new Map(), isOurs = () => true }: WholeLog,
  device: Device = pageDevice,
  outbox: Outbox = pageOutbox,
): Promise<void> {
  const ids = await device.entryIds().catch(() => []);
  const { sent } = outbox.current();
  const missing = new Set(ids.filter((id) => !there.has(id) && (!sent.has(id) || sentBefore.has(id))));
  if (missing.size === 0) return;
  /** What an old job had when it became old is there, though it was not read. */
  const isThere = ({ jobId, createdAt }: Entry) => {
    const job = jobId === null ? undefined : old.get(jobId);
    return job !== undefined && Date.parse(createdAt) <= Date.parse(job.last);
  };
  const lost = (await device.entries()).filter(
    (one) => missing.has(one.id) && isEntry(one) && !isThere(one) && (!one.personId || isOurs(one.personId)),
  );
  await outbox.sendAgain(lost);
}
