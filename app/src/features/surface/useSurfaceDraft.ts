import { surface as surfaceSchema, surfaceFields, type Surface } from '@fine-spray/contract';
import { useCallback, useMemo, useRef, useState } from 'react';
import { contentOf, keys, useWrites } from '@/data/resources';
import { useAutosave } from './useAutosave';

type Content = Omit<Surface, 'id' | 'version' | 'createdAt' | 'updatedAt'>;

/** Content of a row in the shape the contract checks. */
const contentOfSurface = (row: Surface): Content => {
  const { version: _version, ...content } = contentOf(row);
  return content as unknown as Content;
};

/** First sentence for each field. */
function sentences(
  issues: readonly { path: readonly PropertyKey[]; message: string }[],
): Record<string, string> {
  const byField: Record<string, string> = {};
  for (const { path, message } of issues) byField[path.map(String).join('.')] ??= message;
  return byField;
}

/**
 * A surface being edited: the draft answers at once, valid drafts are stored by themselves, invalid ones keep
 * their sentences at the fields and are not stored.
 */
export function useSurfaceDraft(row: Surface) {
  const [draft, setDraft] = useState<Content>(() => contentOfSurface(row));
  const [typing, setTyping] = useState<Record<string, string | undefined>>({});
  const version = useRef(row.version);
  const { put } = useWrites('surfaces', keys.surfaces(row.jobId));
  const {
    state,
    change: autosave,
    drop,
    flush,
  } = useAutosave<Content>(async (content, leaving) => {
    const stored = await put({
      id: row.id,
      content: { ...content, version: version.current },
      keepalive: leaving,
    });
    version.current = stored.version;
  });

  const errors = useMemo(() => {
    const checked = surfaceFields.safeParse(draft);
    return checked.success ? {} : sentences(checked.error.issues);
  }, [draft]);

  const latest = useRef(draft);
  const change = useCallback(
    (part: Partial<Content>) => {
      const next = { ...latest.current, ...part };
      latest.current = next;
      setDraft(next);
      if (surfaceFields.safeParse(next).success) autosave(next);
    },
    [autosave],
  );
  const onInvalid = useCallback((field: string, message: string | undefined) => {
    setTyping((now) => (now[field] === message ? now : { ...now, [field]: message }));
  }, []);

  /** After a conflict: keep the draft over what is stored, or take what is stored. */
  const resolve = useCallback(
    (keep: 'mine' | 'theirs') => {
      if (state.kind !== 'conflict') return;
      const current = surfaceSchema.parse(state.problem.current);
      version.current = current.version;
      if (keep === 'theirs') {
        drop();
        latest.current = contentOfSurface(current);
        setDraft(latest.current);
      } else {
        autosave(latest.current);
        void flush(false);
      }
    },
    [state, drop, autosave, flush],
  );
  const held =
    Object.values(typing).some((message) => message !== undefined) || Object.keys(errors).length > 0;
  return { draft, errors, held, saveState: state, change, onInvalid, resolve, flush };
}
