import { bitsOf, type Calendar } from './calendar';
import { MIST, SET_UPS, SLOT, isMoved, setUpBetween, slotsOf, type Loaded, type SiteTask } from './tasks';

/** A task with its place in time, who is on it, and the sprayer it is done with. Minutes from the first midnight, by the clock on the wall. */
export interface Placed {
  readonly task: string;
  readonly start: number;
  readonly end: number;
  /** Who is on it, by their number; the first sprays, sets up before and cleans after. */
  readonly people: readonly number[];
  /** Which sprayer, from 0; missing for work by hand. */
  readonly sprayer?: number | undefined;
  /** Set-up directly before it, min. */
  readonly setUp: number;
}

export interface SitePlan {
  readonly placed: readonly Placed[];
  /** When the last of the work ends. */
  readonly finish: number;
  /** Of all people, with set-ups and cleaning. */
  readonly personMinutes: number;
  readonly flushes: number;
  readonly moves: number;
  readonly sprayedDays: number;
}

/** What there is to place, and with what. */
export interface SiteJob {
  readonly tasks: readonly SiteTask[];
  readonly times: Calendar;
  readonly sprayers: number;
  /** What is in each sprayer when the first day begins; missing or nothing: it has to be loaded. */
  readonly loaded?: readonly (Loaded | undefined)[] | undefined;
}

/** Where a task is to stay: as it was placed before. */
export type Hold = Pick<Placed, 'start' | 'people' | 'sprayer'>;

interface Link {
  readonly index: number;
  readonly least: number;
  readonly most: number;
}

/** Tasks by their number, with what is asked of them again and again. */
interface Indexed {
  readonly task: SiteTask;
  readonly slots: number;
  readonly before: readonly Link[];
  readonly after: readonly Link[];
  readonly room: number;
  /** Who has to be on it, as bits. */
  readonly who: number;
}

interface Sprayed {
  readonly index: number;
  readonly start: number;
  readonly end: number;
  /** Slots. */
  setUp: number;
  /** Bit of who sprays. */
  readonly lead: number;
}

/** Why an order came to no plan: a coat that has to be laid later, or a task that does not fit where it was held. */
type Failed =
  | { readonly kind: 'nowhere' }
  | { readonly kind: 'later'; readonly index: number; readonly from: number }
  | { readonly kind: 'held'; readonly index: number };

const NOWHERE: Failed = { kind: 'nowhere' };
const NOTHING_HELD: ReadonlyMap<number, Hold> = new Map();

/**
 * Places tasks one after the other, each as early as everything allows, spray tasks also into gaps between others: the set-up of the one
 * that follows and the cleaning at the end of the day are priced again. Serial schedule generation (Kelley 1963), with insertion. What
 * somebody put somewhere is placed first.
 */
export class Placer {
  readonly indexed: readonly Indexed[];
  /** Tables of an attempt, used again by the next. */
  private readonly tables: Tables;
  private readonly number: ReadonlyMap<string, number>;

  constructor(readonly job: SiteJob) {
    const rooms = [...new Set(job.tasks.map(({ room }) => room))];
    const { slots } = job.times;
    this.tables = {
      busy: new Int32Array(slots),
      inRoom: rooms.map(() => new Int16Array(slots)),
      used: 0,
    };
    this.number = new Map(job.tasks.map(({ id }, index) => [id, index]));
    const after = job.tasks.map((): Link[] => []);
    const before = job.tasks.map((task, own) =>
      task.after.flatMap(({ task: id, least, most = Infinity }): Link[] => {
        const index = this.number.get(id);
        if (index === undefined) return [];
        after[index]?.push({ index: own, least, most });
        return [{ index, least, most }];
      }),
    );
    this.indexed = job.tasks.map((task, index) => ({
      task,
      slots: slotsOf(task.minutes),
      room: rooms.indexOf(task.room),
      before: before[index] ?? [],
      after: after[index] ?? [],
      who: bitsOf(task.pin?.who ?? []),
    }));
  }

  /** The number of a task. */
  indexOf(id: string): number | undefined {
    return this.number.get(id);
  }

  /**
   * The plan of an order: the first task of it whose predecessors are placed comes next.
   * @param weight slots of start that one slot of set-up is worth where there are several gaps
   * @returns nothing where a task finds no place in the time looked ahead
   */
  place(order: readonly number[], weight = 0): SitePlan | undefined {
    const found = this.held(order, NOTHING_HELD, weight);
    return 'kind' in found ? undefined : found;
  }

