import { entriesOfKind, type PayloadOf } from '@fine-spray/contract';
import {
  ELEMENT_DATA,
  coatingValues,
  combReading,
  combVerdict,
  quantity,
  sagLimitFor,
  type CombInterval,
} from '@fine-spray/core';
import { coatingsOf, type SiteLog } from '@/data/record';
import type { CaptureContext } from './defaults';

type Comb = PayloadOf<'comb'>;

/** Readings of one coat that count together with the new ones: those of the last hours. */
const TOGETHER = 4 * 3600_000;

/** What the readings of a coat on a surface say together, and how many there are; nothing without one of the last hours. */
export function combed(
  { log, surface, cardOf, system }: Pick<CaptureContext, 'log' | 'surface' | 'cardOf' | 'system'>,
  payload: Comb,
) {
  const since = Date.now() - TOGETHER;
  const read = entriesOfKind(log.entries, 'comb').filter(
    ({ entry, payload: one }) =>
      entry.surfaceId === surface?.id &&
      one.coatingId === payload.coatingId &&
      one.coat === payload.coat &&
      Date.parse(entry.at) > since,
  );
  const intervals: CombInterval[] = read.flatMap(({ payload: { teeth, lastWet } }) =>
    lastWet.flatMap((tooth) => {
      const one = combReading(
        tooth === null ? undefined : quantity(tooth),
        teeth.map((each) => quantity<never>(each)),
      );
      return one.ok ? [one.value] : [];
    }),
  );
  const sheet = coatingsOf(log.kit)[payload.coatingId];
  const sag =
    sheet &&
    surface &&
    sagLimitFor(quantity(coatingValues(sheet).sagLimit), ELEMENT_DATA[surface.element].sagsSooner);
  if (intervals.length === 0 || payload.target === null) return undefined;
  const place = cardOf(payload)?.pass.place;
  // Not timed, it is taken as on the card.
  const held = payload.speed ?? payload.cardSpeed;
  const verdict = combVerdict(
    intervals,
    {
      wetFilm: quantity(payload.target),
      ...(sag === undefined ? {} : { sagLimit: sag }),
      ...(place && payload.coat === 1 ? { soaks: quantity(place.soaks.value / place.texture.value) } : {}),
      ...(held === null ? {} : { speed: quantity(held) }),
    },
    system,
  );
  return verdict.ok ? { ...verdict.value, count: intervals.length } : undefined;
}

/** The comb that was read last on a surface, with others that count together with it; nothing where it lies too long back. */
export const lastComb = (log: SiteLog, surfaceId: string): Comb | undefined =>
  entriesOfKind(log.entries, 'comb').findLast(
    ({ entry }) => entry.surfaceId === surfaceId && Date.parse(entry.at) > Date.now() - TOGETHER,
  )?.payload;
