import { addTo } from '@fine-spray/core/grouping';
import { PAINT_HOLDS_FOR } from '@fine-spray/core/record';
import { HOT } from '@fine-spray/core/safety';
import { entriesInForce, entriesOfKind, payloadOf, timeOf, type Entry, type Weather } from '../entry';
import { NO_SURFACE, type DialledInRow, type Kit } from './kit';

/** Ground is taken as wet and a day as hot as it was for so long after it was written down, ms. */
const HOLDS_FOR = PAINT_HOLDS_FOR;

/** What was measured or written down last: weather and paint of each job as long as they are taken to hold, and what was dialled in. */
export const siteNow = (entries: readonly Entry[], now: number): Required<SiteNow> => ({
  ...lastWeather(entries, now),
  paintAt: lastPaint(entries, now),
  dialledIn: dialledInOn(entries),
});
export type SiteNow = Pick<Kit, 'rainedOn' | 'hotOn' | 'coldest' | 'paintAt' | 'dialledIn'>;

/** What was dialled in, by surface: it holds until somebody dials in again. */
function dialledInOn(entries: readonly Entry[]): NonNullable<Kit['dialledIn']> {
  const found = new Map<string, DialledInRow[]>();
  for (const { entry, payload } of entriesOfKind(entries, 'set-up confirmed')) {
    const { coatingId, tip, gun, pump, sprayerId, hoseIds } = payload;
    // What nobody read is what the card says already.
    const sure = payload.sure && payload.setBy !== 'guess';
    const row = { coatingId, tip, gun, pump, sure, sprayerId, hoseIds, at: timeOf(entry) };
    addTo(found, entry.surfaceId ?? NO_SURFACE, row);
  }
  return Object.fromEntries(found);
}

/** How warm the paint was when it was measured last, by job and coating. */
function lastPaint(entries: readonly Entry[], now: number): NonNullable<Kit['paintAt']> {
  const found: Record<string, Record<string, number>> = {};
  for (const { entry, payload } of entriesOfKind(entries, 'viscosity')) {
    const { jobId } = entry;
    if (jobId === null || now - timeOf(entry) >= PAINT_HOLDS_FOR) continue;
    found[jobId] = { ...found[jobId], [payload.coatingId]: payload.temperature };
  }
  return found;
}

/** Jobs whose weather was last written down with rain, and with heat; and how cold it was. */
function lastWeather(
  entries: readonly Entry[],
  now: number,
): Required<Pick<Kit, 'rainedOn' | 'hotOn' | 'coldest'>> {
  const last = new Map<string, Weather & { readonly at: number }>();
  for (const one of entriesInForce(entries)) {
    const { kind, jobId } = one;
    if (jobId === null || (kind !== 'coat started' && kind !== 'coat finished')) continue;
    const { weather } = payloadOf(one as Entry & { readonly kind: typeof kind });
    if (weather) last.set(jobId, { ...weather, at: timeOf(one) });
  }
  const jobs = (holds: (weather: Weather) => boolean) =>
    [...last].flatMap(([jobId, weather]) => (now - weather.at < HOLDS_FOR && holds(weather) ? [jobId] : []));
  return {
    rainedOn: jobs(({ rain }) => rain !== null && rain > 0),
    hotOn: jobs(({ air }) => air >= HOT),
    coldest: Object.fromEntries(
      [...last].flatMap(([jobId, { at, air, surface }]) =>
        now - at < HOLDS_FOR ? [[jobId, Math.min(air, surface ?? air)]] : [],
      ),
    ),
  };
}
