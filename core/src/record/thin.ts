import { THIN } from '../film';
import type { CoatingCompared } from './actual';

/** A finished coat whose combs say that it is too thin, with nothing planned over it that would make up for it. */
export interface ThinCoat {
  readonly surface: string;
  readonly coating: string;
  readonly coat: number;
  /** By its combs, and as it was planned, m. */
  readonly wet: number;
  readonly wanted: number;
}

/** The coats of a job that came out too thin, where no coat of their coating is still to come on their surface. */
export function thinCoats(compared: readonly Pick<CoatingCompared, 'coats'>[]): readonly ThinCoat[] {
  const coats = compared.flatMap((one) => one.coats);
  const open = new Set(
    coats
      .filter(({ state }) => state !== 'done')
      .map(({ planned: { surface, coating } }) => `${surface} ${coating}`),
  );
  return coats.flatMap(({ planned, actual, state }): readonly ThinCoat[] => {
    const { surface, coating, coat, wet: wanted } = planned;
    const wet = actual?.wet;
    if (state !== 'done' || wet === undefined || wet >= THIN * wanted) return [];
    if (open.has(`${surface} ${coating}`)) return [];
    // A later coat that is done has made up for it, or is said itself.
    const later = coats.some(
      (one) => one.planned.surface === surface && one.planned.coating === coating && one.planned.coat > coat,
    );
    return later ? [] : [{ surface, coating, coat, wet, wanted }];
  });
}
