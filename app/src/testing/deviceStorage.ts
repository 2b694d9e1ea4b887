/** A local storage for tests, empty, in place of the device's. */
export function playStorage(): Map<string, string> {
  const kept = new Map<string, string>();
  const methods = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  };
  // As a browser has it: its own names are those of what is stored.
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    value: new Proxy(methods, {
      ownKeys: () => [...kept.keys()],
      getOwnPropertyDescriptor: (of, key) =>
        kept.has(String(key))
          ? { configurable: true, enumerable: true, value: kept.get(String(key)) }
          : Object.getOwnPropertyDescriptor(of, key),
    }),
  });
  return kept;
}
