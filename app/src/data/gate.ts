/** Why the server tells this device nothing: nobody is signed in on it, it was signed out by an owner, or there is no company. */
export type Shut = 'signed-out' | 'revoked' | 'no-company';

/** Ends of the types of problems that shut this device out. */
const SHUT: Readonly<Record<string, Shut>> = {
  'urn:fine-spray:problem:signed-out': 'signed-out',
  'urn:fine-spray:problem:revoked': 'revoked',
  'urn:fine-spray:problem:no-company': 'no-company',
};

let now: Shut | undefined;
const listeners = new Set<() => void>();
function set(next: Shut | undefined): void {
  if (now === next) return;
  now = next;
  listeners.forEach((listener) => listener());
}

/** Whether the server lets this device in, as its last answers said. */
export const gate = {
  current: (): Shut | undefined => now,
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  /** The server refused a call for want of a person: by the type of its problem. */
  refused: (type: string): void => {
    const shut = SHUT[type];
    // Several calls are refused at once, and the one that says more holds.
    if (shut && (shut !== 'signed-out' || now === undefined)) set(shut);
  },
  /** Somebody has signed in. */
  opened: (): void => set(undefined),
};