  /** The plan of an order with some tasks held where they were, or what does not fit. */
  held(order: readonly number[], held: ReadonlyMap<number, Hold>, weight = 0): SitePlan | Failed {
    // Where a coat closes before the next can be laid, the one before is laid later.
    const notBefore = new Int32Array(this.indexed.length);
    for (let attempt = 0; attempt < ATTEMPTS; attempt += 1) {
      const tried = new Attempt(this, this.tables, notBefore, weight);
      const failed = tried.all(order, held);
      if (failed === undefined) return tried.plan();
      if (failed.kind !== 'later') return failed;
      if (held.has(failed.index)) return { kind: 'held', index: failed.index };
      notBefore[failed.index] = failed.from;
    }
    return NOWHERE;
  }
}

/** How often an order is tried again with a coat laid later. */
const ATTEMPTS = 12;

interface Tables {
  /** Who is at work in each slot, a bit for each. */
  readonly busy: Int32Array;
  /** Of each room, the task in each slot: its number and one, or nothing. */
  readonly inRoom: readonly Int16Array[];
  /** Slots from here on were not touched: what a job takes is a small part of the time looked ahead. */
  used: number;
}

/** Where a spray task fits between others. */
interface Gap {
  readonly start: number;
  /** Who can spray there, and who can be on it, as bits. */
  readonly leads: number;
  readonly others: number;
  /** Slots of set-up it adds. */
  readonly extra: number;
}

const isFixed = ({ task }: Indexed): boolean => task.running === true || task.pin?.start !== undefined;

/** One try at placing all tasks. */
class Attempt {
  private readonly busy: Int32Array;
  private readonly inRoom: readonly Int16Array[];
  private readonly starts: Int32Array;
  private readonly ends: Int32Array;
  private readonly sprayerOf: Int8Array;
  private readonly people: (readonly number[])[];
  /** Sprays of a sprayer on a day, in their order. */
  private readonly days: readonly Map<number, Sprayed[]>[];
  private readonly times: Calendar;
  /** Whether the cleaning after the last spray of a day has its place: not while what was known before is put back. */
  private cleans = false;

  constructor(
    private readonly placer: Placer,
    private readonly tables: Tables,
    private readonly notBefore: Int32Array,
    private readonly weight: number,
  ) {
    const { times, sprayers } = placer.job;
    this.times = times;
    const { busy, inRoom, used } = tables;
    this.busy = busy.fill(0, 0, used);
    this.inRoom = inRoom;
    for (const room of inRoom) room.fill(0, 0, used);
    tables.used = 0;
    const count = placer.indexed.length;
    this.starts = new Int32Array(count).fill(-1);
    this.ends = new Int32Array(count).fill(-1);
    this.sprayerOf = new Int8Array(count).fill(-1);
    this.people = new Array<readonly number[]>(count).fill([]);
    this.days = Array.from({ length: sprayers }, () => new Map<number, Sprayed[]>());
  }

  private at(index: number): Indexed {
    return this.placer.indexed[index] as Indexed;
  }
  private startOf(index: number): number {
    return this.times.at[this.starts[index] as number] as number;
  }
  private endOf(index: number): number {
    return this.times.endOf(this.ends[index] as number);
  }

  all(order: readonly number[], held: ReadonlyMap<number, Hold>): Failed | undefined {
    const failed = this.fixed(order, held);
    if (failed) return failed;
    const waiting = order.filter((index) => (this.starts[index] as number) < 0);
    while (waiting.length > 0) {
      const place = waiting.findIndex((index) =>
        this.at(index).before.every((one) => (this.ends[one.index] as number) >= 0),
      );
      // Wishes in a circle: nothing of what is left can be first.
      if (place < 0) return NOWHERE;
      const [index = 0] = waiting.splice(place, 1);
      const late = this.one(index, held);
      if (late) return late;
    }
    return undefined;
  }

