import { explain, given, type Explained } from '../explain';
import { counted } from '../units';
import type { SiteRecord } from './sheet';

/** Paint logged for a surface, all coats together; nothing where none was. */
export function litresUsed(record: SiteRecord, surface: string): Explained | undefined {
  let [volume, entries] = [0, 0];
  for (const coat of record.coatsOf(surface)) {
    volume += coat.volume;
    entries += coat.sprayed.length;
  }
  if (entries === 0) return undefined;
  return explain(
    'litres used',
    'volume',
    { used: given('Logged', 'volume', volume, counted(entries, 'entry', 'entries')) },
    (v) => v.used,
  );
}
