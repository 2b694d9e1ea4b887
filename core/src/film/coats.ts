import { explain, chosen, given, type Explained, type Input } from '../explain';
import {
  accept,
  firstRefusal,
  of,
  refuse,
  within,
  type Fraction,
  type Length,
  type Result,
  type UnitSystem,
} from '../units';
import { dryForWet, wetForDry } from './film';

/** The two schools of build. */
export const BUILD_SCHOOLS = { lighter: 'Two or three lighter coats', full: 'One full coat' } as const;
export type BuildSchool = keyof typeof BUILD_SCHOOLS;

export interface CoatsRequest {
  /** Dry film wanted in all. */
  readonly dryTotal: Length;
  /** Dry film of one coat by the data sheet. */
  readonly dryPerCoat: Length;
  readonly sagLimit: Length;
  readonly solids: Input;
  readonly thinner: Fraction;
  readonly school: BuildSchool;
}

export interface Coats {
  readonly coats: Explained;
  readonly dryEach: number;
  readonly wetEach: number;
  readonly words: string;
}

const MOST_COATS = 12;

/** Largest dry film of one coat: the data sheet's (lighter coats), or what stays up at the sag limit (full coat). */
function largestDry({ dryPerCoat, sagLimit, thinner, school }: CoatsRequest, solids: number): number {
  const sags = dryForWet(sagLimit, solids as Fraction, thinner);
  return school === 'full' ? sags : Math.min(dryPerCoat, sags);
}

/** Coats that build a dry film, each under the sag limit, and the film of each. */
export function coatsNeeded(request: CoatsRequest, system: UnitSystem = 'metric'): Result<Coats> {
  const film = { min: of(1, 'μm'), max: of(5, 'mm') };
  const failed = firstRefusal(
    within(request.dryTotal, film, 'dryFilm', system, 'dryTotal', 'Dry film in all'),
    within(request.dryPerCoat, film, 'dryFilm', system, 'dryPerCoat', 'Dry film of a coat'),
    within(request.sagLimit, film, 'wetFilm', system, 'sagLimit', 'Sag limit'),
    within(request.solids.value, { min: 0.03, max: 1 }, 'percent', system, 'solids', 'Volume solids'),
    within(request.thinner, { min: 0, max: 0.5 }, 'percent', system, 'thinner', 'Thinner per paint'),
  );
  if (failed) return failed;
  const count = (school: BuildSchool, solids: number) =>
    Math.ceil(request.dryTotal / largestDry({ ...request, school }, solids) - 1e-9);
  const coats = explain(
    'coats needed',
    'count',
    {
      total: chosen('Dry film in all', 'dryFilm', request.dryTotal, 'Asked for'),
      sag: given('Sag limit', 'wetFilm', request.sagLimit, 'Coating'),
      solids: request.solids,
    },
    (v) => count(request.school, v.solids),
  );
  if (coats.value > MOST_COATS) {
    return refuse(
      'coats.many',
      'dryTotal',
      `That takes ${coats.value} coats of this coating. Choose one that builds more, or less film.`,
    );
  }
  const dryEach = (request.dryTotal / coats.value) as Length;
  const otherSchool = request.school === 'full' ? 'lighter' : 'full';
  const other = count(otherSchool, request.solids.value);
  return accept({
    coats,
    dryEach,
    wetEach: wetForDry(dryEach, request.solids.value as Fraction, request.thinner),
    words:
      other === coats.value
        ? 'Both schools of build come to the same number of coats.'
        : `${BUILD_SCHOOLS[otherSchool]} would be ${other}.`,
  });
}
