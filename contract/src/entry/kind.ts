import type { EntryHead, LogEntry } from '@fine-spray/core/record';
import type { z } from 'zod';
import type { Say } from './say';

type Payload = Readonly<Record<string, unknown>>;

/** What an entry of the core says besides the head that each has. */
export type Said = LogEntry extends infer One
  ? One extends LogEntry
    ? Omit<One, keyof EntryHead>
    : never
  : never;

/** A kind of entry of the site log: all that the program knows of it but its form on the screen. */
export interface Kind<Schema extends z.ZodType = z.ZodType> {
  /** What people call it. */
  readonly name: string;
  /** What it says, in the form this program writes. */
  readonly payload: Schema;
  /** Steps from each older form of the payload to the next: a stored entry is never rewritten, it is read through them. */
  readonly older?: readonly ((payload: Payload) => Payload)[];
  /** Somebody looks for it when he looks for trouble. */
  readonly trouble?: true;
  /** Written by a tool, and put right by using it again. */
  readonly byTool?: true;
  /** One line of what it says, without its kind, its time and its place. */
  words(payload: z.infer<Schema>, say: Say): string;
  /** What the core reads of it; nothing where nothing is derived from it, or where it wants a surface and has none. */
  core(payload: z.infer<Schema>, surface: string | undefined): Said | undefined;
}

/** A kind as its module says it: what it says is made into a schema when it is first asked for, which takes a slow phone its time. */
type KindSaid<Schema extends z.ZodType> = Omit<Kind<Schema>, 'payload'> & { readonly payload: () => Schema };

/** Defines a kind: the compiler refuses one with a part missing. */
export function entryKind<Schema extends z.ZodType>(said: KindSaid<Schema>): Kind<Schema> {
  let made: Schema | undefined;
  return {
    ...said,
    get payload() {
      return (made ??= said.payload());
    },
  };
}

/** Nothing is derived from it. */
export const saysNothing = (): undefined => undefined;
