import {
  SEEN,
  dialIn,
  dialInFor,
  startDialIn,
  writeTipCode,
  type DialInEvent,
  type DialInSetup,
  type DialInState,
  type Result,
  type ThickSchool,
} from '@fine-spray/core';
import { useMemo } from 'react';
import { useKept } from '@/data/kept';
import type { Site } from '@/features/site';
import { useOneTap } from '@/ui/oneTap';
import { useUnits } from '@/ui/units';

export interface DialInSession {
  /** The machine is in its safe state and the card hangs. */
  readonly ready: boolean;
  readonly events: readonly DialInEvent[];
  readonly school: ThickSchool;
  /**
   * What it began with. The answers are about cards sprayed at its pressures: neither what is learned meanwhile nor another
   * unit system moves them.
   */
  readonly setup?: DialInSetup;
  /** Entry of the log it was kept as. */
  readonly keptAs?: string;
}

const FRESH: DialInSession = { ready: false, events: [], school: 'thin first' };

function isEvent(value: unknown): value is DialInEvent {
  const { kind, seen } = (value ?? {}) as { kind?: unknown; seen?: unknown };
  return kind === 'did' || kind === 'cannot' || (kind === 'saw' && SEEN.some((one) => one === seen));
}

/** Whether the core can begin with it. */
function isSetup(value: unknown): value is DialInSetup {
  const { range, expected } = (value ?? {}) as Partial<DialInSetup>;
  return range !== undefined && expected !== undefined && startDialIn(value as DialInSetup).ok;
}

export function readSession(stored: unknown): DialInSession | undefined {
  const { ready, events, school, setup, keptAs } = (stored ?? {}) as Record<string, unknown>;
  if (typeof ready !== 'boolean' || !Array.isArray(events) || !events.every(isEvent)) return undefined;
  if (setup !== undefined && !isSetup(setup)) return undefined;
  return {
    ready,
    events,
    school: school === 'larger orifice first' ? school : 'thin first',
    ...(setup === undefined ? {} : { setup }),
    ...(typeof keptAs === 'string' ? { keptAs } : {}),
  };
}

/** The dial-in of the tip on a card: a fold over what the crew answered, kept on this device answer by answer. */
export function useDialIn(site: Site) {
  const { system } = useUnits();
  const card = site.card.ok ? site.card.value : undefined;
  const candidate = card?.tip.candidate;
  const code = candidate ? `${candidate.tip.family} ${writeTipCode(candidate.tip)}` : 'none';
  const key = `dial-in ${site.key} ${code} ${site.surface.coatingId}`;
  const [session, setSession, full] = useKept(key, readSession, FRESH);
  const fresh = useMemo(
    () => (candidate ? dialInFor(candidate, site.request, { school: session.school }, system) : undefined),
    [candidate, site.request, session.school, system],
  );
  const setup = session.setup ?? fresh;
  const state: Result<DialInState> | undefined = useMemo(
    () => (setup ? dialIn(setup, session.events, system) : undefined),
    [setup, session.events, system],
  );
  const answer = useOneTap((event: DialInEvent) =>
    setSession({ ...session, events: [...session.events, event] }),
  );
  return {
    session,
    setup,
    state,
    full,
    answer,
    begin: () => setSession({ ...session, ready: true, ...(fresh ? { setup: fresh } : {}) }),
    /** Takes back the last answer, or all from a place on. */
    back: (to = session.events.length - 1) =>
      setSession(
        session.events.length === 0
          ? { ...FRESH, school: session.school }
          : {
              ready: true,
              school: session.school,
              events: session.events.slice(0, Math.max(0, to)),
              ...(session.setup ? { setup: session.setup } : {}),
            },
      ),
    setSchool: (school: ThickSchool) => setSession({ ...session, school }),
    keep: (keptAs: string) => setSession({ ...session, keptAs }),
    again: () => setSession({ ...FRESH, school: session.school }),
  };
}
