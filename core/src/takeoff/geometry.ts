import {
  accept,
  firstRefusal,
  quantity,
  refuse,
  showText,
  within,
  type Area,
  type Length,
  type Result,
  type UnitSystem,
} from '../units';

export const OPENING_KINDS = ['door', 'window', 'other'] as const;
export type OpeningKind = (typeof OPENING_KINDS)[number];

/** A group of equal openings; lengths in metres. */
export interface Opening {
  readonly id: string;
  readonly kind: OpeningKind;
  readonly width: number;
  readonly height: number;
  readonly count: number;
}

/** A rectangle, or a gable end: `height` at the eaves and `ridge` at the top. `count` equal pieces. Lengths in metres. */
export interface SurfaceGeometry {
  readonly shape: 'rectangle' | 'gable';
  readonly width: number;
  readonly height: number;
  readonly ridge?: number | undefined;
  readonly count: number;
  readonly openings: readonly Opening[];
}

/** Limits of what a house holds; beyond them a size is a slip of the hand. Metres. */
export const SIZE_LIMITS = { min: 0.02, max: 100 } as const;
export const OPENING_LIMITS = { min: 0.05, max: 30 } as const;
export const COUNT_LIMIT = 500;

/** Usual sizes a new opening starts from, metres. */
export const USUAL_OPENINGS: Readonly<Record<OpeningKind, { width: number; height: number }>> = {
  door: { width: 0.9, height: 2.1 },
  window: { width: 1.2, height: 1.2 },
  other: { width: 1, height: 1 },
};

export interface AreaBreakdown {
  readonly gross: Area;
  readonly openings: Area;
  readonly net: Area;
}

function checkCount(count: number, least: number, field: string, label: string): Result<number> {
  if (Number.isInteger(count) && count >= least && count <= COUNT_LIMIT) return accept(count);
  return refuse('number.count', field, `${label} must be a whole number from ${least} to ${COUNT_LIMIT}.`);
}

function grossArea({ shape, width, height, ridge = height, count }: SurfaceGeometry): number {
  const one = shape === 'gable' ? (width * (height + ridge)) / 2 : width * height;
  return one * count;
}

/**
 * Area to paint: gross less openings. Refuses sizes that are no sizes, an opening that is larger than
 * the piece it is in, and openings that together leave nothing.
 */
export function measure(geometry: SurfaceGeometry, system: UnitSystem = 'metric'): Result<AreaBreakdown> {
  const size = (value: number, limits: { min: number; max: number }, field: string, label: string) =>
    within(value, limits, 'size', system, field, label);
  const checks: Result<number>[] = [
    size(geometry.width, SIZE_LIMITS, 'geometry.width', 'Width'),
    size(geometry.height, SIZE_LIMITS, 'geometry.height', 'Height'),
    checkCount(geometry.count, 1, 'geometry.count', 'Number of pieces'),
  ];
  const top = geometry.shape === 'gable' ? (geometry.ridge ?? geometry.height) : geometry.height;
  if (geometry.shape === 'gable') {
    checks.push(
      size(top, { min: geometry.height, max: SIZE_LIMITS.max }, 'geometry.ridge', 'Height at the ridge'),
    );
  }
  geometry.openings.forEach((opening, index) => {
    const name = opening.kind === 'other' ? 'Opening' : opening.kind === 'door' ? 'Door' : 'Window';
    const at = `geometry.openings.${index}`;
    checks.push(
      size(opening.width, OPENING_LIMITS, `${at}.width`, `${name} width`),
      size(opening.height, OPENING_LIMITS, `${at}.height`, `${name} height`),
      checkCount(opening.count, 0, `${at}.count`, 'Number of openings'),
    );
  });
  const failed = firstRefusal(...checks);
  if (failed) return failed;

  for (const [index, opening] of geometry.openings.entries()) {
    if (opening.count === 0) continue;
    const tooWide = opening.width > geometry.width;
    if (tooWide || opening.height > top) {
      const field = `geometry.openings.${index}.${tooWide ? 'width' : 'height'}`;
      const limit = showText(tooWide ? geometry.width : top, 'size', system);
      return refuse(
        'opening.larger',
        field,
        `This ${opening.kind === 'other' ? 'opening' : opening.kind} is ${tooWide ? 'wider' : 'higher'} than the surface it is in (${limit}).`,
      );
    }
  }
  const gross = grossArea(geometry);
  const openings = geometry.openings.reduce(
    (sum, { width, height, count }) => sum + width * height * count,
    0,
  );
  if (openings >= gross) {
    return refuse(
      'openings.cover',
      'geometry.openings',
      `The openings (${showText(openings, 'area', system)}) leave nothing of the surface (${showText(gross, 'area', system)}). Take one out or make the surface larger.`,
    );
  }
  return accept({
    gross: quantity<Area>(gross),
    openings: quantity<Area>(openings),
    net: quantity<Area>(gross - openings),
  });
}

/** The smaller side of one piece: a fan wider than it sprays past the edge. */
export function narrowSide({ width, height }: SurfaceGeometry): Length {
  return quantity(Math.min(width, height));
}
