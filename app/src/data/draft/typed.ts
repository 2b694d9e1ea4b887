import { hashKey } from '@tanstack/react-query';
import { readKept, writeKept } from '../kept';

/** What somebody has typed over a row and what is not stored yet, on the server or in what waits for it. */
export interface Typed<Content> {
  readonly content: Content;
  /** Of the row it was typed over. */
  readonly version: number;
}

const isTyped = (stored: unknown): Typed<object> | undefined => {
  const { content, version } = (stored ?? {}) as Partial<Typed<object>>;
  return typeof content === 'object' && content !== null && typeof version === 'number'
    ? { content, version }
    : undefined;
};

/** The same values, in whatever order their names come. */
const sameContent = (one: unknown, other: unknown): boolean => hashKey([one]) === hashKey([other]);

/** Keeps what is typed on this device at once, so that it outlives a reload, a closed page and a new version. */
export function keepTyped(id: string, typed: Typed<object> | undefined): void {
  if (id !== '') writeKept(`typed ${id}`, typed);
}

/**
 * What was typed over a row and never stored; nothing where the row has it.
 * @param first the row as it is: what was not typed comes from it
 */
export function readTyped<Content extends object>(
  id: string,
  first: Content,
): (Typed<Content> & { readonly part: Partial<Content> }) | undefined {
  if (id === '') return undefined;
  const typed = readKept(`typed ${id}`, isTyped, undefined as Typed<object> | undefined);
  if (!typed) return undefined;
  const content = { ...first, ...typed.content };
  if (!sameContent(content, first)) return { content, part: typed.content, version: typed.version };
  keepTyped(id, undefined);
  return undefined;
}
