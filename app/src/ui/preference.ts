import { useCallback, useSyncExternalStore } from 'react';

const nameOf = (name: string) => `fine-spray.${name}`;

/** What holds until the page is closed where storage is full or forbidden. */
const held = new Map<string, string>();
const listeners = new Set<() => void>();

/** Told of a choice made here, and of one made on another page of this device. */
function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  globalThis.addEventListener?.('storage', listener);
  return () => {
    listeners.delete(listener);
    globalThis.removeEventListener?.('storage', listener);
  };
}

function readText(name: string): string | undefined {
  const here = held.get(name);
  if (here !== undefined) return here;
  try {
    return globalThis.localStorage?.getItem(nameOf(name)) ?? undefined;
  } catch {
    return undefined;
  }
}

function keepText(name: string, value: string): void {
  held.set(name, value);
  try {
    if (globalThis.localStorage) {
      globalThis.localStorage.setItem(nameOf(name), value);
      held.delete(name);
    }
  } catch {
    // Full or forbidden: held until the page is closed.
  }
  listeners.forEach((listener) => listener());
}

/** A choice remembered on this device: the same on every page of it. It works for the session where storage is not allowed. */
export function usePreference<T extends string>(
  name: string,
  fallback: T,
  allowed: readonly T[],
): readonly [T, (value: T) => void] {
  const [text, keep] = usePreferenceText(name, fallback);
  return [allowed.find((one) => one === text) ?? fallback, keep];
}

/** A short text remembered on this device, such as who writes here. */
export function usePreferenceText(
  name: string,
  fallback: string,
): readonly [string, (value: string) => void] {
  const read = () => readText(name) ?? fallback;
  const value = useSyncExternalStore(subscribe, read, read);
  const keep = useCallback((next: string) => keepText(name, next), [name]);
  return [value, keep];
}
