import type { EntryKind } from '@fine-spray/contract';
import { useCallback } from 'react';
import { useToast } from '@/ui/toast';
import { useLog, type NewEntry } from './log';
import { outbox } from './outbox';

/** What is said of an entry that only this page holds. */
const HELD = 'This device is full: keep this page open until it is sent.';

/**
 * Writes an entry and says so once it is kept on this device, with a way back: one that has not gone is dropped, one that
 * has is taken back by another.
 */
export function useWriteDown() {
  const { write } = useLog();
  const toast = useToast();
  return useCallback(
    <Kind extends EntryKind>(
      entry: NewEntry<Kind>,
      said: string,
      undone: () => void = () => undefined,
    ): string => {
      const { id, kept } = write(entry);
      const { jobId, surfaceId } = entry;
      const undo = () => {
        undone();
        if (outbox.takeBack(id)) return;
        write({ kind: 'withdrawn', payload: { why: 'Undone at once' }, jobId, surfaceId, replaces: id });
      };
      void kept.then((done) => toast({ text: done ? said : `${said} ${HELD}`, undo }));
      return id;
    },
    [write, toast],
  );
}
