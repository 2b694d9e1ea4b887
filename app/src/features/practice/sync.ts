import { NOTHING_LEARNED, practice, type PracticeFields } from '@fine-spray/contract/practice';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { Refused, call, whyFailed } from '@/data/api';
import { reach } from '@/data/reach';
import { keys, useList } from '@/data/resources';
import { learned, type Done } from './learning';
import { records, usePracticeRecord } from './record';
import { NOBODY } from './useWho';

/** Another device of the same person may be quicker: so often it is read and written again. */
const TRIES = 4;

interface Stored {
  readonly version: number;
  readonly content: PracticeFields;
}

const contentOf = ({ items, days, sprayed, taken }: PracticeFields): PracticeFields => ({
  items,
  days,
  sprayed,
  taken,
});

/** What the server has of somebody; nothing learned where it has nothing. */
async function stored(who: string): Promise<Stored> {
  try {
    const row = practice.parse(await call('GET', `/api/practices/${who}`));
    return { version: row.version, content: contentOf(row) };
  } catch (error) {
    if (error instanceof Refused && error.problem.status === 404)
      return { version: 0, content: NOTHING_LEARNED };
    throw error;
  }
}

/**
 * Puts what was done here to what the server has. It is a fold over what was done, each thing by its id: what went up already and was not
 * answered for counts once, and two devices of one person add to each other.
 */
export async function sendPractice(who: string, waiting: readonly Done[]): Promise<Stored> {
  for (let tried = 1; ; tried += 1) {
    const { version, content } = await stored(who);
    const next = waiting.reduce(learned, content);
    try {
      const row = practice.parse(await call('PUT', `/api/practices/${who}`, { ...next, version }));
      return { version: row.version, content: contentOf(row) };
    } catch (error) {
      if (!(error instanceof Refused && error.problem.status === 409) || tried === TRIES) throw error;
    }
  }
}

/** Whose is on its way: one at a time, so that a device does not run against itself. */
const underWay = new Set<string>();

/**
 * Keeps what is learned here and on the server one, while somebody is in practice.
 * @returns why the server did not take it, where it did not; it waits on this device then
 */
export function usePracticeSync(who: string): string | undefined {
  const client = useQueryClient();
  const [failed, setFailed] = useState<string>();
  const { waiting } = usePracticeRecord(who);
  const { reached } = useSyncExternalStore(reach.subscribe, reach.current, reach.current);
  const rows = useList('practices');
  const row = rows.data?.find(({ id }) => id === who);
  const named = who !== NOBODY;
  useEffect(() => {
    if (!named || waiting.length === 0 || reached === false || underWay.has(who)) return;
    underWay.add(who);
    const ids = new Set(waiting.map(({ id }) => id));
    sendPractice(who, waiting)
      .then((now) => {
        underWay.delete(who);
        setFailed(undefined);
        records.taken(who, now.content, now.version, ids);
        void client.invalidateQueries({ queryKey: keys.list('practices') });
      })
      .catch((error: unknown) => {
        underWay.delete(who);
        if (error instanceof Refused) setFailed(whyFailed(error));
      });
  }, [named, who, waiting, reached, client]);
  useEffect(() => {
    if (named && row && waiting.length === 0 && !underWay.has(who))
      records.taken(who, contentOf(row), row.version, new Set());
  }, [named, who, row, waiting.length]);
  return failed;
}
