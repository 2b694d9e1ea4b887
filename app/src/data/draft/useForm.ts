import { useState } from 'react';
import type { z } from 'zod';
import { whyFailed } from '@/data/api';
import { keepTyped, readTyped } from './typed';
import { sentences } from './useDraft';

export interface FormOptions<Content extends object> {
  /** What the contract wants: the same that checks the body of a write. */
  readonly schema: z.ZodType<object>;
  /** What the form opens on. */
  readonly first: Content;
  /** The row, or what else it is about: what is typed is kept on this device under it until it is stored or dropped. */
  readonly keptAs?: string;
  /** Sentences come once somebody has tried to store: a form that opens with something still to be typed does not scold. */
  readonly quiet?: boolean;
}

/** A form that is stored with one button: what was typed over what was there, a sentence at each field, and whether it can be stored. */
export interface Form<Content extends object> {
  readonly content: Content;
  readonly errors: Readonly<Record<string, string>>;
  /** The first sentence of all, for beside the button. */
  readonly sentence: string | undefined;
  readonly changed: boolean;
  /** As the contract wants it and with no field that holds what cannot be taken. */
  readonly ready: boolean;
  /** Why it was not stored. */
  readonly failed: string | undefined;
  readonly change: (part: Partial<Content>) => void;
  /** What was typed before and not stored is shown. */
  readonly kept: boolean;
  /** Forgets what was typed. */
  readonly drop: () => void;
  /** A field holds what cannot be taken, or no longer does. */
  readonly onInvalid: (field: string, message: string | undefined) => void;
  /** Stores the content as the contract reads it; nothing while it is not ready. What fails stands beside the button. */
  readonly submit: (store: (content: Content) => Promise<void> | void) => Promise<void>;
}

/** The one way of the forms that are stored with a button; those that store themselves are drafts (`useDraft`). */
export function useForm<Content extends object>({
  schema,
  first,
  keptAs = '',
  quiet = false,
}: FormOptions<Content>): Form<Content> {
  const [opened] = useState(first);
  const [before] = useState(() => readTyped(keptAs, first));
  const [typed, setTyped] = useState<Partial<Content>>(before?.part ?? {});
  const [kept, setKept] = useState(before !== undefined);
  const [invalid, setInvalid] = useState<Readonly<Record<string, string | undefined>>>({});
  const [failed, setFailed] = useState<string>();
  const [tried, setTried] = useState(!quiet);
  const content = { ...opened, ...typed };
  const checked = schema.safeParse(content);
  const wrong = checked.success ? {} : sentences(checked.error.issues);
  const errors = tried ? wrong : {};
  const held = Object.values(invalid).find((message) => message !== undefined);
  const ready = checked.success && held === undefined;
  return {
    content,
    errors,
    sentence: tried ? (held ?? Object.values(errors)[0]) : undefined,
    changed: JSON.stringify(content) !== JSON.stringify(opened),
    ready,
    failed,
    kept,
    change: (part) => {
      setTyped((now) => {
        const next = { ...now, ...part };
        keepTyped(keptAs, { content: next, version: 0 });
        return next;
      });
    },
    drop: () => {
      keepTyped(keptAs, undefined);
      setKept(false);
      setTyped({});
    },
    onInvalid: (field, message) =>
      setInvalid((now) => (now[field] === message ? now : { ...now, [field]: message })),
    submit: async (store) => {
      setTried(true);
      setFailed(undefined);
      if (!checked.success || held !== undefined) return;
      try {
        await store(checked.data as Content);
        keepTyped(keptAs, undefined);
        setKept(false);
      } catch (error) {
        setFailed(whyFailed(error));
      }
    },
  };
}
