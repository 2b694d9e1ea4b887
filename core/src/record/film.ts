import { coatingInput, type Coating } from '../coating';
import { explain, given, type Explained } from '../explain';
import { combVerdict, dryForWet, type CombInterval } from '../film';
import { quantity } from '../units';
import { entriesOf, type LogEntry } from './entries';

export interface FilmAchieved {
  readonly surface: string;
  /** Dry film of all coats: the dry gauge where there is one, else from the combs of each coat. */
  readonly dry: Explained;
  readonly coats: readonly { readonly coat: number; readonly wet: number; readonly readings: number }[];
}

/** Wet film of each coat of a surface by its combs. */
export function wetByCoat(log: readonly LogEntry[], surface: string): FilmAchieved['coats'] {
  const byCoat = new Map<number, CombInterval[]>();
  for (const { coat, readings, surface: where } of entriesOf(log, 'comb')) {
    if (where === surface) byCoat.set(coat, [...(byCoat.get(coat) ?? []), ...readings]);
  }
  return [...byCoat]
    .sort(([a], [b]) => a - b)
    .flatMap(([coat, readings]) => {
      const mean = combVerdict(readings, { wetFilm: quantity(1e-4) });
      return mean.ok ? [{ coat, wet: mean.value.mean.value, readings: readings.length }] : [];
    });
}

/** Film achieved on a surface; nothing where neither comb nor gauge was logged. */
export function filmAchieved(
  log: readonly LogEntry[],
  surface: string,
  coatings: Readonly<Record<string, Coating>>,
): FilmAchieved | undefined {
  const coats = wetByCoat(log, surface);
  const gauges = entriesOf(log, 'dry gauge').filter((entry) => entry.surface === surface);
  const gauge = gauges[gauges.length - 1];
  if (gauge) {
    const reading = given('Dry gauge', 'dryFilm', gauge.dry, 'Site log');
    return { surface, coats, dry: explain('dry film logged', 'dryFilm', { reading }, (v) => v.reading) };
  }
  const combs = entriesOf(log, 'comb').filter((entry) => entry.surface === surface);
  const first = combs[0];
  const coating = first && coatings[first.coating];
  if (!first || !coating || coats.length === 0) return undefined;
  const wet = coats.reduce((sum, one) => sum + one.wet, 0);
  const inputs = {
    wet: given('Wet film of all coats', 'wetFilm', wet, 'Combs in the site log'),
    solids: coatingInput(coating, 'volumeSolids'),
    r: given('Thinner per paint', 'percent', first.thinner, 'Site log'),
  };
  return {
    surface,
    coats,
    dry: explain('dry film logged', 'dryFilm', inputs, (v) =>
      dryForWet(quantity(v.wet), quantity(v.solids), quantity(v.r)),
    ),
  };
}