  /** What is begun, what somebody put somewhere, and what stays where it was, in this order; spray tasks before the work by hand. */
  private fixed(order: readonly number[], held: ReadonlyMap<number, Hold>): Failed | undefined {
    const when = (index: number) => this.at(index).task.pin?.start ?? held.get(index)?.start ?? 0;
    const rank = (index: number) => {
      const one = this.at(index);
      return (one.task.running ? 0 : isFixed(one) ? 2 : 4) + (one.task.kind === 'spray' ? 0 : 1);
    };
    const all = order
      .filter((index) => isFixed(this.at(index)) || held.has(index))
      .sort((a, b) => rank(a) - rank(b) || when(a) - when(b) || a - b);
    for (const index of all) {
      const { task } = this.at(index);
      if (task.running) {
        this.force(index);
        continue;
      }
      const hold = held.get(index);
      const start = this.times.slotFrom(when(index));
      const fits =
        this.times.at[start] === when(index) &&
        (task.notBefore === undefined || when(index) >= task.notBefore);
      const done =
        fits &&
        (task.kind === 'hand'
          ? this.byHand(index, start, start, hold)
          : this.bySprayer(index, start, start, hold));
      if (!done) return isFixed(this.at(index)) ? NOWHERE : { kind: 'held', index };
    }
    const unclean = this.cleanDays();
    if (unclean !== undefined) return isFixed(this.at(unclean)) ? NOWHERE : { kind: 'held', index: unclean };
    for (const index of all) {
      for (const { index: other, least, most } of this.at(index).before) {
        if ((this.starts[other] as number) < 0 || this.at(index).task.running) continue;
        const [start, end] = [this.startOf(index), this.endOf(other)];
        if (start >= end + least && start <= end + most) continue;
        return held.has(index) && !isFixed(this.at(index)) ? { kind: 'held', index } : NOWHERE;
      }
    }
    return undefined;
  }

  /** What is begun goes on, whatever is in its way. */
  private force(index: number): void {
    const { task, slots, who } = this.at(index);
    const start = this.times.slotFrom(Math.max(task.pin?.start ?? 0, this.times.times.from));
    const end = Math.min(this.times.slots, start + slots);
    const there = this.times.there[start] ?? 1;
    const people = this.chosen(who | (there & ~who), who, task.people, index, start);
    if (task.kind === 'spray') {
      const free = this.days.findIndex(
        (days) => (days.get(this.times.dayOf[start] as number) ?? []).length === 0,
      );
      const sprayer = Math.max(0, free);
      const days = this.days[sprayer];
      const day = this.times.dayOf[start] as number;
      const lead = 1 << (people[0] ?? 0);
      days?.set(day, [...(days.get(day) ?? []), { index, start, end, setUp: 0, lead }]);
      this.sprayerOf[index] = sprayer;
    }
    this.take(index, start, end, people);
  }

  /** Gives the cleaning of each day its place; says after which spray there is none. */
  private cleanDays(): number | undefined {
    this.cleans = true;
    for (const days of this.days)
      for (const all of days.values()) {
        const last = all[all.length - 1];
        if (!last) continue;
        const until = this.cleanedBy(last.start, last.end);
        const whole = until - last.end === slotsOf(SET_UPS.clean);
        const free = (this.free(last.end, until) & last.lead) !== 0;
        if (!(whole && free) && !this.at(last.index).task.running) return last.index;
        this.work(last.end, until, last.lead, true);
      }
    return undefined;
  }

  /** The slot the cleaning after a spray task ends with: of a task that is begun, as much of it as the day has left. */
  private cleanedBy(start: number, end: number): number {
    return Math.max(end, Math.min(this.times.dayEnd[start] as number, end + slotsOf(SET_UPS.clean)));
  }

  private one(index: number, held: ReadonlyMap<number, Hold>): Failed | undefined {
    const { task, before, after } = this.at(index);
    let earliest = Math.max(
      this.notBefore[index] as number,
      task.notBefore === undefined ? 0 : this.times.slotFrom(task.notBefore),
    );
    let latest = Infinity;
    let tightest = -1;
    for (const { index: other, least, most } of before) {
      const end = this.endOf(other);
      earliest = Math.max(earliest, this.times.slotFrom(end + least));
      if (end + most < latest) [latest, tightest] = [end + most, other];
    }
    const last = this.times.slots - 1;
    const done =
      task.kind === 'hand' ? this.byHand(index, earliest, last) : this.bySprayer(index, earliest, last);
    if (!done) return NOWHERE;
    const start = this.startOf(index);
    // The coat before closed: it is laid as much later as this one came too late.
    if (start > latest) return this.later(tightest, start - latest, held);
    for (const { index: next, least, most } of after) {
      if ((this.starts[next] as number) < 0 || this.at(next).task.running) continue;
      const [end, begins] = [this.endOf(index), this.startOf(next)];
      if (begins < end + least) return isFixed(this.at(next)) ? NOWHERE : { kind: 'held', index: next };
      if (begins > end + most) return this.later(index, begins - (end + most), held);
    }
    return undefined;
  }

