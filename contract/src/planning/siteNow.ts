import { PAINT_HOLDS_FOR } from '@fine-spray/core/record';
import { HOT } from '@fine-spray/core/safety';
import { entriesInForce, entriesOfKind, payloadOf, timeOf, type Entry, type Weather } from '../entry';
import type { Kit } from './kit';

/** Ground is taken as wet and a day as hot as it was for so long after it was written down, ms. */
const HOLDS_FOR = PAINT_HOLDS_FOR;

/** What was written down last of weather and paint on each job, not longer ago than it is taken to hold. */
export const siteNow = (entries: readonly Entry[], now: number): Required<SiteNow> => ({
  ...lastWeather(entries, now),
  paintAt: lastPaint(entries, now),
});
export type SiteNow = Pick<Kit, 'rainedOn' | 'hotOn' | 'paintAt'>;

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

/** Jobs whose weather was last written down with rain, and with heat. */
function lastWeather(entries: readonly Entry[], now: number): Required<Pick<Kit, 'rainedOn' | 'hotOn'>> {
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
  };
}
