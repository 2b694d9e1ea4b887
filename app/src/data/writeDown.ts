import type { EntryKind } from '@fine-spray/contract';
import { useCallback } from 'react';
import { useToast } from '@/ui/toast';
import { useLog, type NewEntry } from './log';
import { outbox } from './outbox';

/** What is said of an entry that only this page holds. */
const HELD = 'This device is full: keep this page open until it is sent.';

/**
 * Writes entries together and says so once they are kept on this device, with a way back for all of them: those that have not gone are
 * dropped, those that have are taken back by others. Gives their ids.
 */
export function useWriteTogether() {
  const { write } = useLog();
  const toast = useToast();
  return useCallback(
    (
      entries: readonly NewEntry<EntryKind>[],
      said: string,
      undone: () => void = () => undefined,
    ): readonly string[] => {
      const written = entries.map((entry) => ({ entry, ...write(entry) }));
      const undo = () => {
        undone();
        // What was written last goes first: what it stands on is there until then.
        for (const { id, entry } of [...written].reverse()) {
          if (outbox.takeBack(id)) continue;
          const { jobId, surfaceId } = entry;
          write({ kind: 'withdrawn', payload: { why: 'Undone at once' }, jobId, surfaceId, replaces: id });
        }
      };
      void Promise.all(written.map(({ kept }) => kept)).then((kept) =>
        toast({ text: kept.every(Boolean) ? said : `${said} ${HELD}`, undo }),
      );
      return written.map(({ id }) => id);
    },
    [write, toast],
  );
}

/** The same of one entry. Gives its id. */
export function useWriteDown() {
  const together = useWriteTogether();
  return useCallback(
    <Kind extends EntryKind>(entry: NewEntry<Kind>, said: string, undone?: () => void): string =>
      together([entry as NewEntry<EntryKind>], said, undone)[0] ?? '',
    [together],
  );
}
