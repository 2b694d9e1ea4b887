import type { LiveFilm } from '@fine-spray/core/practice';
import type { CellBox } from '@fine-spray/core/simulation';
import type { Palette } from '@/ui/theme/theme';
import { BARE, HEAVY } from '@/workers/filmBands';

type Tone = readonly [number, number, number];

const toneOf = (hex: string): Tone => [
  parseInt(hex.slice(1, 3), 16),
  parseInt(hex.slice(3, 5), 16),
  parseInt(hex.slice(5, 7), 16),
];
const mixed = (a: Tone, b: Tone, share: number): Tone => [
  a[0] + share * (b[0] - a[0]),
  a[1] + share * (b[1] - a[1]),
  a[2] + share * (b[2] - a[2]),
];

/** Tones of the bands, and what their marks are drawn with. */
export interface FilmTones {
  readonly wall: Tone;
  readonly wet: Tone;
  readonly tint: Tone;
  readonly over: Tone;
  readonly overMark: Tone;
  readonly beside: Tone;
  readonly besidePainted: Tone;
  readonly lap: Tone;
}

export function tonesOf(palette: Palette): FilmTones {
  const [wall, tint, ground] = [palette.wall, palette['wet-tint'], palette.ground].map(toneOf) as [
    Tone,
    Tone,
    Tone,
  ];
  return {
    wall,
    tint,
    wet: toneOf(palette.wet),
    over: toneOf(palette['caution-tint']),
    overMark: toneOf(palette.caution),
    beside: ground,
    besidePainted: mixed(ground, tint, 0.6),
    lap: toneOf(palette.ink2),
  };
}

/** How much of the tone of a whole film the least one has: it deepens as it builds. */
const THIN_TONE = 0.75;

/** Cells from one dot or line of a pattern to the next. */
const DOTS = 4;
const LINES = 6;

/**
 * The tone of a cell: thin by dots, heavy by lines, over the sag limit by a hatch, a lap by short strokes; each is told without its
 * colour.
 */
function toneAt(film: LiveFilm, tones: FilmTones, index: number, column: number, row: number): Tone {
  const here = film.simulation.grid.film[index] as number;
  const { least, wanted, sag } = film.laid;
  if (film.mask[index] === 0) return here > BARE * least ? tones.besidePainted : tones.beside;
  if (film.wet.laps[index] === 1 && (column + 2 * row) % LINES < 2) return tones.lap;
  if (here > sag)
    return (column + row) % LINES === 0 || (column - row) % LINES === 0 ? tones.overMark : tones.over;
  if (here < BARE * least) return tones.wall;
  if (here < least) {
    const dot = column % DOTS === 0 && row % DOTS === 0;
    return dot ? tones.wet : mixed(tones.wall, tones.tint, (THIN_TONE * here) / least);
  }
  if (here > Math.min(HEAVY * wanted, sag)) return (column + row) % LINES === 0 ? tones.wet : tones.tint;
  return tones.tint;
}

/** Paints cells of a film into a picture of its grid, a pixel for each; the top row of the picture is the top of the piece. */
export function paintCells(picture: ImageData, film: LiveFilm, tones: FilmTones, box: CellBox): void {
  const { columns, rows } = film.simulation.grid;
  const { data } = picture;
  for (let row = box.bottom; row <= box.top; row += 1)
    for (let column = box.left; column <= box.right; column += 1) {
      const index = row * columns + column;
      const tone = toneAt(film, tones, index, column, row);
      const at = ((rows - 1 - row) * columns + column) * 4;
      data[at] = tone[0];
      data[at + 1] = tone[1];
      data[at + 2] = tone[2];
      data[at + 3] = 255;
    }
}

/** All cells of a film. */
export function wholeBox({ simulation: { grid } }: LiveFilm): CellBox {
  return { left: 0, right: grid.columns - 1, bottom: 0, top: grid.rows - 1 };
}
