import type { Entry, EntryKind, PayloadOf } from '@fine-spray/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import { usePreferenceText } from '@/ui/preference';
import { outbox } from './outbox';
import { keys, useList } from './resources';

interface NewEntry<Kind extends EntryKind> {
  readonly kind: Kind;
  readonly payload: PayloadOf<Kind>;
  readonly jobId: string | null;
  readonly surfaceId: string | null;
  readonly replaces?: string;
}

/** The site log: what the server has and what waits on this device, and a way to write into it. */
export function useLog() {
  const client = useQueryClient();
  const stored = useList('entries');
  const { waiting, full } = useSyncExternalStore(outbox.subscribe, outbox.current, outbox.current);
  const [author, setAuthor] = usePreferenceText('author', '');
  useEffect(() => {
    outbox.onSent = (entry) => {
      client.setQueryData<Entry[]>(keys.list('entries'), (list) =>
        list ? [...list.filter(({ id }) => id !== entry.id), entry] : list,
      );
    };
    void outbox.send();
    const again = () => void outbox.send();
    globalThis.addEventListener?.('online', again);
    return () => globalThis.removeEventListener?.('online', again);
  }, [client]);
  const entries = useMemo((): readonly Entry[] => {
    const sent = stored.data ?? [];
    const known = new Set(sent.map(({ id }) => id));
    return [
      ...sent,
      ...waiting
        .filter(({ id }) => !known.has(id))
        .map(({ id, fields }) => ({ ...fields, id, version: 1, createdAt: fields.at, updatedAt: fields.at })),
    ];
  }, [stored.data, waiting]);
  const write = useCallback(
    <Kind extends EntryKind>({ kind, payload, jobId, surfaceId, replaces }: NewEntry<Kind>): string =>
      outbox.add({
        kind,
        payload,
        jobId,
        surfaceId,
        replaces: replaces ?? null,
        author,
        at: new Date().toISOString(),
      }),
    [author],
  );
  return { entries, waiting, full, write, author, setAuthor };
}
