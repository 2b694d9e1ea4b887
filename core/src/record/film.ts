import { coatingInput, type Coating } from '../coating';
import { explain, given, type Explained, type Input } from '../explain';
import { dryForWet } from '../film';
import { quantity } from '../units';
import type { CoatRecord, SiteRecord } from './sheet';

/** A coat a comb was read on. */
export type CombedCoat = CoatRecord & { readonly wet: number };

export interface FilmAchieved {
  readonly surface: string;
  /** Dry film of all coats: what a dry gauge read of those before it, and by the combs what each of the others left. */
  readonly dry: Explained;
  readonly coats: readonly CombedCoat[];
}

/** When the first comb of a coat was read. */
const combedAt = ({ combs, heard }: CombedCoat): number => combs[0]?.at ?? heard.at;

/**
 * Film achieved on a surface; nothing where neither comb nor gauge was logged, or a coating that was combed has gone. Each coat
 * leaves its own solids.
 */
export function filmAchieved(
  record: SiteRecord,
  surface: string,
  coatings: Readonly<Record<string, Coating>>,
): FilmAchieved | undefined {
  const coats = record
    .coatsOf(surface)
    .flatMap((coat): CombedCoat[] => (coat.wet === undefined ? [] : [{ ...coat, wet: coat.wet }]))
    .sort((one, other) => combedAt(one) - combedAt(other) || one.coat - other.coat);
  const gauge = record.of('dry gauge').findLast((entry) => entry.surface === surface);
  const since = coats.filter((coat) => !gauge || combedAt(coat) > gauge.at);
  if (!gauge && since.length === 0) return undefined;
  const inputs: Record<string, Input> = gauge
    ? { gauge: given('Dry gauge', 'dryFilm', gauge.dry, 'Site log') }
    : {};
  for (const [index, coat] of since.entries()) {
    const coating = coatings[coat.coating];
    if (!coating) return undefined;
    const name = `${coating.name}, coat ${coat.coat}`;
    inputs[`solids ${coat.coating}`] = coatingInput(coating, 'volumeSolids');
    inputs[`wet ${index}`] = given(`Wet film of ${name}`, 'wetFilm', coat.wet, 'Combs in the site log');
    inputs[`thinner ${index}`] = given(`Thinner per paint in ${name}`, 'percent', coat.thinner, 'Site log');
  }
  return {
    surface,
    coats,
    dry: explain('dry film logged', 'dryFilm', inputs, (v) =>
      since.reduce(
        (sum, { coating }, index) =>
          sum +
          dryForWet(
            quantity(v[`wet ${index}`] ?? 0),
            quantity(v[`solids ${coating}`] ?? 0),
            quantity(v[`thinner ${index}`] ?? 0),
          ),
        v['gauge'] ?? 0,
      ),
    ),
  };
}
