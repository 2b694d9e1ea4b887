import { archetypeOf, type Coating } from '../coating';
import { explain, given, workingDefault, type Explained } from '../explain';
import { addTo } from '../grouping';
import { WEAR_LEFT } from '../quantities';
import {
  litresLeft,
  litresLeftByFan,
  wornByPressure,
  wornTip,
  type AbrasionClass,
  type LitresByClass,
  type Tip,
  type Wear,
} from '../tip';
import { counted, quantity, type Length, type Result } from '../units';
import { utcDay, type DayOf } from './days';
import type { SetupConfirmed } from './entries';
import { throughOf, type SiteRecord, type ThroughTip } from './sheet';

/** A tip of the kit. */
export interface OwnedTip {
  readonly tip: string;
  readonly code: Tip;
  /** Paint through it before the log began, m³. */
  readonly before: number;
}

export interface TipFan {
  readonly at: number;
  readonly width: Length;
  /** Paint through the tip by then, m³. */
  readonly volume: number;
}

export type WearAdvice = 'good' | 'watch' | 'replace' | 'retired' | 'unknown';

export interface TipRecord {
  readonly tip: string;
  readonly code: Tip;
  readonly advice: WearAdvice;
  readonly words: string;
  readonly litres: LitresByClass;
  readonly volume: number;
  readonly fans: readonly TipFan[];
  /** By the last measured fan; missing before one was measured. */
  readonly wear?: Wear;
  /** By the fan where it has narrowed enough to tell, else by litres. */
  readonly left?: Explained;
  /** When, at the litres a day it has sprayed so far, it is worn out, ms since 1970; missing where it cannot be told. */
  readonly wornAt?: { readonly from: number; readonly likely: number; readonly until: number };
  /** Paint its wear has cost between its measured fans. */
  readonly cost?: Explained;
}

const CLASSES: readonly AbrasionClass[] = [1, 2, 3];
const DAY = 86_400_000;
/** Where nothing is known of what a tip sprays. */
const USUAL_CLASS: AbrasionClass = 2;
/** Fewer days of use than this do not tell a rate. */
const LEAST_DAYS = 2;

/** Tips that were retired and not fitted again since. */
function retiredNow(record: SiteRecord): ReadonlySet<string> {
  const fitted = new Map(record.of('tip fitted').map((entry) => [entry.tip, entry.at]));
  return new Set(
    record.of('tip retired').flatMap(({ tip, at }) => ((fitted.get(tip) ?? -Infinity) > at ? [] : [tip])),
  );
}

/** Entries of a kind by their tip. */
function byTip<Entry extends { readonly tip?: string | undefined }>(
  entries: readonly Entry[],
): ReadonlyMap<string, readonly Entry[]> {
  const found = new Map<string, Entry[]>();
  for (const entry of entries) {
    if (entry.tip !== undefined) addTo(found, entry.tip, entry);
  }
  return found;
}

/**
 * What each tip of the kit has sprayed, by abrasion class of the paint, its fans over time, its wear, what is left in it
 * for the class it sprayed last, when that is gone, and what its wear has cost.
 */
export function tipRecords(
  record: SiteRecord,
  tips: readonly OwnedTip[],
  coatings: Readonly<Record<string, Coating>>,
  dayOf: DayOf = utcDay,
): readonly TipRecord[] {
  const sprayed = byTip(throughOf(record));
  const measured = byTip(record.of('fan measured'));
  const confirmed = byTip(record.of('set-up confirmed'));
  const retired = retiredNow(record);
  return tips.map((owned) => {
    const { tip } = owned;
    return recordOf(
      owned,
      { sprayed: sprayed.get(tip) ?? [], fans: measured.get(tip) ?? [], confirmed: confirmed.get(tip) ?? [] },
      retired.has(tip),
      coatings,
      dayOf,
    );
  });
}

interface Uses {
  readonly sprayed: readonly ThroughTip[];
  readonly fans: readonly { readonly at: number; readonly width: Length }[];
  readonly confirmed: readonly SetupConfirmed[];
}

function recordOf(
  { tip, code, before }: OwnedTip,
  { sprayed, fans, confirmed }: Uses,
  retired: boolean,
  coatings: Readonly<Record<string, Coating>>,
  dayOf: DayOf,
): TipRecord {
  const litres: Partial<Record<AbrasionClass, number>> = {};
  let latest: AbrasionClass | undefined;
  let untold = before;
  for (const { coating: of, abrasion, volume } of sprayed) {
    const coating = coatings[of];
    // As it was when it was sprayed; a paint nobody knows any more is like those beside it.
    const known = abrasion ?? (coating && archetypeOf(coating.archetype).abrasionClass);
    if (known === undefined) untold += volume;
    else litres[known] = (litres[known] ?? 0) + volume;
    latest = known ?? latest;
  }
  const next = latest ?? USUAL_CLASS;
  // What it sprayed before the log is taken as the paint it sprays now.
  if (untold > 0) litres[next] = (litres[next] ?? 0) + untold;
  const volume = CLASSES.reduce((sum, abrasion) => sum + (litres[abrasion] ?? 0), 0);
  // Both are in the order of time: each is gone through once.
  let [through, spent] = [0, 0];
  const readings = fans.map(({ at, width }) => {
    for (let entry = sprayed[spent]; entry && entry.at <= at; entry = sprayed[spent]) {
      through += entry.volume;
      spent += 1;
    }
    return { at, width, volume: before + through };
  });
  const last = readings[readings.length - 1];
  const worn = last && wornTip(code, { by: 'fan', width: last.width });
  const byLitres = litresLeft(litres, next);
  const left = leftByFan(code, last, volume) ?? (byLitres.ok ? byLitres.value : undefined);
  const wornAt = left && wornOut(left, sprayed, dayOf);
  const cost = costOf(code, readings, volume);
  return {
    tip,
    code,
    litres,
    volume,
    fans: readings,
    ...adviceOf(retired, worn, confirmed, left),
    ...(worn?.ok ? { wear: worn.value } : {}),
    ...(left ? { left } : {}),
    ...(wornAt ? { wornAt } : {}),
    ...(cost ? { cost } : {}),
  };
}

