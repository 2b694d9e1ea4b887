import { explain, given, type Explained } from '../explain';
import { counted } from '../units';
import type { SiteRecord } from './sheet';

/** Paint logged for each surface, all coats together. */
export function litresBySurface(record: SiteRecord): ReadonlyMap<string, Explained> {
  const sums = new Map<string, { volume: number; entries: number }>();
  for (const { surface, volume, sprayed } of record.coats) {
    if (sprayed.length === 0) continue;
    const before = sums.get(surface) ?? { volume: 0, entries: 0 };
    sums.set(surface, { volume: before.volume + volume, entries: before.entries + sprayed.length });
  }
  return new Map(
    [...sums].map(([surface, { volume, entries }]) => [
      surface,
      explain(
        'litres used',
        'volume',
        { used: given('Logged', 'volume', volume, counted(entries, 'entry', 'entries')) },
        (v) => v.used,
      ),
    ]),
  );
}
