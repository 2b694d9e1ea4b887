import { useCallback, useState } from 'react';

function read<T extends string>(name: string, fallback: T, allowed: readonly T[]): T {
  try {
    const kept = globalThis.localStorage?.getItem(`fine-spray.${name}`) as T | null;
    return kept !== null && kept !== undefined && allowed.includes(kept) ? kept : fallback;
  } catch {
    return fallback;
  }
}

/** A choice remembered on this device; works for the session where storage is not allowed. */
export function usePreference<T extends string>(
  name: string,
  fallback: T,
  allowed: readonly T[],
): readonly [T, (value: T) => void] {
  const [value, setValue] = useState(() => read(name, fallback, allowed));
  const keep = useCallback(
    (next: T) => {
      setValue(next);
      try {
        globalThis.localStorage?.setItem(`fine-spray.${name}`, next);
      } catch {
        // Storage is full or forbidden: the choice holds until the page is closed.
      }
    },
    [name],
  );
  return [value, keep];
}

/** A short text remembered on this device, such as who writes here. */
export function usePreferenceText(
  name: string,
  fallback: string,
): readonly [string, (value: string) => void] {
  const key = `fine-spray.${name}`;
  const [value, setValue] = useState(() => {
    try {
      return globalThis.localStorage?.getItem(key) ?? fallback;
    } catch {
      return fallback;
    }
  });
  const keep = useCallback(
    (next: string) => {
      setValue(next);
      try {
        globalThis.localStorage?.setItem(key, next);
      } catch {
        // As above: it holds until the page is closed.
      }
    },
    [key],
  );
  return [value, keep];
}
