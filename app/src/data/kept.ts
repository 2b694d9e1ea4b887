import { useCallback, useState } from 'react';
import { storeName } from './whose';

/** Begins the names of what is kept for the company this device is of. */
export const keptPrefix = (): string => `${storeName('fine-spray')}.kept.`;
const NAME = (key: string) => `${keptPrefix()}${key}`;

/** What was kept on this device under a key, as the reader accepts it; the fallback where there is nothing, or not ours. */
export function readKept<T>(key: string, read: (stored: unknown) => T | undefined, fallback: T): T {
  try {
    const text = globalThis.localStorage?.getItem(NAME(key));
    if (text === null || text === undefined) return fallback;
    return read(JSON.parse(text)) ?? fallback;
  } catch {
    return fallback;
  }
}

/** Names of what is kept on this device that begin so. */
export const keptNames = (beginning: string): readonly string[] =>
  namesInStorage(NAME(beginning)).map((name) => name.slice(NAME('').length));

/** Names in the storage of the browser that begin so, in their order; none where it is forbidden. */
export function namesInStorage(beginning: string): readonly string[] {
  try {
    return Object.keys(globalThis.localStorage ?? {})
      .filter((name) => name.startsWith(beginning))
      .sort();
  } catch {
    return [];
  }
}

/** A kept list of texts, such as ids or ticks; nothing where it is none. */
export const readTexts = (stored: unknown): readonly string[] | undefined =>
  Array.isArray(stored) && stored.every((one) => typeof one === 'string') ? stored : undefined;

/** Keeps a value on this device; false where its storage is full or forbidden. */
export function writeKept(key: string, value: unknown): boolean {
  try {
    if (value === undefined) globalThis.localStorage?.removeItem(NAME(key));
    else globalThis.localStorage?.setItem(NAME(key), JSON.stringify(value));
    return true;
  } catch {
    return false;
  }
}

/**
 * State that outlives a reload, a closed tab and a phone that locks: written before it is shown. `full` says that this
 * device takes no more, and the state holds only until the page is closed.
 */
export function useKept<T>(key: string, read: (stored: unknown) => T | undefined, fallback: T) {
  const [state, setState] = useState(() => ({ key, value: readKept(key, read, fallback), full: false }));
  const now = state.key === key ? state : { key, value: readKept(key, read, fallback), full: false };
  const set = useCallback((value: T) => setState({ key, value, full: !writeKept(key, value) }), [key]);
  return [now.value, set, now.full] as const;
}
