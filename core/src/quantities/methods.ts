import { explain, given, workingDefault, type Explained, type Input } from '../explain';
import { SET_UPS } from '../sequence/tasks';
import { UNITS } from '../units';
import { LOSSES } from './losses';

/** How paint can be put on. */
export const METHODS = ['spray', 'roll', 'fed roll'] as const;
export type Method = (typeof METHODS)[number];
export const METHOD_NAMES: Readonly<Record<Method, string>> = {
  spray: 'Spray',
  roll: 'Roller and tray',
  'fed roll': 'Roller fed by the pump',
};

const HOUR = 3600;
/** How far a working rate may be off. */
const RANGE = 0.4;
const rate = (label: string, perHour: number, kind: 'areaRate' | 'lineRate'): Input =>
  workingDefault(label, kind, perHour / HOUR, (perHour * (1 - RANGE)) / HOUR, (perHour * (1 + RANGE)) / HOUR);

/** One person, a coat; cutting in along edges with a brush. Source: method.md, "Hours by method". */
const ROLLED = {
  roll: rate('Roller and tray', 18, 'areaRate'),
  'fed roll': rate('Roller fed by the pump', 35, 'areaRate'),
} as const;
const CUTTING_IN = rate('Cutting in', 15, 'lineRate');

/** Share of the paint that is lost on the way, besides what a surface takes: in trays, on sleeves and as spatter. */
const LOST = {
  roll: workingDefault('Lost in rolling', 'percent', 0.03, 0.02, 0.05),
  'fed roll': workingDefault('Lost in rolling', 'percent', 0.06, 0.04, 0.09),
} as const;

/** Paint that stays in the pump for good once it is flushed. */
const PUMP: Input = (() => {
  const { likely, low, high } = LOSSES.pumpFillLitres;
  const left = 1 - LOSSES.pumpedBack.likely;
  return workingDefault(
    'Left in the pump',
    'volume',
    (likely * left) / 1000,
    (low * left) / 1000,
    (high * left) / 1000,
  );
})();

/** What walls and ceilings of a room, or of a job, take: for all their coats. */
export interface MethodWork {
  /** Area times coats, m². */
  readonly area: number;
  /** Edges that are cut in, times coats, m. */
  readonly run: number;
  /** Paint that ends on the surfaces, m³. */
  readonly laid: number;
  /** Paint through the gun by the plan, m³. */
  readonly sprayed: number;
  /** Hours of spraying, of masking and covering with taking off again, and of covering the floor alone. */
  readonly spraying: Input;
  readonly masking: Input;
  readonly covering: Input;
}

/** A way to do it. */
export interface MethodAnswer {
  readonly method: Method;
  /** Of one person. */
  readonly hours: Explained;
  readonly paint: Explained;
  /** What covering and the machine take of the hours, whatever the area, s. */
  readonly before: number;
}

const machine = (what: string, minutes: number): Input => {
  const time = minutes * 60;
  return workingDefault(what, 'duration', time, time * (1 - RANGE), time * (1 + RANGE));
};

/** Hours and paint of each way to put it on, with their ranges: for one person, as many coats each way. */
export function methodsFor(work: MethodWork): readonly MethodAnswer[] {
  const { spraying, masking, covering } = work;
  const area = given('Area of all coats', 'area', work.area, 'Take-off and systems');
  const run = given('Edges of all coats', 'run', work.run, 'Take-off and systems');
  const set = machine('Filling, and cleaning at the end', SET_UPS.load + SET_UPS.clean);
  const laid = given('Paint that stays on', 'volume', work.laid, 'Plan of the job');
  const none = (kind: 'duration' | 'volume') => given('No machine', kind, 0, 'Roller and tray');
  const rolled = (method: 'roll' | 'fed roll', filling: Input, pump: Input): MethodAnswer => ({
    method,
    hours: explain(
      'hours by method',
      'duration',
      { area, rate: ROLLED[method], run, cutting: CUTTING_IN, covering, filling },
      (v) => v.area / v.rate + v.run / v.cutting + v.covering + v.filling,
    ),
    paint: explain(
      'paint by method',
      'volume',
      { laid, lost: LOST[method], pump },
      (v) => v.laid / (1 - v.lost) + v.pump,
    ),
    before: covering.value + filling.value,
  });
  const sprayed: MethodAnswer = {
    method: 'spray',
    hours: explain(
      'hours by method',
      'duration',
      { spraying, masking, set },
      (v) => v.spraying + v.masking + v.set,
    ),
    paint: explain(
      'paint by method',
      'volume',
      { sprayed: given('Paint through the gun', 'volume', work.sprayed, 'Plan of the job'), pump: PUMP },
      (v) => v.sprayed + v.pump,
    ),
    before: masking.value + set.value,
  };
  return [sprayed, rolled('roll', none('duration'), none('volume')), rolled('fed roll', set, PUMP)];
}

/**
 * From how much area of coats on one way is quicker than another, m²: what it takes before is made up for by its speed. Masking is taken
 * to grow with the room, not with the coats.
 * @returns nothing where it never is, or always
 */
export function breakEven(quicker: MethodAnswer, other: MethodAnswer, area: number): number | undefined {
  const each = (one: MethodAnswer) => (one.hours.value - one.before) / area;
  const [gain, more] = [each(other) - each(quicker), quicker.before - other.before];
  return area > 0 && gain > 0 && more > 0 ? more / gain : undefined;
}

/** Hours in words are for people; money is for who pays: s and m³ at a price each. */
export const methodCost = ({ hours, paint }: MethodAnswer, hour: number, litre: number): number =>
  (hours.value / HOUR) * hour + (paint.value / UNITS.L.factor) * litre;
