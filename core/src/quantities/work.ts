import { explain, given, workingDefault, type Explained } from '../explain';
import type { JobCovering } from './covering';

/** How fast a crew works, one person each; the company puts its own. Source of the defaults: method.md, "Working rates". */
export const WORK_RATES = {
  maskingLine: { name: 'Masking line', unit: 'm/h', usual: 60, per: 'hour' },
  floorCover: { name: 'Floor cover', unit: 'm²/h', usual: 60, per: 'hour' },
  fittings: { name: 'Windows and fittings masked', unit: 'in an hour', usual: 10, per: 'hour' },
  doors: { name: 'Doors racked', unit: 'in an hour', usual: 12, per: 'hour' },
  move: { name: 'Moving the machine', unit: 'min each', usual: 10, per: 'piece' },
  flush: { name: 'Flush for a colour', unit: 'min each', usual: 25, per: 'piece' },
  baseChange: { name: 'Change of base', unit: 'min each', usual: 45, per: 'piece' },
  cleanUp: { name: 'Clean-up at the end of a day', unit: 'min each', usual: 40, per: 'piece' },
} as const;
export type WorkRate = keyof typeof WORK_RATES;
export const WORK_RATE_IDS = Object.keys(WORK_RATES) as WorkRate[];
export type WorkRates = Readonly<Record<WorkRate, number>>;

export const USUAL_RATES: WorkRates = Object.fromEntries(
  WORK_RATE_IDS.map((id) => [id, WORK_RATES[id].usual]),
) as Record<WorkRate, number>;

/** Rates of a person: slower or faster is a slip of the hand. */
export const RATE_LIMITS = { min: 0.1, max: 1000 } as const;

/** Share of the spraying time during which the trigger is open. */
export const TRIGGER_SHARE = workingDefault('Trigger time of spraying time', 'percent', 0.55, 0.45, 0.65);
/** How far a working rate may be off, relative. */
const RATE_RANGE = 0.25;

/** What there is to do on a job. */
export interface JobWork {
  /** Trigger open for all coats, s. */
  readonly trigger: number;
  readonly protection: JobCovering;
  /** Coats a room is moved into for, all rooms together. */
  readonly moves: number;
  readonly flushes: number;
  readonly baseChanges: number;
  readonly days: number;
}

export const TASKS = {
  spraying: 'Spraying',
  masking: 'Masking and covering',
  doors: 'Racking doors',
  moving: 'Moving the machine',
  flushing: 'Flushing',
  cleaning: 'Cleaning up',
} as const;
export type Task = keyof typeof TASKS;

/** Hours of work of a job by task, s, each with its range. */
export function workOf(work: JobWork, rates: WorkRates): Readonly<Record<Task, Explained>> {
  const { protection } = work;
  const rate = (id: WorkRate) => {
    const value = rates[id];
    return {
      ...workingDefault(
        WORK_RATES[id].name,
        'count',
        value,
        value * (1 - RATE_RANGE),
        value * (1 + RATE_RANGE),
      ),
      label: `${WORK_RATES[id].name}, ${WORK_RATES[id].unit}`,
      source: value === WORK_RATES[id].usual ? 'Working rate' : "The company's own rate",
      basis: value === WORK_RATES[id].usual ? ('default' as const) : ('history' as const),
    };
  };
  const counted = (label: string, value: number) => given(label, 'count', value, 'Take-off of the job');
  const HOUR = 3600;
  const MINUTE = 60;
  return {
    spraying: explain(
      'hours of spraying',
      'duration',
      {
        trigger: given('Trigger time', 'trigger', work.trigger, 'Set-up cards of the job'),
        share: TRIGGER_SHARE,
      },
      (v) => v.trigger / v.share,
    ),
    masking: explain(
      'hours of masking',
      'duration',
      {
        line: given('Masking line', 'size', protection.maskingLine, 'Take-off of the job'),
        lineRate: rate('maskingLine'),
        floor: given('Floor cover', 'area', protection.floorCover, 'Take-off of the job'),
        floorRate: rate('floorCover'),
        fittings: counted('Windows and fittings', protection.fittings),
        fittingsRate: rate('fittings'),
      },
      (v) => HOUR * (v.line / v.lineRate + v.floor / v.floorRate + v.fittings / v.fittingsRate),
    ),
    doors: explain(
      'hours by count',
      'duration',
      { doors: counted('Doors', protection.doors), rate: rate('doors') },
      (v) => (HOUR * v.doors) / v.rate,
    ),
    moving: explain(
      'hours by time each',
      'duration',
      { moves: counted('Moves', work.moves), each: rate('move') },
      (v) => MINUTE * v.moves * v.each,
    ),
    flushing: explain(
      'hours by time each',
      'duration',
      {
        flushes: counted('Colour flushes', work.flushes),
        flush: rate('flush'),
        changes: counted('Changes of base', work.baseChanges),
        change: rate('baseChange'),
      },
      (v) => MINUTE * (v.flushes * v.flush + v.changes * v.change),
    ),
    cleaning: explain(
      'hours by time each',
      'duration',
      { days: counted('Days', work.days), each: rate('cleanUp') },
      (v) => MINUTE * v.days * v.each,
    ),
  };
}

/** Working hours of a day. */
const DAY = 7.5 * 3600;

/** Days that so much work takes a crew, at least one where there is any. */
export function daysOf(seconds: number, people: number): number {
  return seconds > 0 ? Math.max(1, Math.ceil(seconds / (DAY * people))) : 0;
}

/** How often hose and pump change colour and base when coatings are sprayed base by base. */
export function changesOf(bases: readonly ('water' | 'solvent')[]): { flushes: number; baseChanges: number } {
  const both = new Set(bases).size > 1;
  return { flushes: Math.max(0, bases.length - 1 - (both ? 1 : 0)), baseChanges: both ? 1 : 0 };
}