  private later(index: number, by: number, held: ReadonlyMap<number, Hold>): Failed {
    const from = this.times.slotFrom(this.startOf(index) + by);
    if (isFixed(this.at(index)) || from >= this.times.slots) return NOWHERE;
    return held.has(index) ? { kind: 'held', index } : { kind: 'later', index, from };
  }

  /** Who is free in all of some slots, as bits. */
  private free(from: number, to: number): number {
    const { there } = this.times;
    let free = -1;
    for (let slot = from; slot < to && free !== 0; slot += 1)
      free &= (there[slot] as number) & ~(this.busy[slot] as number);
    return free;
  }

  /**
   * Who of the free is on a task: who has to be, then who was before, then who worked until it begins, so that nobody is left with a
   * piece of a day.
   */
  private chosen(
    free: number,
    who: number,
    count: number,
    index: number,
    start: number,
    usual: readonly number[] = [],
  ): readonly number[] {
    const found: number[] = [];
    const add = (bits: number) => {
      for (let person = 0; found.length < count && bits >> person !== 0; person += 1)
        if ((bits & (1 << person)) !== 0 && !found.includes(person)) found.push(person);
    };
    add(who & free);
    for (const person of usual) if ((free & (1 << person)) !== 0) add(1 << person);
    if (found.length >= count) return found;
    const before = start > 0 && this.times.dayStart[start] !== start ? (this.busy[start - 1] as number) : 0;
    const inRoom = this.inRoom[this.at(index).room]?.[start - 1] ?? 0;
    if (inRoom > 0) add(free & bitsOf(this.people[inRoom - 1] ?? []));
    add(free & before);
    add(free);
    return found;
  }

  /** The first slot after what is in the way of a task in its room, or the start itself where nothing is. */
  private roomFrom(index: number, from: number, to: number): number {
    const { task, room } = this.at(index);
    const inRoom = this.inRoom[room] as Int16Array;
    for (let slot = to - 1; slot >= from; slot -= 1) {
      if ((inRoom[slot] as number) !== 0) return slot + 1;
      if (this.times.isClosed(task.room, this.times.dayOf[slot] as number)) return slot + 1;
    }
    // Mist of what was sprayed before keeps others out, and this one's mist what comes after; its own team sprays on.
    const { at } = this.times;
    const start = at[from] as number;
    for (let slot = from - 1; slot >= 0 && (at[slot] as number) + SLOT + MIST > start; slot -= 1) {
      const other = (inRoom[slot] as number) - 1;
      if (other >= 0 && this.at(other).task.kind === 'spray' && task.kind === 'hand')
        return this.times.slotFrom((at[slot] as number) + SLOT + MIST);
    }
    if (task.kind === 'spray') {
      const end = this.times.endOf(to) + MIST;
      for (let slot = to; slot < at.length && (at[slot] as number) < end; slot += 1) {
        const other = (inRoom[slot] as number) - 1;
        if (other >= 0 && this.at(other).task.kind === 'hand') return this.ends[other] as number;
      }
    }
    return from;
  }

  /** Puts work by hand at the first slot from one to another at which it fits. */
  private byHand(index: number, earliest: number, latest: number, hold?: Hold): boolean {
    const { task, slots, who } = this.at(index);
    const last = Math.min(latest, this.times.slots - slots);
    for (let start = earliest; start <= last;) {
      const free = this.roomFrom(index, start, start + slots);
      if (free > start) {
        start = free;
        continue;
      }
      const there = this.free(start, start + slots);
      if (enough(there, who, task.people)) {
        const people = this.chosen(there, who, task.people, index, start, hold?.people);
        this.take(index, start, start + slots, people);
        return true;
      }
      start += 1;
    }
    return false;
  }

  private take(index: number, start: number, end: number, people: readonly number[]): void {
    this.starts[index] = start;
    this.ends[index] = end;
    this.people[index] = people;
    const inRoom = this.inRoom[this.at(index).room] as Int16Array;
    for (let slot = start; slot < end; slot += 1) inRoom[slot] = index + 1;
    this.work(start, end, bitsOf(people), true);
  }

  /** Somebody is at work in some slots, or no longer. */
  private work(from: number, to: number, who: number, on: boolean): void {
    if (to > this.tables.used) this.tables.used = to;
    for (let slot = from; slot < to; slot += 1)
      this.busy[slot] = on ? (this.busy[slot] as number) | who : (this.busy[slot] as number) & ~who;
  }

