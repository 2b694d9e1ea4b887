import type { Calendar } from './calendar';
import { MIST, SET_UPS, SLOT, setUpBetween, slotsOf, type SiteTask } from './tasks';

/** A task with its place in time, and the sprayer it is done with. Minutes from the first midnight, by the clock on the wall. */
export interface Placed {
  readonly task: string;
  readonly start: number;
  readonly end: number;
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
}

/** Tasks by their number, with what is asked of them again and again. */
interface Indexed {
  readonly task: SiteTask;
  readonly slots: number;
  readonly before: readonly { readonly index: number; readonly least: number; readonly most: number }[];
  readonly room: number;
}

interface Sprayed {
  readonly index: number;
  readonly start: number;
  readonly end: number;
  setUp: number;
}

/**
 * Places tasks one after the other, each as early as everything allows, spray tasks also into gaps between others: the set-up of the one
 * that follows and the cleaning at the end of the day are priced again. Serial schedule generation (Kelley 1963), with insertion.
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
      busy: new Int8Array(slots),
      inRoom: rooms.map(() => new Int16Array(slots)),
    };
    this.number = new Map(job.tasks.map(({ id }, index) => [id, index]));
    this.indexed = job.tasks.map((task) => ({
      task,
      slots: slotsOf(task.minutes),
      room: rooms.indexOf(task.room),
      before: task.after.flatMap(({ task: id, least, most = Infinity }) => {
        const index = this.number.get(id);
        return index === undefined ? [] : [{ index, least, most }];
      }),
    }));
  }

  /**
   * The plan of an order: the first task of it whose predecessors are placed comes next.
   * @param weight slots of start that one slot of set-up is worth where there are several gaps
   * @returns nothing where a task finds no place in the time looked ahead
   */
  place(order: readonly number[], weight = 0): SitePlan | undefined {
    // Where a coat closes before the next can be laid, the one before is laid later.
    const notBefore = new Int32Array(this.indexed.length);
    for (let attempt = 0; attempt < ATTEMPTS; attempt += 1) {
      const tried = new Attempt(this, this.tables, notBefore, weight);
      const late = tried.all(order);
      if (late === 'nowhere') return undefined;
      if (late === undefined) return tried.plan();
      notBefore[late.index] = late.from;
    }
    return undefined;
  }
}

/** How often an order is tried again with a coat laid later. */
const ATTEMPTS = 12;

interface Late {
  readonly index: number;
  readonly from: number;
}

interface Tables {
  /** People at work in each slot. */
  readonly busy: Int8Array;
  /** Of each room, the task in each slot: its number and one, or nothing. */
  readonly inRoom: readonly Int16Array[];
}

/** One try at placing all tasks. */
class Attempt {
  private readonly busy: Int8Array;
  private readonly inRoom: readonly Int16Array[];
  private readonly starts: Int32Array;
  private readonly ends: Int32Array;
  private readonly sprayerOf: Int8Array;
  /** Sprays of a sprayer on a day, in their order. */
  private readonly days: readonly Map<number, Sprayed[]>[];
  private readonly times: Calendar;

  constructor(
    private readonly placer: Placer,
    { busy, inRoom }: Tables,
    private readonly notBefore: Int32Array,
    private readonly weight: number,
  ) {
    const { times, sprayers } = placer.job;
    this.times = times;
    this.busy = busy.fill(0);
    this.inRoom = inRoom;
    for (const room of inRoom) room.fill(0);
    const count = placer.indexed.length;
    this.starts = new Int32Array(count).fill(-1);
    this.ends = new Int32Array(count).fill(-1);
    this.sprayerOf = new Int8Array(count).fill(-1);
    this.days = Array.from({ length: sprayers }, () => new Map<number, Sprayed[]>());
  }

  private at(index: number): Indexed {
    return this.placer.indexed[index] as Indexed;
  }

  all(order: readonly number[]): Late | 'nowhere' | undefined {
    const waiting = [...order];
    while (waiting.length > 0) {
      const place = waiting.findIndex((index) =>
        this.at(index).before.every((one) => (this.ends[one.index] as number) >= 0),
      );
      // Wishes in a circle: nothing of what is left can be first.
      if (place < 0) return 'nowhere';
      const [index = 0] = waiting.splice(place, 1);
      const failed = this.one(index);
      if (failed) return failed;
    }
    return undefined;
  }

  private one(index: number): Late | 'nowhere' | undefined {
    const { task, before } = this.at(index);
    let earliest = Math.max(
      this.notBefore[index] as number,
      task.notBefore === undefined ? 0 : this.times.slotFrom(task.notBefore),
    );
    let latest = Infinity;
    let tightest = -1;
    for (const { index: other, least, most } of before) {
      const end = this.times.endOf(this.ends[other] as number);
      earliest = Math.max(earliest, this.times.slotFrom(end + least));
      if (end + most < latest) [latest, tightest] = [end + most, other];
    }
    const done = task.kind === 'hand' ? this.byHand(index, earliest) : this.bySprayer(index, earliest);
    if (!done) return 'nowhere';
    const start = this.times.at[this.starts[index] as number] as number;
    if (start <= latest) return undefined;
    // The coat before closed: it is laid as much later as this one came too late.
    const moved = this.times.slotFrom(
      (this.times.at[this.starts[tightest] as number] as number) + (start - latest),
    );
    return moved >= this.times.slots ? 'nowhere' : { index: tightest, from: moved };
  }

