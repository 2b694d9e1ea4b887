import type { CombInterval } from '../film';
import { addTo, inForce } from '../grouping';
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
  /** Milliseconds since 1970. */
  readonly started: number | undefined;
  readonly finished: CoatFinished | undefined;
  readonly sprayed: readonly Sprayed[];
  /** Through the gun, m³; 0 where nothing was logged. */
  readonly volume: number;
  readonly combs: readonly CombLogged[];
  /** Mean of the comb's intervals, m, and how many; missing without a comb. */
  readonly wet: number | undefined;
  readonly readings: number;
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
}

type Coat = { -readonly [Key in keyof CoatRecord]: CoatRecord[Key] } & {
  sprayed: Sprayed[];
  combs: CombLogged[];
};

const middleOf = ({ low, high }: CombInterval) => (low + high) / 2;

function addComb(coat: Coat, comb: CombLogged): void {
  coat.combs.push(comb);
  const sum = comb.readings.reduce((total, one) => total + middleOf(one), (coat.wet ?? 0) * coat.readings);
  coat.readings += comb.readings.length;
  coat.wet = coat.readings > 0 ? sum / coat.readings : undefined;
}

type OnCoat = LogEntry & LoggedSurface;

const find = <One extends LoggedSurface>(
  coats: readonly One[] | undefined,
  { coating, coat }: LoggedSurface,
) => coats?.find((one) => one.coat === coat && one.coating === coating);

const newCoat = ({ surface, coating, coat, job }: OnCoat): Coat => ({
  surface,
  coating,
  coat,
  job,
  started: undefined,
  finished: undefined,
  sprayed: [],
  volume: 0,
  combs: [],
  wet: undefined,
  readings: 0,
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
      case 'coat finished':
        coatOf(entry).finished = entry;
        break;
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
