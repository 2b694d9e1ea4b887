import { SLOT, slotsOf } from './tasks';

const DAY = 1440;

/** Part of a day, min after midnight. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** When there is work on a site. Days are counted from the first; minutes from its midnight, by the clock on the wall. */
export interface SiteTimes {
  /** Weekday of the first day: 0 is Monday. */
  readonly firstWeekday: number;
  /** First minute of work on the first day: nothing is planned before. */
  readonly from: number;
  readonly day: Span;
  readonly breaks: readonly Span[];
  /** Weekdays with work, 0 is Monday. */
  readonly workdays: readonly number[];
  /** People there on a day. */
  readonly people: number;
  /** Days on which some are away: people by their number, from 0. */
  readonly away: Readonly<Record<number, readonly number[]>>;
  /** Days on which nobody may be in a room. */
  readonly closed: Readonly<Record<string, readonly number[]>>;
  /** Times in which it stays dry outside; missing: it always does. */
  readonly dry?: readonly Span[] | undefined;
}

/** People at most: each has a bit. */
export const MOST_PEOPLE = 20;

/** People by their numbers as bits. */
export const bitsOf = (people: readonly number[]): number =>
  people.reduce((bits, one) => bits | (1 << one), 0);
/** The numbers of people that are bits. */
export function peopleOf(bits: number): readonly number[] {
  const found: number[] = [];
  for (let person = 0; person < MOST_PEOPLE; person += 1)
    if ((bits & (1 << person)) !== 0) found.push(person);
  return found;
}

/** Days looked ahead; a job that is not done by then is not planned. */
export const HORIZON = 200;

/** Working time as slots in a row, each with its minute on the wall: work counts slots, drying counts minutes. */
export class Calendar {
  /** Minute each slot begins at. */
  readonly at: Int32Array;
  readonly dayOf: Int32Array;
  /** People there in each slot. */
  readonly people: Int8Array;
  /** Who is there in each slot: a bit for each person. */
  readonly there: Int32Array;
  /** First slot of the day after the one of a slot. */
  readonly dayEnd: Int32Array;
  /** First slot of the day of a slot. */
  readonly dayStart: Int32Array;

  private readonly closed: ReadonlyMap<string, ReadonlySet<number>>;

  constructor(readonly times: SiteTimes) {
    this.closed = new Map(Object.entries(times.closed).map(([room, days]) => [room, new Set(days)]));
    const { day, breaks, workdays, firstWeekday, from, people, away } = times;
    const [at, dayOf, there]: [number[], number[], number[]] = [[], [], []];
    const everybody = bitsOf(Array.from({ length: people }, (_unused, person) => person));
    for (let index = 0; index < HORIZON; index += 1) {
      if (!workdays.includes((firstWeekday + index) % 7)) continue;
      const left = everybody & ~bitsOf(away[index] ?? []);
      if (left === 0) continue;
      for (let minute = day.from; minute + SLOT <= day.to; minute += SLOT) {
        const now = index * DAY + minute;
        if (now < from || breaks.some((one) => minute >= one.from && minute < one.to)) continue;
        at.push(now);
        dayOf.push(index);
        there.push(left);
      }
    }
    this.at = Int32Array.from(at);
    this.dayOf = Int32Array.from(dayOf);
    this.there = Int32Array.from(there);
    this.people = Int8Array.from(there, (bits) => peopleOf(bits).length);
    this.dayEnd = new Int32Array(at.length);
    this.dayStart = new Int32Array(at.length);
    for (let slot = 1; slot < at.length; slot += 1)
      this.dayStart[slot] = dayOf[slot] === dayOf[slot - 1] ? (this.dayStart[slot - 1] as number) : slot;
    for (let slot = at.length - 1; slot >= 0; slot -= 1)
      this.dayEnd[slot] = dayOf[slot] === dayOf[slot + 1] ? (this.dayEnd[slot + 1] ?? slot + 1) : slot + 1;
  }

  get slots(): number {
    return this.at.length;
  }

  /** The first slot that begins at a minute or after it. */
  slotFrom(minute: number): number {
    let [low, high] = [0, this.at.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((this.at[middle] ?? Infinity) >= minute) high = middle;
      else low = middle + 1;
    }
    return low;
  }

  /** When work ends that has its last slot before this one. */
  endOf(slot: number): number {
    return (this.at[slot - 1] ?? 0) + SLOT;
  }

  /** The moment from which so many minutes of work lead up to another. */
  workFrom(until: number, minutes: number): number {
    return this.at[Math.max(0, this.slotFrom(until) - slotsOf(minutes))] ?? until;
  }

  isClosed(room: string, day: number): boolean {
    return this.closed.get(room)?.has(day) ?? false;
  }

  /** Whether it stays dry from a minute to another. */
  isDry(from: number, to: number): boolean {
    const { dry } = this.times;
    return !dry || dry.some((one) => from >= one.from && to <= one.to);
  }
}