  private freePeople(from: number, to: number, wanted: number): boolean {
    for (let slot = from; slot < to; slot += 1)
      if ((this.times.people[slot] as number) - (this.busy[slot] as number) < wanted) return false;
    return true;
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

  private byHand(index: number, earliest: number): boolean {
    const { task, slots } = this.at(index);
    const last = this.times.slots - slots;
    for (let start = earliest; start <= last;) {
      const free = this.roomFrom(index, start, start + slots);
      if (free > start) {
        start = free;
        continue;
      }
      if (this.freePeople(start, start + slots, task.people)) {
        this.take(index, start, start + slots);
        return true;
      }
      start += 1;
    }
    return false;
  }

  private take(index: number, start: number, end: number): void {
    const { task, room } = this.at(index);
    this.starts[index] = start;
    this.ends[index] = end;
    const inRoom = this.inRoom[room] as Int16Array;
    for (let slot = start; slot < end; slot += 1) inRoom[slot] = index + 1;
    this.people(start, end, task.people);
  }

  private people(from: number, to: number, count: number): void {
    for (let slot = from; slot < to; slot += 1) this.busy[slot] = (this.busy[slot] as number) + count;
  }

  /** The best place for a spray task over all sprayers: the least of its start and what its set-ups cost. */
  private bySprayer(index: number, earliest: number): boolean {
    let best: { cost: number; start: number; sprayer: number } | undefined;
    this.days.forEach((_days, sprayer) => {
      const found = this.gapFor(index, sprayer, earliest, best?.cost ?? Infinity);
      if (found && (!best || found.cost < best.cost)) best = { ...found, sprayer };
    });
    if (!best) return false;
    const { start, sprayer } = best;
    this.insert(index, sprayer, start);
    return true;
  }

  private gapFor(index: number, sprayer: number, earliest: number, most: number) {
    const { slots } = this.at(index);
    const last = this.times.slots - slots;
    let best: { cost: number; start: number } | undefined;
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
      const extra = this.fits(index, sprayer, start);
      if (extra === undefined) continue;
      const cost = start + this.weight * extra;
      if (!best || cost < best.cost) best = { cost, start };
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

  private setUp(before: Sprayed | undefined, index: number): number {
    return slotsOf(setUpBetween(before && this.at(before.index).task, this.at(index).task));
  }

  /** Whether a spray task fits at a start, with its set-up, that of the next and the cleaning; and the slots of set-up it adds. */
  private fits(index: number, sprayer: number, start: number): number | undefined {
    const { task, slots } = this.at(index);
    const { before, after } = this.beside(sprayer, start);
    const end = start + slots;
    const own = this.setUp(before, index);
    const dayStart = this.times.dayStart[start] as number;
    const from = start - own;
    if (from < (before?.end ?? dayStart)) return undefined;
    const clean = slotsOf(SET_UPS.clean);
    const dayEnd = this.times.dayEnd[start] as number;
    if (after) {
      const next = this.setUp({ index, start, end, setUp: own }, after.index);
      if (after.start - next < end) return undefined;
      // The set-up of the next is another one now.
      this.people(after.start - after.setUp, after.start, -1);
      const fit =
        this.freePeople(from, start, 1) &&
        this.freePeople(start, end, task.people) &&
        this.freePeople(after.start - next, after.start, 1);
      this.people(after.start - after.setUp, after.start, 1);
      return fit ? own + next - after.setUp : undefined;
    }
    if (end + clean > dayEnd) return undefined;
    if (before) this.people(before.end, before.end + clean, -1);
    const fit =
      this.freePeople(from, start, 1) &&
      this.freePeople(start, end, task.people) &&
      this.freePeople(end, end + clean, 1);
    if (before) this.people(before.end, before.end + clean, 1);
    return fit ? own + (before ? 0 : clean) : undefined;
  }

  private insert(index: number, sprayer: number, start: number): void {
    const { slots } = this.at(index);
    const { all, before, after, place } = this.beside(sprayer, start);
    const end = start + slots;
    const clean = slotsOf(SET_UPS.clean);
    const one: Sprayed = { index, start, end, setUp: this.setUp(before, index) };
    if (after) {
      this.people(after.start - after.setUp, after.start, -1);
      after.setUp = this.setUp(one, after.index);
      this.people(after.start - after.setUp, after.start, 1);
    } else {
      if (before) this.people(before.end, before.end + clean, -1);
      this.people(end, end + clean, 1);
    }
    this.people(start - one.setUp, start, 1);
    all.splice(place, 0, one);
    this.days[sprayer]?.set(this.times.dayOf[start] as number, all);
    this.sprayerOf[index] = sprayer;
    this.take(index, start, end);
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
          if (a.room !== b.room) moves += 1;
        });
      }
    const placed = this.placer.indexed.map(({ task }, index): Placed => {
      const sprayer = this.sprayerOf[index] as number;
      return {
        task: task.id,
        start: this.times.at[this.starts[index] as number] as number,
        end: this.times.endOf(this.ends[index] as number),
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