/** What to do with a tip: its measured fan comes first, then the pressure it needs, litres only warn. */
function adviceOf(
  retired: boolean,
  worn: Result<Wear> | undefined,
  confirmed: readonly SetupConfirmed[],
  left: Explained | undefined,
): Pick<TipRecord, 'advice' | 'words'> {
  if (retired) return { advice: 'retired', words: 'Retired.' };
  const wear = worn?.ok ? worn.value : undefined;
  if (wear && wear.verdict !== 'good') return { advice: wear.verdict, words: wear.words };
  const [first] = confirmed;
  const last = confirmed[confirmed.length - 1];
  if (first && last && first !== last) {
    // Both over what the heuristic says of their paint, so that another paint does not count as wear.
    if (wornByPressure((last.pressure / last.expected) * first.expected, first.pressure)) {
      return {
        advice: 'replace',
        words:
          'It needs a fifth more pressure for an even fan than when it was first dialled in: replace the tip.',
      };
    }
  }
  if (wear) return { advice: 'good', words: wear.words };
  if (left && left.value <= 0) {
    return { advice: 'watch', words: 'Past its usual litres: measure the fan before the next wall.' };
  }
  if (worn) {
    return {
      advice: 'unknown',
      words: 'The last measured fan cannot be one of this tip: measure it again, or put that entry right.',
    };
  }
  return { advice: 'unknown', words: 'No fan was measured yet: litres alone only say when to look.' };
}

/** What is left by the last measured fan, less what went through since; nothing where it cannot tell. */
function leftByFan(code: Tip, last: TipFan | undefined, total: number): Explained | undefined {
  if (!last || last.volume <= 0) return undefined;
  const left = litresLeftByFan(code, last.width, quantity(last.volume));
  if (!left.ok) return undefined;
  const less = (value: number) => Math.max(0, value - (total - last.volume));
  const { value, low, high } = left.value;
  return { ...left.value, value: less(value), low: less(low), high: less(high) };
}

/** When what is left is sprayed, at the litres of a day this tip has had from its first day to its last, both counted. */
function wornOut(
  { value, low, high }: Explained,
  sprayed: readonly ThroughTip[],
  dayOf: DayOf,
): TipRecord['wornAt'] {
  const [first] = sprayed;
  const last = sprayed[sprayed.length - 1];
  if (!first || !last) return undefined;
  const days = dayOf(last.at) - dayOf(first.at) + 1;
  if (days < LEAST_DAYS) return undefined;
  const rate = sprayed.reduce((sum, { volume }) => sum + volume, 0) / (days * DAY);
  const at = (volume: number) => last.at + volume / rate;
  return { from: at(low), likely: at(value), until: at(high) };
}

/** Extra paint between measured fans, were the gun speed kept, less what the hand makes good. */
function costOf(code: Tip, readings: readonly TipFan[], total: number): Explained | undefined {
  if (readings.length === 0) return undefined;
  const filmAt = readings.map(({ width }) => {
    const wear = wornTip(code, { by: 'fan', width });
    return wear.ok ? wear.value.filmRatio.value : 1;
  });
  // From a new tip to the first fan, from fan to fan, and on from the last as it was.
  const marks = [
    { volume: 0, film: 1 },
    ...readings.map(({ volume }, index) => ({ volume, film: filmAt[index] ?? 1 })),
  ];
  const last = marks[marks.length - 1];
  if (last) marks.push({ volume: total, film: last.film });
  let extra = 0;
  for (let index = 1; index < marks.length; index += 1) {
    const [from, to] = [marks[index - 1], marks[index]];
    if (!from || !to || to.volume <= from.volume) continue;
    extra += (to.volume - from.volume) * (1 - 2 / (from.film + to.film));
  }
  const { likely, low, high } = WEAR_LEFT;
  return explain(
    'tip wear cost',
    'volume',
    {
      extra: given(
        'Extra at the same gun speed',
        'volume',
        Math.max(0, extra),
        `${counted(readings.length, 'fan')} measured`,
      ),
      share: workingDefault('What the hand does not make good', 'percent', likely, low, high),
    },
    (v) => v.extra * v.share,
  );
}
