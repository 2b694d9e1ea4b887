import { HOT } from '@fine-spray/core/safety';
import { entriesInForce, payloadOf, timeOf, type Entry, type Weather } from '../entry';
import type { Kit } from './kit';

/** Ground is taken as wet, and a day as hot, for so long after it was written down, ms. */
const HOLDS_FOR = 12 * 3600_000;

/** Jobs whose weather was last written down with rain, and with heat, not longer ago than it is taken to hold. */
export function lastWeather(
  entries: readonly Entry[],
  now: number,
): Required<Pick<Kit, 'rainedOn' | 'hotOn'>> {
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
