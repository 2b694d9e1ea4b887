import { explain, chosen, given, workingDefault, type Explained, type Input } from '../explain';
import {
  accept,
  firstRefusal,
  refuse,
  within,
  type Flow,
  type Length,
  type Result,
  type UnitSystem,
} from '../units';
import { orificeDiameter, type Tip } from './code';
import { GUN_DISTANCE_LIMITS, NOMINAL_DISTANCE, fanWidth } from './fan';

/** The reference state of wear, and the marks at which a tip is replaced. */
export const WEAR = {
  /** Narrowing of the fan at the reference, and the extra flow that goes with it. */
  narrowing: 0.25,
  extraFlow: 0.4,
  /** How far the extra flow for a given narrowing may differ, relative. */
  extraFlowRange: 0.3,
  /** Rise of the pressure an even fan needs at which a tip is replaced. */
  pressureRise: 0.2,
  /** Narrowing too small to project from, and the reading error of a tape on wet paint. */
  leastNarrowing: 0.05,
  tapeError: 0.005,
} as const;

/** Litres a tip lasts by abrasion class of the paint: working defaults with a wide spread. */
export const TIP_LIFE: Readonly<Record<AbrasionClass, { low: number; high: number }>> = {
  1: { low: 0.15, high: 0.4 },
  2: { low: 0.11, high: 0.23 },
  3: { low: 0.06, high: 0.12 },
};

export type AbrasionClass = 1 | 2 | 3;

/** What was measured on a worn tip: its fan, or its flow beside the flow when new at the same pressure. */
export type WearReading =
  | { readonly by: 'fan'; readonly width: Length; readonly distance?: Length }
  | { readonly by: 'flow'; readonly flow: Flow; readonly newFlow: Flow };

export interface Wear {
  /** Flow now over flow when new. */
  readonly flowRatio: number;
  /** Fan now over fan when new; by flow alone it is the width the reference goes with. */
  readonly widthRatio: number;
  readonly orifice: Explained;
  /** Film at the same gun speed and overlap, over the film of the new tip. */
  readonly filmRatio: Explained;
  /** Trigger time over an area at the same gun speed and overlap. */
  readonly timeRatio: Explained;
  readonly verdict: 'good' | 'watch' | 'replace';
  readonly words: string;
}

const flowForNarrowing = (widthRatio: number, extra: number) =>
  1 + (extra * Math.max(0, 1 - widthRatio)) / WEAR.narrowing;

/** Share of the wear allowed that a width ratio has used up. */
const used = (widthRatio: number) => Math.max(0, 1 - widthRatio) / WEAR.narrowing;

const VERDICTS = {
  good: 'The fan is as wide as it should be.',
  watch: 'The fan has narrowed. Measure it again soon and keep a new tip at hand.',
  replace: 'The fan is 25 % narrower or more: replace the tip. A higher pump setting only hides it.',
} as const;

function verdictFor(widthRatio: number): Wear['verdict'] {
  if (widthRatio <= 1 - WEAR.narrowing + 1e-9) return 'replace';
  return widthRatio <= 1 - WEAR.narrowing / 2 ? 'watch' : 'good';
}

const RATIO_LIMITS = { fan: { min: 0.2, max: 1.1 }, flow: { min: 0.9, max: 4 } } as const;

/** A width ratio as taped on the wall, with the error of the tape on a fan that was `fresh` wide when new. */
function measuredWidth(ratio: number, fresh: Length): Input {
  const error = WEAR.tapeError / fresh;
  return {
    ...given('Fan now over fan when new', 'factor', ratio, 'Measured on the wall'),
    low: ratio - error,
    high: ratio + error,
  };
}

/** Ratios of flow and width from the reading, refused where they cannot belong to this tip. */
function ratios(tip: Tip, reading: WearReading, system: UnitSystem): Result<{ flow: Input; width: Input }> {
  const extra = [1 - WEAR.extraFlowRange, 1, 1 + WEAR.extraFlowRange].map((k) => k * WEAR.extraFlow);
  const [low = 0, likely = 0, high = 0] = extra;
  if (reading.by === 'fan') {
    const distance = reading.distance ?? NOMINAL_DISTANCE;
    const checked = within(distance, GUN_DISTANCE_LIMITS, 'distance', system, 'distance', 'Gun distance');
    if (!checked.ok) return checked;
    const fresh = fanWidth(tip.fan, distance);
    const bounds = { min: fresh * RATIO_LIMITS.fan.min, max: fresh * RATIO_LIMITS.fan.max };
    const width = within(reading.width, bounds, 'fanWidth', system, 'width', 'Fan width of this tip');
    if (!width.ok) return width;
    const ratio = width.value / fresh;
    return accept({
      width: measuredWidth(ratio, fresh),
      flow: workingDefault(
        'Flow now over flow when new',
        'factor',
        flowForNarrowing(ratio, likely),
        flowForNarrowing(ratio, low),
        flowForNarrowing(ratio, high),
        '25 % narrower goes with about 40 % more flow',
      ),
    });
  }
  const limits = { min: 1e-7, max: 1e-3 };
  const failed = firstRefusal(
    within(reading.newFlow, limits, 'flow', system, 'newFlow', 'Flow when new'),
    within(reading.flow, limits, 'flow', system, 'flow', 'Flow now'),
  );
  if (failed) return failed;
  const ratio = reading.flow / reading.newFlow;
  if (ratio < RATIO_LIMITS.flow.min || ratio > RATIO_LIMITS.flow.max) {
    return refuse(
      'wear.flow',
      'flow',
      `A worn tip gives more paint than a new one, up to about four times. Both flows must be taken at the same pressure with the same paint.`,
    );
  }
  const narrowed = (extraFlow: number) => 1 - (WEAR.narrowing * Math.max(0, ratio - 1)) / extraFlow;
  return accept({
    flow: given('Flow now over flow when new', 'factor', ratio, 'Measured at the same pressure'),
    width: workingDefault(
      'Fan now over fan when new',
      'factor',
      Math.max(RATIO_LIMITS.fan.min, narrowed(likely)),
      Math.max(RATIO_LIMITS.fan.min, narrowed(low)),
      Math.max(RATIO_LIMITS.fan.min, narrowed(high)),
      '40 % more flow goes with a fan about 25 % narrower',
    ),
  });
}

