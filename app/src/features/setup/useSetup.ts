import { requestFor, type Kit, type SetupJob, type SetupSurface } from '@fine-spray/contract/planning';
import {
  setupCard,
  setupCardInSteps,
  type Result,
  type SetupCard,
  type SetupRequest,
  type UnitSystem,
} from '@fine-spray/core';
import type { InSteps } from '@fine-spray/core/steps';
import { useCallback, useEffect, useMemo, useRef } from 'react';
import { useFirstInTurns, type FirstTime } from '@/data/firstTime';

type Asked = SetupSurface & { readonly id?: string };

/** A card that was worked out ahead, for what it was asked. */
interface Ahead {
  readonly asked: string;
  readonly result: Result<SetupCard>;
}
let ahead: Ahead | undefined;
/** A card is worked out in turns the first time: others of a page take a few milliseconds. */
const firstCard: FirstTime = { over: false };

const askedOf = (request: SetupRequest, system: UnitSystem): string => JSON.stringify([system, request]);
const forgetAhead = () => void (ahead = undefined);
const keepAhead = (found: Ahead | undefined) => void (ahead = found);

/** The card of a request: worked out here and now, unless it was ahead. */
function cardOf(request: SetupRequest, system: UnitSystem): Result<SetupCard> {
  return ahead && ahead.asked === askedOf(request, system) ? ahead.result : setupCard(request, system);
}

function* aheadInSteps(
  surface: Asked,
  job: SetupJob,
  kit: Kit,
  system: UnitSystem,
): InSteps<Ahead | undefined> {
  const request = requestFor(surface, job, kit);
  yield;
  return (
    request && {
      asked: askedOf(request, system),
      result: yield* setupCardInSteps(request, system),
    }
  );
}

/**
 * Works out the first card of a page in turns: cold, it holds a slow phone up for half a second. Later ones are worked out at once.
 * @returns whether a screen with that card may be drawn
 */
export function useCardAhead(surface: Asked, job: SetupJob, kit: Kit, system: UnitSystem): boolean {
  const steps = useCallback(() => aheadInSteps(surface, job, kit, system), [surface, job, kit, system]);
  return useFirstInTurns(firstCard, steps, keepAhead);
}

/** The set-up card of a surface, worked out here and now; with the last good one while an input is refused. */
export function useSetup(
  surface: Asked,
  job: SetupJob,
  kit: Kit,
  system: UnitSystem,
): { request?: SetupRequest; result?: Result<SetupCard>; lastGood?: SetupCard } {
  const request = useMemo(() => requestFor(surface, job, kit), [surface, job, kit]);
  const result = useMemo(() => (request ? cardOf(request, system) : undefined), [request, system]);
  // It stands: what is asked for next is not the same, and is worked out by code that is warm.
  useEffect(forgetAhead, []);
  const lastGood = useRef<SetupCard>(undefined);
  if (result?.ok) lastGood.current = result.value;
  return {
    ...(request ? { request } : {}),
    ...(result ? { result } : {}),
    ...(lastGood.current ? { lastGood: lastGood.current } : {}),
  };
}
