import type { FilmStatistics, SimulationResult } from '@fine-spray/core';
import { contours } from 'd3-contour';

/** What a film is called at a place, thinnest first. */
export const BANDS = ['bare', 'thin', 'on target', 'heavy', 'over the sag limit'] as const;
export type Band = (typeof BANDS)[number];

export interface FilmBand {
  readonly band: Band;
  /** Outline of everything from this band up, in metres, y upwards, as an SVG path. */
  readonly path: string;
}

/** What the screen shows of a simulation. */
export interface FilmPictureData {
  readonly statistics: FilmStatistics;
  readonly paint: SimulationResult['paint'];
  readonly bands: readonly FilmBand[];
  readonly width: number;
  readonly height: number;
}

const DECIMALS = 3;

/** Film a fifth over what is wanted is heavy; a fifth of the least film is bare. */
export const HEAVY = 1.2;
export const BARE = 0.2;

/**
 * Turns the film on a grid into bands between thresholds, as SVG paths in metres: thin from a fifth of the least film,
 * on target from the least film, heavy from a fifth over the film wanted, then over the sag limit.
 */
export function filmBands(
  { grid, statistics, paint }: SimulationResult,
  limits: { readonly minimum: number; readonly wanted: number; readonly sagLimit: number },
): FilmPictureData {
  const { columns, rows, cell, film } = grid;
  const from: readonly (readonly [Band, number])[] = [
    ['thin', BARE * limits.minimum],
    ['on target', limits.minimum],
    ['heavy', Math.min(HEAVY * limits.wanted, limits.sagLimit)],
    ['over the sag limit', limits.sagLimit],
  ];
  const outline = contours().size([columns, rows]).smooth(true);
  const text = (value: number) => String(Number((value * cell).toFixed(DECIMALS)));
  const values = Array.from(film);
  const bands = from.map(([band, threshold]): FilmBand => {
    const { coordinates } = outline.contour(values, threshold);
    const path = coordinates
      .flatMap((polygon) =>
        polygon.map((ring) => `M${ring.map(([x = 0, y = 0]) => `${text(x)} ${text(rows - y)}`).join('L')}Z`),
      )
      .join('');
    return { band, path };
  });
  return { statistics, paint, bands, width: columns * cell, height: rows * cell };
}
