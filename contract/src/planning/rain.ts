import { entriesInForce, payloadOf, timeOf, type Entry, type Weather } from '../entry';

/** Ground is taken as wet for so long after rain was written down, ms. */
const DRIES_IN = 12 * 3600_000;

/** Jobs whose weather was last written down with rain, not longer ago than ground takes to dry. */
export function rainedOn(entries: readonly Entry[], now: number): readonly string[] {
  const last = new Map<string, Weather & { readonly at: number }>();
  for (const one of entriesInForce(entries)) {
    const { kind, jobId } = one;
    if (jobId === null || (kind !== 'coat started' && kind !== 'coat finished')) continue;
    const { weather } = payloadOf(one as Entry & { readonly kind: typeof kind });
    if (weather) last.set(jobId, { ...weather, at: timeOf(one) });
  }
  return [...last].flatMap(([jobId, { rain, at }]) =>
    rain !== null && rain > 0 && now - at < DRIES_IN ? [jobId] : [],
  );
}