  /** The best place for a spray task over all sprayers: the least of its start and what its set-ups cost. */
  private bySprayer(index: number, earliest: number, latest: number, hold?: Hold): boolean {
    let best: { cost: number; gap: Gap; sprayer: number } | undefined;
    this.days.forEach((_days, sprayer) => {
      if (hold?.sprayer !== undefined && hold.sprayer !== sprayer) return;
      const found = this.gapFor(index, sprayer, [earliest, latest], best?.cost ?? Infinity);
      if (found && (!best || found.cost < best.cost)) best = { ...found, sprayer };
    });
    if (!best) return false;
    this.insert(index, best.sprayer, best.gap, hold);
    return true;
  }

  private gapFor(
    index: number,
    sprayer: number,
    [earliest, latest]: readonly [number, number],
    most: number,
  ): { readonly cost: number; readonly gap: Gap } | undefined {
    const { slots } = this.at(index);
    const last = Math.min(latest, this.times.slots - slots);
    let best: { cost: number; gap: Gap } | undefined;
    for (let start = earliest; start <= last; start += 1) {
      // Set-ups only add to it.
      if (start >= Math.min(most, best?.cost ?? Infinity)) break;
      if ((this.times.dayEnd[start] as number) < start + slots) {
        start = (this.times.dayEnd[start] as number) - 1;
        continue;
      }
      const free = this.roomFrom(index, start, start + slots);
      if (free > start) {
        start = free - 1;
        continue;
      }
      if (!this.isDry(index, start, start + slots)) continue;
      const gap = this.fits(index, sprayer, start);
      if (!gap) continue;
      const cost = start + this.weight * gap.extra;
      if (!best || cost < best.cost) best = { cost, gap };
    }
    return best;
  }

  private isDry(index: number, start: number, end: number): boolean {
    const { rainFast } = this.at(index).task;
    if (rainFast === undefined) return true;
    return this.times.isDry(this.times.at[start] as number, this.times.endOf(end) + rainFast);
  }

  /** The sprays on a sprayer's day beside a start: the one before and the one after. */
  private beside(sprayer: number, start: number) {
    const all = this.days[sprayer]?.get(this.times.dayOf[start] as number) ?? [];
    const place = all.findIndex((one) => one.start > start);
    const after = place < 0 ? undefined : all[place];
    const before = place < 0 ? all[all.length - 1] : all[place - 1];
    return { all, before, after, place: place < 0 ? all.length : place };
  }

  /** Slots of set-up before a spray task that comes after another on its sprayer that day, or first on it. */
  private setUp(
    before: Pick<Sprayed, 'index'> | undefined,
    index: number,
    sprayer: number,
    start: number,
  ): number {
    const { loaded } = this.placer.job;
    const first = this.times.dayOf[start] === this.times.dayOf[0] ? loaded?.[sprayer] : undefined;
    return slotsOf(setUpBetween(before ? this.at(before.index).task : first, this.at(index).task));
  }

  /** How a spray task fits at a start, with its set-up, that of the next and the cleaning; nothing where it does not. */
  private fits(index: number, sprayer: number, start: number): Gap | undefined {
    const { task, slots, who } = this.at(index);
    const { before, after } = this.beside(sprayer, start);
    const end = start + slots;
    if (after && after.start < end) return undefined;
    const own = this.setUp(before, index, sprayer, start);
    const from = start - own;
    const dayStart = this.times.dayStart[start] as number;
    if (from < (before ? before.end : dayStart)) return undefined;
    const clean = this.cleans ? slotsOf(SET_UPS.clean) : 0;
    const others = this.free(start, end);
    if (!after) {
      if (end + clean > (this.times.dayEnd[start] as number)) return undefined;
      this.cleaning(before, false);
      const there = before ? this.free(start, end) : others;
      const leads = enough(there, who, task.people)
        ? ledBy(there & this.free(from, start) & this.free(end, end + clean), who, task.people)
        : 0;
      this.cleaning(before, true);
      return leads === 0 ? undefined : { start, leads, others: there, extra: own + (before ? 0 : clean) };
    }
    if (!enough(others, who, task.people)) return undefined;
    const next = this.setUp({ index }, after.index, sprayer, after.start);
    if (after.start - next < end) return undefined;
    // The set-up of the next is another one now.
    this.work(after.start - after.setUp, after.start, after.lead, false);
    let found: Gap | undefined;
    if ((this.free(after.start - next, after.start) & after.lead) !== 0) {
      this.work(after.start - next, after.start, after.lead, true);
      const there = this.free(start, end);
      const leads = enough(there, who, task.people)
        ? ledBy(there & this.free(from, start), who, task.people)
        : 0;
      this.work(after.start - next, after.start, after.lead, false);
      if (leads !== 0) found = { start, leads, others: there, extra: own + next - after.setUp };
    }
    this.work(after.start - after.setUp, after.start, after.lead, true);
    return found;
  }

