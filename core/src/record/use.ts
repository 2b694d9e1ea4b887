import { archetypeOf, type Coating } from '../coating';
import { explain, given, type Explained } from '../explain';
import {
  litresLeft,
  litresLeftByFan,
  wornTip,
  type AbrasionClass,
  type LitresByClass,
  type Tip,
  type Wear,
} from '../tip';
import { counted, quantity, type Length } from '../units';
import { entriesOf, type LogEntry } from './entries';

/** Paint logged for each surface, all coats together. */
export function litresBySurface(log: readonly LogEntry[]): ReadonlyMap<string, Explained> {
  const sums = new Map<string, { volume: number; entries: number }>();
  for (const { surface, volume } of entriesOf(log, 'sprayed')) {
    const before = sums.get(surface) ?? { volume: 0, entries: 0 };
    sums.set(surface, { volume: before.volume + volume, entries: before.entries + 1 });
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

export interface TipRecord {
  readonly tip: string;
  readonly code: Tip;
  readonly retired: boolean;
  readonly litres: LitresByClass;
  readonly fans: readonly { readonly at: number; readonly width: Length; readonly volume: number }[];
  /** By the last measured fan; missing before one was measured. */
  readonly wear?: Wear;
  /** By the fan where it has narrowed enough to tell, else by litres. */
  readonly left?: Explained;
}

const CLASSES: readonly AbrasionClass[] = [1, 2, 3];

/**
 * What each tip has sprayed, by abrasion class of the paint, its fans over time, its wear and what is left in it for
 * the class it sprayed last.
 */
export function tipRecords(
  log: readonly LogEntry[],
  coatings: Readonly<Record<string, Coating>>,
): readonly TipRecord[] {
  const sprayed = entriesOf(log, 'sprayed');
  const retired = new Set(entriesOf(log, 'tip retired').map(({ tip }) => tip));
  const measured = entriesOf(log, 'fan measured');
  const fitted = new Map(entriesOf(log, 'tip fitted').map((entry) => [entry.tip, entry.code]));
  return [...fitted].map(([tip, code]) => {
    const litres: Partial<Record<AbrasionClass, number>> = {};
    let latest: AbrasionClass = 2;
    for (const entry of sprayed) {
      const coating = coatings[entry.coating];
      if (entry.tip !== tip || !coating) continue;
      latest = archetypeOf(coating.archetype).abrasionClass;
      litres[latest] = (litres[latest] ?? 0) + entry.volume;
    }
    const total = CLASSES.reduce((sum, abrasion) => sum + (litres[abrasion] ?? 0), 0);
    const fans = measured
      .filter((entry) => entry.tip === tip)
      .map(({ at, width }) => ({
        at,
        width,
        volume: sprayed
          .filter((entry) => entry.tip === tip && entry.at <= at)
          .reduce((sum, { volume }) => sum + volume, 0),
      }));
    const last = fans[fans.length - 1];
    const wear = last && wornTip(code, { by: 'fan', width: last.width });
    const byLitres = litresLeft(litres, latest);
    const remaining = leftByFan(code, last, total) ?? (byLitres.ok ? byLitres.value : undefined);
    return {
      tip,
      code,
      retired: retired.has(tip),
      litres,
      fans,
      ...(wear?.ok ? { wear: wear.value } : {}),
      ...(remaining ? { left: remaining } : {}),
    };
  });
}

/** What is left by the last measured fan, less what went through since; nothing where it cannot tell. */
function leftByFan(
  code: Tip,
  last: TipRecord['fans'][number] | undefined,
  total: number,
): Explained | undefined {
  if (!last || last.volume <= 0) return undefined;
  const left = litresLeftByFan(code, last.width, quantity(last.volume));
  if (!left.ok) return undefined;
  const less = (value: number) => Math.max(0, value - (total - last.volume));
  const { value, low, high } = left.value;
  return { ...left.value, value: less(value), low: less(low), high: less(high) };
}
