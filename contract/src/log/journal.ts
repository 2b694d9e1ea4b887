import { UTCDateMini } from '@date-fns/utc/date/mini';
import { addTo, byTime, ordered, type Timed } from '@fine-spray/core/grouping';
import type { UnitSystem } from '@fine-spray/core/units';
import { format } from 'date-fns/format';
import {
  CLOCK_TOLERANCE,
  isKnown,
  isReadable,
  kindOf,
  payloadOf,
  timeOf,
  type Entry,
  type EntryKind,
  type LogNames,
  type Weather,
} from '../entry';
import { overruledAmong } from './contested';
import { entryWords, placeWords } from './words';

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** One entry as a reader sees it. */
export interface JournalLine extends Timed {
  readonly entry: Entry;
  /** "14:05" where it happened. */
  readonly clock: string;
  readonly kind: string;
  readonly place: string;
  readonly words: string;
  readonly trouble: boolean;
  /** What replaced it; it counts no more. */
  readonly replacedBy?: Entry;
  /** A sentence on a device clock that was wrong. */
  readonly skew?: string | undefined;
}

export interface JournalDay {
  /** "2026-11-25", where it happened. */
  readonly day: string;
  readonly lines: readonly JournalLine[];
  readonly weather: readonly Weather[];
  readonly authors: readonly string[];
}

const UNITS = [
  ['year', 365 * DAY],
  ['month', 30 * DAY],
  ['day', DAY],
  ['hour', 60 * MINUTE],
  ['minute', MINUTE],
] as const;

/** "1 year", "3 hours": the largest unit that fits, rounded. */
export function roughly(milliseconds: number): string {
  const [name, length] = UNITS.find(([, one]) => Math.abs(milliseconds) >= one) ?? ['minute', MINUTE];
  const count = Math.max(1, Math.round(Math.abs(milliseconds) / length));
  return `${count} ${name}${count === 1 ? '' : 's'}`;
}

/** What to say of a device clock that was wrong, and nothing of one that was right. */
export function skewWords({ clockSkew }: Pick<Entry, 'clockSkew'>): string | undefined {
  if (clockSkew === null || Math.abs(clockSkew) <= CLOCK_TOLERANCE) return undefined;
  return `The clock of that device was ${roughly(clockSkew * 1000)} ${clockSkew > 0 ? 'slow' : 'fast'}; the time is put right by it.`;
}

/** What is said of an entry that cannot be read. */
export const unreadableWords = (entry: Entry): string =>
  isKnown(entry)
    ? 'What it says cannot be read. It is kept as it is and counts nowhere.'
    : 'This program does not know this kind yet: reload it.';

/** The weather an entry carries. */
function weatherOf(entry: Entry): Weather | undefined {
  if (!isReadable(entry)) return undefined;
  if (entry.kind !== 'coat started' && entry.kind !== 'coat finished') return undefined;
  return payloadOf(entry as Entry & { kind: 'coat finished' | 'coat started' }).weather ?? undefined;
}

export interface JournalOptions {
  readonly names: LogNames;
  readonly system: UnitSystem;
  /** Minutes east of UTC at a moment, where the reader is. */
  readonly offsetAt: (time: number) => number;
}

/** A moment as the clocks of the reader show it, whatever the zone of the machine that writes it down. */
const where = (time: number, { offsetAt }: Pick<JournalOptions, 'offsetAt'>): Date =>
  new UTCDateMini(time + offsetAt(time) * MINUTE);

/** A line that works its words out when they are read: a long journal shows a few at a time. */
class LazyLine implements JournalLine {
  #place: string | undefined;
  #words: string | undefined;
  readonly id: string;
  readonly at: number;
  readonly replacedBy?: Entry;

  constructor(
    readonly entry: Entry,
    private readonly options: JournalOptions,
    replacedBy?: Entry,
  ) {
    this.id = entry.id;
    this.at = timeOf(entry);
    if (replacedBy) this.replacedBy = replacedBy;
  }

  get clock(): string {
    return format(where(this.at, this.options), 'HH:mm');
  }
  get kind(): string {
    return isKnown(this.entry) ? kindOf(this.entry.kind).name : 'Of a newer version';
  }
  get place(): string {
    this.#place ??= placeWords(this.entry, this.options.names);
    return this.#place;
  }
  get words(): string {
    this.#words ??= isReadable(this.entry)
      ? entryWords(this.entry, this.options.names, this.options.system)
      : unreadableWords(this.entry);
    return this.#words;
  }
  get trouble(): boolean {
    return kindOf(this.entry.kind).trouble === true;
  }
  get skew(): string | undefined {
    return skewWords(this.entry);
  }
}

/** One entry as a line. */
export const journalLine = (entry: Entry, options: JournalOptions, replacedBy?: Entry): JournalLine =>
  new LazyLine(entry, options, replacedBy);

/** What one looks for in a journal; what is left out does not matter. */
export interface JournalFilter {
  readonly text?: string;
  readonly jobId?: string;
  readonly surfaceId?: string;
  readonly kinds?: readonly EntryKind[];
}

/** Whether a line is looked for. */
function matcher({ text = '', jobId, surfaceId, kinds }: JournalFilter): (line: JournalLine) => boolean {
  const wanted = text.trim().toLowerCase();
  const words = wanted === '' ? [] : wanted.split(/\s+/);
  return (line) => {
    const { entry } = line;
    if (jobId !== undefined && entry.jobId !== jobId) return false;
    if (surfaceId !== undefined && entry.surfaceId !== surfaceId) return false;
    if (kinds && !kinds.includes(entry.kind)) return false;
    if (words.length === 0) return true;
    const all = `${line.kind} ${line.place} ${line.words} ${entry.author}`.toLowerCase();
    return words.every((word) => all.includes(word));
  };
}

/** The log as days, the latest first; within a day in the order things happened. Replaced entries stay in sight. */
export function journal(
  entries: readonly Entry[],
  options: JournalOptions,
  filter: JournalFilter = {},
): readonly JournalDay[] {
  const over = overruledAmong(entries);
  const byId = over.size === 0 ? undefined : new Map(entries.map((one) => [one.id, one]));
  const lines = entries.map((entry) => journalLine(entry, options, byId?.get(over.get(entry.id) ?? '')));
  const days = new Map<number, JournalLine[]>();
  for (const line of ordered(lines, byTime).filter(matcher(filter))) {
    addTo(days, Math.floor(where(line.at, options).getTime() / DAY), line);
  }
  return [...days]
    .sort(([one], [other]) => other - one)
    .map(([day, lines]) => ({
      day: format(new UTCDateMini(day * DAY), 'yyyy-MM-dd'),
      lines,
      weather: lines.flatMap(({ entry }) => weatherOf(entry) ?? []),
      authors: [...new Set(lines.map(({ entry }) => entry.author).filter((author) => author !== ''))],
    }));
}