/**
 * What a worn tip has become, from its measured fan or flow: the round orifice it is equal to, the film it lays
 * and the time it takes at the same gun speed and overlap, and whether to replace it.
 * @returns a refusal for a width or flow that cannot belong to this tip
 */
export function wornTip(tip: Tip, reading: WearReading, system: UnitSystem = 'metric'): Result<Wear> {
  const found = ratios(tip, reading, system);
  if (!found.ok) return found;
  const { flow, width } = found.value;
  const fresh = chosen('Orifice when new', 'orifice', orificeDiameter(tip), 'Tip code');
  const verdict = verdictFor(width.value);
  return accept({
    flowRatio: flow.value,
    widthRatio: width.value,
    orifice: explain('equivalent orifice', 'orifice', { fresh, flow }, (v) => v.fresh * Math.sqrt(v.flow)),
    filmRatio: explain('worn film', 'factor', { flow, width }, (v) => v.flow / v.width),
    timeRatio: explain('worn tip time', 'factor', { width }, (v) => 1 / v.width),
    verdict,
    words: VERDICTS[verdict],
  });
}

/** Litres a tip has sprayed, by abrasion class of the paint (m³). */
export type LitresByClass = Partial<Record<AbrasionClass, number>>;

const CLASSES: readonly AbrasionClass[] = [1, 2, 3];

/** The middle of a life that spreads over a factor: the geometric mean. */
function lifeInput(abrasion: AbrasionClass): Input {
  const { low, high } = TIP_LIFE[abrasion];
  return workingDefault(`Life with abrasion class ${abrasion}`, 'volume', Math.sqrt(low * high), low, high);
}

function checkLitres(litres: LitresByClass, system: UnitSystem): Result<number> {
  let sum = 0;
  for (const abrasion of CLASSES) {
    const one = within(
      litres[abrasion] ?? 0,
      { min: 0, max: 100 },
      'volume',
      system,
      `litres.${abrasion}`,
      'Paint through the tip',
    );
    if (!one.ok) return one;
    sum += one.value;
  }
  return accept(sum);
}

/**
 * What a tip still has in it, by litres: a spread, not a number. Shares of life add over abrasion classes.
 * @param next abrasion class of the paint to come
 */
export function litresLeft(
  litres: LitresByClass,
  next: AbrasionClass,
  system: UnitSystem = 'metric',
): Result<Explained> {
  const total = checkLitres(litres, system);
  if (!total.ok) return total;
  const lives = { 1: lifeInput(1), 2: lifeInput(2), 3: lifeInput(3) };
  const involved = CLASSES.filter((abrasion) => abrasion === next || (litres[abrasion] ?? 0) > 0);
  const inputs = Object.fromEntries(involved.map((abrasion) => [abrasion, lives[abrasion]]));
  const through = involved.map((abrasion) =>
    given(`Sprayed, class ${abrasion}`, 'volume', litres[abrasion] ?? 0, 'Log of this tip'),
  );
  const left = explain('litres left by wear class', 'volume', inputs, (v) => {
    const share = involved.reduce(
      (sum, abrasion) => sum + (litres[abrasion] ?? 0) / (v[abrasion] ?? Infinity),
      0,
    );
    return Math.max(0, (v[next] ?? 0) * (1 - share));
  });
  return accept({ ...left, low: Math.max(0, left.low), inputs: [...left.inputs, ...through] });
}

/**
 * What a tip still has in it, by its measured fan: trusted over litres alone.
 * @returns a refusal while the fan has narrowed too little to project from
 */
export function litresLeftByFan(
  tip: Tip,
  width: Length,
  sprayed: number,
  system: UnitSystem = 'metric',
): Result<Explained> {
  const wear = wornTip(tip, { by: 'fan', width }, system);
  if (!wear.ok) return wear;
  const litres = within(
    sprayed,
    { min: 1e-4, max: 100 },
    'volume',
    system,
    'litres',
    'Paint through the tip',
  );
  if (!litres.ok) return litres;
  if (1 - wear.value.widthRatio < WEAR.leastNarrowing) {
    return refuse(
      'wear.early',
      'width',
      'The fan has hardly narrowed yet: nothing to project from. Go by litres and measure again later.',
    );
  }
  return accept(
    explain(
      'litres left by fan',
      'volume',
      {
        width: measuredWidth(wear.value.widthRatio, fanWidth(tip.fan, NOMINAL_DISTANCE)),
        litres: given('Sprayed so far', 'volume', litres.value, 'Log of this tip'),
      },
      (v) => Math.max(0, v.litres * (1 / Math.max(used(v.width), 0.04) - 1)),
    ),
  );
}

/** Whether the pressure an even fan needs has risen so far that the tip is worn, whatever its fan. */
export function wornByPressure(needed: number, whenNew: number): boolean {
  return needed >= whenNew * (1 + WEAR.pressureRise) - 1e-9;
}