  /** Who is on a spray task: who sprays can set up before and, where it is the last, clean after; nothing where who has to be on it cannot. */
  private team(index: number, { start, leads, others }: Gap, hold?: Hold): readonly number[] {
    const { task, who } = this.at(index);
    const usual = hold?.people;
    // Who has to be on it sprays where that can be.
    const [lead = 0] = this.chosen(leads, who, 1, index, start, usual);
    const rest = [others & ~(1 << lead), who & ~(1 << lead)] as const;
    return [lead, ...this.chosen(...rest, task.people - 1, index, start, usual)];
  }

  /** The cleaning after what is the last spray of a day has its place, or gives it up. */
  private cleaning(last: Pick<Sprayed, 'start' | 'end' | 'lead'> | undefined, on: boolean): void {
    if (last && this.cleans) this.work(last.end, this.cleanedBy(last.start, last.end), last.lead, on);
  }

  private insert(index: number, sprayer: number, gap: Gap, hold?: Hold): void {
    const { start } = gap;
    const people = this.team(index, gap, hold);
    const { slots } = this.at(index);
    const { all, before, after, place } = this.beside(sprayer, start);
    const end = start + slots;
    const lead = 1 << (people[0] ?? 0);
    const one: Sprayed = { index, start, end, lead, setUp: this.setUp(before, index, sprayer, start) };
    if (after) {
      this.work(after.start - after.setUp, after.start, after.lead, false);
      after.setUp = this.setUp(one, after.index, sprayer, after.start);
      this.work(after.start - after.setUp, after.start, after.lead, true);
    } else {
      this.cleaning(before, false);
      this.cleaning({ start, end, lead }, true);
    }
    this.work(start - one.setUp, start, lead, true);
    all.splice(place, 0, one);
    this.days[sprayer]?.set(this.times.dayOf[start] as number, all);
    this.sprayerOf[index] = sprayer;
    this.take(index, start, end, people);
  }

  plan(): SitePlan {
    const setUps = new Map<number, number>();
    let [setUpMinutes, flushes, moves, sprayedDays] = [0, 0, 0, 0];
    for (const days of this.days)
      for (const all of days.values()) {
        sprayedDays += 1;
        setUpMinutes += SET_UPS.clean;
        all.forEach((one, place) => {
          setUps.set(one.index, one.setUp * SLOT);
          setUpMinutes += one.setUp * SLOT;
          const before = all[place - 1];
          if (!before) return;
          const [a, b] = [this.at(before.index).task, this.at(one.index).task];
          if (a.fluid?.coating !== b.fluid?.coating) flushes += 1;
          if (isMoved(a, b)) moves += 1;
        });
      }
    const placed = this.placer.indexed.map(({ task }, index): Placed => {
      const sprayer = this.sprayerOf[index] as number;
      return {
        task: task.id,
        start: this.startOf(index),
        end: this.endOf(index),
        people: this.people[index] ?? [],
        ...(sprayer < 0 ? {} : { sprayer }),
        setUp: setUps.get(index) ?? 0,
      };
    });
    return {
      placed,
      finish: Math.max(0, ...placed.map(({ end }) => end)),
      personMinutes: this.placer.indexed.reduce(
        (sum, { task, slots }) => sum + slots * SLOT * task.people,
        setUpMinutes,
      ),
      ...{ flushes, moves, sprayedDays },
    };
  }
}

/** Who of some can lead: where all who are on it are said, one of those. */
function ledBy(leads: number, who: number, wanted: number): number {
  let said = 0;
  for (let bits = who; bits !== 0; bits &= bits - 1) said += 1;
  return said >= wanted ? leads & who : leads;
}

/** Whether of the free there are so many, with all who have to be among them. */
function enough(free: number, who: number, wanted: number): boolean {
  if ((free & who) !== who) return false;
  let left = wanted;
  // `free` has bits of people who are not there, too, only where nobody is: those were taken off with `there`.
  for (let bits = free; bits !== 0 && left > 0; bits &= bits - 1) left -= 1;
  return left <= 0;
}
