import type { CombInterval } from '../film';
import { addTo, byTime, inForce, ordered, type Timed } from '../grouping';
import type { AbrasionClass } from '../tip';
import { quantity, type Volume } from '../units';
import type { JobDigest } from './digest';
import type {
  CoatFinished,
  CombLogged,
  EntryKind,
  EntryOf,
  LogEntry,
  LoggedSurface,
  Sprayed,
} from './entries';

/** One coat of one coating on one surface, with all the log says of it. */
export interface CoatRecord extends LoggedSurface {
  readonly job: string | undefined;
  /** The first entry that told of it. */
  readonly heard: Timed;
  /** Milliseconds since 1970. */
  readonly started: number | undefined;
  /** What the last who finished it said, with the area that all of them finished together. */
  readonly finished: CoatFinished | undefined;
  readonly finishes: readonly CoatFinished[];
  readonly sprayed: readonly Sprayed[];
  /** Through the gun, m³; 0 where nothing was logged. */
  readonly volume: number;
  readonly combs: readonly CombLogged[];
  /** Mean of the comb's intervals, m, and how many; missing without a comb. */
  readonly wet: number | undefined;
  readonly readings: number;
  /** Thinner per paint in what was combed, by the readings; 0 without a comb. */
  readonly thinner: number;
}

/** Paint that went through a tip of the kit. */
export interface ThroughTip extends Timed {
  readonly tip: string;
  readonly coating: string;
  readonly volume: Volume;
  /** How hard the paint is on a tip; missing where it was not written down. */
  readonly abrasion: AbrasionClass | undefined;
}

/** A job that is known by its digest. */
export interface Digested {
  readonly job: string;
  readonly digest: JobDigest;
}

/** The log put in order once, for everything that is derived from it. */
export interface SiteRecord {
  readonly current: readonly LogEntry[];
  readonly of: <Kind extends EntryKind>(kind: Kind) => readonly EntryOf<Kind>[];
  /** In the order they were first heard of. */
  readonly coats: readonly CoatRecord[];
  readonly coatsOf: (surface: string) => readonly CoatRecord[];
  /** One coat of a surface; missing before it was heard of. */
  readonly coatOf: (coat: LoggedSurface) => CoatRecord | undefined;
  /** Records it is made of, each of surfaces of its own; missing where it was read in one. */
  readonly parts?: readonly SiteRecord[];
  /** What stands here for coats that are not: those of a job nobody works on any more. */
  readonly digested?: Digested;
}

type Coat = { -readonly [Key in keyof CoatRecord]: CoatRecord[Key] } & {
  finishes: CoatFinished[];
  sprayed: Sprayed[];
  combs: CombLogged[];
};

const middleOf = ({ low, high }: CombInterval) => (low + high) / 2;

function addComb(coat: Coat, comb: CombLogged): void {
  coat.combs.push(comb);
  const sum = comb.readings.reduce((total, one) => total + middleOf(one), (coat.wet ?? 0) * coat.readings);
  const thinner = coat.thinner * coat.readings + comb.thinner * comb.readings.length;
  coat.readings += comb.readings.length;
  coat.wet = coat.readings > 0 ? sum / coat.readings : undefined;
  coat.thinner = coat.readings > 0 ? thinner / coat.readings : 0;
}

/**
 * One coat, finished by several or said to be so more than once: each their part of it, or each all of it, whichever comes nearer to
 * the whole. Where nobody knows that, what the last said.
 * @param whole area of the coat by the plan, m²
 */
export function finishedTogether(
  finishes: readonly CoatFinished[],
  whole: number | undefined,
): CoatFinished | undefined {
  const last = finishes[finishes.length - 1];
  if (!last || finishes.length === 1 || whole === undefined) return last;
  const all = finishes.reduce((sum, { trueArea }) => sum + trueArea, 0);
  const most = finishes.reduce((found, one) => (one.trueArea > found.trueArea ? one : found));
  const off = (area: number) => Math.abs(Math.log(area / whole));
  if (off(most.trueArea) < off(all)) return { ...last, trueArea: most.trueArea, absorbed: most.absorbed };
  const absorbed = finishes.reduce((sum, one) => sum + (one.absorbed ?? 0), 0);
  return { ...last, trueArea: all, absorbed: quantity(absorbed) };
}

type OnCoat = LogEntry & LoggedSurface;

const find = <One extends LoggedSurface>(
  coats: readonly One[] | undefined,
  { coating, coat }: LoggedSurface,
) => coats?.find((one) => one.coat === coat && one.coating === coating);

const newCoat = ({ surface, coating, coat, job, id, at }: OnCoat): Coat => ({
  heard: { id, at },
  surface,
  coating,
  coat,
  job,
  started: undefined,
  finished: undefined,
  finishes: [],
  sprayed: [],
  volume: 0,
  combs: [],
  wet: undefined,
  readings: 0,
  thinner: 0,
});

