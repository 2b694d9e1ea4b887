import { filmOfLaid } from '../film';
import type { LiveFilm } from './live';

/** A place of a cut, m from its begin, and the film there; nothing where it is not on the piece. */
export interface CutPoint {
  readonly at: number;
  readonly film: number | undefined;
}

/**
 * The film along a line through a piece: upright at a distance from the left, or level at a height, m. It is the film that is left on the
 * true area, as its score has it.
 */
export function cutThrough(
  { simulation: { grid }, mask, target }: LiveFilm,
  line: { readonly x: number } | { readonly y: number },
): readonly CutPoint[] {
  const { columns, rows, cell, film } = grid;
  const { trueArea, soaks } = target.wall.job.ground ?? { trueArea: 1, soaks: 0 };
  const upright = 'x' in line;
  const inside = (value: number, most: number) => Math.min(most - 1, Math.max(0, Math.floor(value / cell)));
  const column = upright ? inside(line.x, columns) : 0;
  const row = upright ? 0 : inside(line.y, rows);
  return Array.from({ length: upright ? rows : columns }, (_unused, index): CutPoint => {
    const place = upright ? index * columns + column : row * columns + index;
    return {
      at: (index + 0.5) * cell,
      film: mask[place] === 1 ? filmOfLaid(trueArea, film[place] as number, soaks) : undefined,
    };
  });
}
