import { tombstone } from '@fine-spray/contract';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { CAPABILITIES, type Capability } from '@fine-spray/contract/roles';
import { useMay } from '@/data/may';
import { usePlans } from '@/data/plans';
import { keepTyped, readTyped } from './typed';
import { useAutosave, type SaveState } from './useAutosave';

/** First sentence for each field. */
export function sentences(
  issues: readonly { path: readonly PropertyKey[]; message: string }[],
): Record<string, string> {
  const byField: Record<string, string> = {};
  for (const { path, message } of issues) byField[path.map(String).join('.')] ??= message;
  return byField;
}

export interface DraftOptions<Content> {
  /** The row, where it can wait on this device until the server is reached. */
  readonly rowId?: string;
  readonly first: Content;
  readonly version: number;
  /** Sentences by field; none: it can be stored. */
  readonly check: (content: Content) => Readonly<Record<string, string>>;
  /** Stores the content over a version and gives the new one. */
  readonly save: (content: Content, version: number, leaving: boolean) => Promise<number>;
  /** Content and version of a row that the server sent after a conflict. */
  readonly read: (current: unknown) => { content: Content; version: number };
  /** What changing it takes; who may not looks and tries, and nothing is stored. */
  readonly capability: Capability;
  /** Told when the row was deleted elsewhere and is let go: what lists it reads it anew. */
  readonly gone?: () => void;
}

/** How many steps back are kept. */
const STEPS_BACK = 200;

/**
 * A row being edited: the draft answers at once, valid drafts are stored by themselves, invalid ones keep their sentences
 * at the fields and are not stored. Every change can be undone; changes in a row to the same field are one step.
 */
export function useDraft<Content extends object>({
  rowId = '',
  first,
  version,
  check,
  save,
  read,
  capability,
  gone,
}: DraftOptions<Content>) {
  const mayStore = useMay(capability);
  // What was typed here last and never stored is gone on with.
  const [typedBefore] = useState(() => readTyped(rowId, first));
  const [draft, setDraft] = useState(typedBefore?.content ?? first);
  const [typing, setTyping] = useState<Record<string, string | undefined>>({});
  const [steps, setSteps] = useState<readonly { readonly name: string; readonly before: Content }[]>(
    // One step back is what is stored.
    () => (typedBefore ? [{ name: 'typed before', before: first }] : []),
  );
  const stored = useRef(typedBefore?.version ?? version);
  const {
    state,
    change: autosave,
    drop,
    flush,
  } = useAutosave<Content>(async (content, leaving) => {
    stored.current = await save(content, stored.current, leaving);
    // What was typed meanwhile goes on being kept, over the version that is stored now.
    const more = latest.current !== content;
    keepTyped(rowId, more ? { content: latest.current, version: stored.current } : undefined);
  });
  const latest = useRef(draft);
  const errors = useMemo(() => check(draft), [check, draft]);

  const set = useCallback(
    (next: Content) => {
      latest.current = next;
      setDraft(next);
      if (!mayStore) return;
      keepTyped(rowId, { content: next, version: stored.current });
      if (Object.keys(check(next)).length === 0) autosave(next);
    },
    [autosave, check, mayStore, rowId],
  );
  useEffect(() => {
    if (typedBefore) set(typedBefore.content);
    // Once, as the page opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const change = useCallback(
    (part: Partial<Content>, step = Object.keys(part).join(' ')) => {
      const before = latest.current;
      setSteps((now) =>
        now[now.length - 1]?.name === step ? now : [...now.slice(1 - STEPS_BACK), { name: step, before }],
      );
      set({ ...before, ...part });
    },
    [set],
  );
  const undo = useCallback(() => {
    const last = steps[steps.length - 1];
    if (!last) return;
    setSteps(steps.slice(0, -1));
    set(last.before);
  }, [steps, set]);
  const now = useRef(first);
  now.current = first;
  useEffect(() => {
    // What this device had is shown first, and what the server has comes after: a draft nobody has touched follows. Of the same
    // version it can be another still, where what was written here without the server was let go.
    if (version < stored.current || steps.length > 0 || state.kind !== 'saved') return;
    if (version === stored.current && JSON.stringify(now.current) === JSON.stringify(latest.current)) return;
    stored.current = version;
    latest.current = now.current;
    setDraft(now.current);
  }, [version, first, steps, state]);
  const onInvalid = useCallback((field: string, message: string | undefined) => {
    setTyping((now) => (now[field] === message ? now : { ...now, [field]: message }));
  }, []);

  /** After a conflict: keep the draft over what is stored, or take what is stored; of a deleted row: bring it back, or let it go. */
  const resolve = useCallback(
    (keep: 'mine' | 'theirs') => {
      if (state.kind !== 'conflict') return;
      const left = tombstone.safeParse(state.problem.current);
      if (left.success && keep === 'theirs') {
        drop();
        keepTyped(rowId, undefined);
        gone?.();
        return;
      }
      const current = left.success
        ? { content: latest.current, version: left.data.version }
        : read(state.problem.current);
      stored.current = current.version;
      if (keep === 'theirs') {
        drop();
        keepTyped(rowId, undefined);
        latest.current = current.content;
        setDraft(current.content);
        setSteps([]);
      } else {
        autosave(latest.current);
        void flush(false);
      }
    },
    [state, drop, autosave, flush, read, gone, rowId],
  );
  const held =
    Object.values(typing).some((message) => message !== undefined) || Object.keys(errors).length > 0;
  const canUndo = steps.length > 0;
  /** The version of the row that was stored or read last. */
  const storedVersion = useCallback(() => stored.current, []);
  const waits = usePlans().some(({ writes }) => writes.some(({ id }) => id === rowId));
  const saveState: SaveState = mayStore ? state : { kind: 'looking', why: CAPABILITIES[capability] };
  return {
    draft,
    errors,
    held,
    /** What was stored waits on this device. */
    waits,
    saveState,
    change,
    undo,
    canUndo,
    onInvalid,
    resolve,
    flush,
    storedVersion,
  };
}
