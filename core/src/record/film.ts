import { coatingInput, type Coating } from '../coating';
import { explain, given, type Explained } from '../explain';
import { dryForWet } from '../film';
import { quantity } from '../units';
import type { CoatRecord, SiteRecord } from './sheet';

export interface FilmAchieved {
  readonly surface: string;
  /** Dry film of all coats: the dry gauge where there is one, else from the combs of each coat. */
  readonly dry: Explained;
  readonly coats: readonly (CoatRecord & { readonly wet: number })[];
}

/** Film achieved on a surface; nothing where neither comb nor gauge was logged. */
export function filmAchieved(
  record: SiteRecord,
  surface: string,
  coatings: Readonly<Record<string, Coating>>,
): FilmAchieved | undefined {
  const coats = record
    .coatsOf(surface)
    .flatMap((coat) => (coat.wet === undefined ? [] : [{ ...coat, wet: coat.wet }]))
    .sort((one, other) => one.coat - other.coat);
  const gauge = record.of('dry gauge').findLast((entry) => entry.surface === surface);
  if (gauge) {
    const reading = given('Dry gauge', 'dryFilm', gauge.dry, 'Site log');
    return { surface, coats, dry: explain('dry film logged', 'dryFilm', { reading }, (v) => v.reading) };
  }
  const [first] = coats;
  const coating = first && coatings[first.coating];
  if (!first || !coating) return undefined;
  const inputs = {
    wet: given(
      'Wet film of all coats',
      'wetFilm',
      coats.reduce((sum, one) => sum + one.wet, 0),
      'Combs in the site log',
    ),
    solids: coatingInput(coating, 'volumeSolids'),
    r: given('Thinner per paint', 'percent', first.combs[0]?.thinner ?? 0, 'Site log'),
  };
  return {
    surface,
    coats,
    dry: explain('dry film logged', 'dryFilm', inputs, (v) =>
      dryForWet(quantity(v.wet), quantity(v.solids), quantity(v.r)),
    ),
  };
}