/** Reads a log: what holds, by kind, and coat by coat. One pass; nothing is looked up twice. */
export function readRecord(log: readonly LogEntry[]): SiteRecord {
  const current = inForce(log);
  const byKind = new Map<EntryKind, LogEntry[]>();
  const coats: Coat[] = [];
  const bySurface = new Map<string, Coat[]>();
  const coatOf = (entry: OnCoat) => {
    const known = find(bySurface.get(entry.surface), entry);
    if (known) return known;
    const made = newCoat(entry);
    coats.push(made);
    addTo(bySurface, entry.surface, made);
    return made;
  };
  for (const entry of current) {
    addTo(byKind, entry.kind, entry);
    switch (entry.kind) {
      case 'coat started':
        coatOf(entry).started ??= entry.at;
        break;
      case 'coat finished': {
        const coat = coatOf(entry);
        coat.finishes.push(entry);
        coat.finished = finishedTogether(coat.finishes, entry.whole);
        break;
      }
      case 'sprayed': {
        const coat = coatOf(entry);
        coat.sprayed.push(entry);
        coat.volume += entry.volume;
        break;
      }
      case 'comb':
        addComb(coatOf(entry), entry);
        break;
    }
  }
  const none: readonly never[] = [];
  return {
    current,
    of: <Kind extends EntryKind>(kind: Kind) => (byKind.get(kind) ?? none) as readonly EntryOf<Kind>[],
    coats,
    coatsOf: (surface) => bySurface.get(surface) ?? none,
    coatOf: (coat) => find(bySurface.get(coat.surface), coat),
  };
}

/** The record of a job whose coats are known by their digest alone; the log has its entries of other kinds. */
export const digestedRecord = (log: readonly LogEntry[], digested: Digested): SiteRecord => ({
  ...readRecord(log),
  digested,
});

const THROUGH = new WeakMap<SiteRecord, readonly ThroughTip[]>();

function throughDigested({ job, digest: { through } }: Digested): readonly ThroughTip[] {
  const { tips, coatings, tip, coating, at, volume, abrasion } = through;
  const digits = String(at.length).length;
  return at.map((when, index) => ({
    // Of one moment they stay in their order.
    id: `${job} ${String(index).padStart(digits, '0')}`,
    at: when,
    tip: tips[tip[index] ?? 0] ?? '',
    coating: coatings[coating[index] ?? 0] ?? '',
    volume: quantity(volume[index] ?? 0),
    abrasion: abrasion[index] ?? undefined,
  }));
}

function readThrough(record: SiteRecord): readonly ThroughTip[] {
  if (record.parts) return ordered(record.parts.flatMap(throughOf), byTime);
  const [sprayed, used] = [record.of('sprayed'), record.of('used')];
  const all = used.length === 0 ? sprayed : ordered([...sprayed, ...used], byTime);
  const own = all.flatMap(({ id, at, tip, coating, volume, abrasion }): ThroughTip[] =>
    tip === undefined ? [] : [{ id, at, tip, coating, volume, abrasion }],
  );
  return record.digested ? ordered([...own, ...throughDigested(record.digested)], byTime) : own;
}

/** Paint through the tips of the kit, in the order of time. Each record is read once. */
export function throughOf(record: SiteRecord): readonly ThroughTip[] {
  const found = THROUGH.get(record) ?? readThrough(record);
  THROUGH.set(record, found);
  return found;
}

/** Worked out when it is first asked for. */
function lazily<Value>(work: () => Value): () => Value {
  let found: { readonly value: Value } | undefined;
  return () => (found ??= { value: work() }).value;
}

/**
 * One record of several, each of surfaces of its own: the same as if their logs had been read together, at the price of what is
 * asked of it. What holds must have been found out over all of them before: none may replace an entry of another.
 */
export function joinRecords(parts: readonly SiteRecord[]): SiteRecord {
  const inTime = <Entry extends Timed>(lists: readonly (readonly Entry[])[]) => ordered(lists.flat(), byTime);
  const byKind = new Map<EntryKind, readonly LogEntry[]>();
  const of = <Kind extends EntryKind>(kind: Kind) => {
    const known = byKind.get(kind) ?? inTime<LogEntry>(parts.map((part) => part.of(kind)));
    byKind.set(kind, known);
    return known as readonly EntryOf<Kind>[];
  };
  const partOf = lazily(() => {
    const found = new Map<string, SiteRecord>();
    for (const part of parts) for (const { surface } of part.coats) found.set(surface, part);
    return found;
  });
  const none: readonly never[] = [];
  const current = lazily(() => inTime(parts.map((part) => part.current)));
  const coats = lazily(() =>
    ordered(
      parts.flatMap((part) => part.coats),
      (a, b) => byTime(a.heard, b.heard),
    ),
  );
  return {
    parts,
    of,
    get current() {
      return current();
    },
    get coats() {
      return coats();
    },
    coatsOf: (surface) => partOf().get(surface)?.coatsOf(surface) ?? none,
    coatOf: (coat) => partOf().get(coat.surface)?.coatOf(coat),
  };
}
