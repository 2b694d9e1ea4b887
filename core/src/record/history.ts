import { coatingValues, fitSlopes, type Coating, type FittedSlopes } from '../coating';
import { workingDefault, type Explained, type Input } from '../explain';
import type { SetupHistory } from '../setup';
import { transferEfficiency, type Element, type Side, type Wind } from '../takeoff';
import type { TipFamily } from '../tip';
import { quantity, type Result } from '../units';
import { entriesOf, type LogEntry } from './entries';
import { wetByCoat } from './film';
import { learnedInput, learnedValue } from './learn';

/** Relative spread of one reading: a coat's transfer, and a dialled-in pressure. */
const SPREAD = { transfer: 0.12, pressure: 0.06 } as const;

export interface Learned {
  readonly value: Explained;
  readonly readings: number;
}

/** Transfer efficiency of a kind of work as the log has it: film on the wall over paint through the gun, coat by coat. */
export function learnedTransfer(
  log: readonly LogEntry[],
  { element, side, wind }: { readonly element: Element; readonly side: Side; readonly wind: Wind },
): Learned {
  const { likely, low, high } = transferEfficiency(element, side, wind);
  const prior = workingDefault('Transfer efficiency', 'percent', likely, low, high);
  const sprayed = entriesOf(log, 'sprayed');
  const readings = entriesOf(log, 'coat finished')
    .filter(
      (coat) => coat.element === element && coat.side === side && (side === 'inside' || coat.wind === wind),
    )
    .flatMap(({ surface, coat, trueArea }) => {
      const wet = wetByCoat(log, surface).find((one) => one.coat === coat)?.wet;
      const volume = sprayed
        .filter((entry) => entry.surface === surface && entry.coat === coat)
        .reduce((sum, entry) => sum + entry.volume, 0);
      return wet !== undefined && volume > 0 ? [(trueArea * wet) / volume] : [];
    });
  const value = learnedValue(prior, readings, SPREAD.transfer);
  return {
    value: { ...value, value: Math.min(1, value.value), high: Math.min(1, value.high) },
    readings: readings.length,
  };
}

/** Even-fan pressure over the heuristic's, for a coating and a tip family, from the set-ups confirmed. */
export function learnedPressure(
  log: readonly LogEntry[],
  { coating, family }: { readonly coating: string; readonly family: TipFamily },
): Learned {
  const prior = workingDefault('Even-fan pressure over the heuristic', 'factor', 1, 0.8, 1.2);
  const readings = entriesOf(log, 'set-up confirmed')
    .filter((entry) => entry.coating === coating && entry.family === family && entry.expected > 0)
    .map(({ pressure, expected }) => pressure / expected);
  return { value: learnedValue(prior, readings, SPREAD.pressure), readings: readings.length };
}

/** How thinner and cold change a coating, from the viscosity records of the crew. */
export function learnedSlopes(
  log: readonly LogEntry[],
  coating: string,
  sheet: Coating,
): Result<FittedSlopes> {
  const readings = entriesOf(log, 'viscosity')
    .filter((entry) => entry.coating === coating)
    .map(({ viscosity, temperature, thinner }) => ({ viscosity, temperature, thinner }));
  return fitSlopes(quantity(coatingValues(sheet).viscosityLowShear), readings);
}

export interface HistoryQuery {
  readonly element: Element;
  readonly side: Side;
  readonly wind: Wind;
  readonly coating: string;
  readonly family: TipFamily;
}

/** What the log changes in the next set-up: nothing where it is silent, so that the defaults stand and say so. */
export function historyFor(log: readonly LogEntry[], query: HistoryQuery): SetupHistory {
  const transfer = learnedTransfer(log, query);
  const pressure = learnedPressure(log, query);
  const input = (label: string, { value, readings }: Learned, of: string): Input | undefined =>
    readings === 0 ? undefined : learnedInput({ label }, value, readings, of);
  return {
    transfer: input('Transfer efficiency', transfer, 'coat'),
    evenFan: input('Even-fan pressure over the heuristic', pressure, 'test card'),
  };
}
