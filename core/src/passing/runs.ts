import { layPasses, passesOf, planBars, type Direction } from '../passes';
import { boxOf, type Piece } from '../shape';
import { extentOf, rectangle } from '../takeoff';
import { quantity, type Length } from '../units';
import type { SurfacePart } from './parts';
import { COURSE, LEVEL, UPRIGHT, USUAL_CASING, type Ground, type LaidStage } from './stage';

/** The strips of a casing round an opening of a size, the head first. */
function casingStage(ground: Ground, part: SurfacePart): LaidStage | undefined {
  const { width = 0, height = 0, casing = USUAL_CASING } = part.sizes ?? {};
  if (!(width > 0 && height > 0 && casing > 0)) return undefined;
  const around = part.item === 'window';
  const head = rectangle(-casing, height, width + 2 * casing, casing);
  const legs = [rectangle(-casing, 0, casing, height), rectangle(width, 0, casing, height)];
  const sill = around ? [rectangle(-casing, -casing, width + 2 * casing, casing)] : [];
  const pieces = [head, ...legs, ...sill].map((outline): Piece => ({ outline, openings: [] }));
  const passes = pieces.flatMap((piece) => {
    const { left, right, low, high } = boxOf(piece.outline);
    const direction: Direction = { kind: high - low > right - left ? 'up and down' : 'across' };
    return layPasses(piece, ground.settings, { direction, edgesFirst: false }).passes;
  });
  return {
    name: part.name,
    how: [
      `Head first, then the legs from the top down${around ? ', the foot last' : ''}.`,
      'Turn the tip a quarter between head and legs: the fan stays across the board.',
      COURSE,
    ],
    pieces,
    passes,
    alike: part.piece.count,
  };
}

/** Trim, fascia, gutters: along their length, from above and from below. */
export function runStage(ground: Ground, part: SurfacePart): LaidStage {
  const casing = part.casing ? casingStage(ground, part) : undefined;
  if (casing) return casing;
  const laid = passesOf(part.piece, ground.element, ground.settings);
  const two = laid.passes.length > 1;
  return {
    name: part.name,
    how: [
      two
        ? 'First along the top, the gun tipped down onto the top edge; back along the foot, tipped up into it.'
        : 'One pass along the middle: tip the gun so that the top edge gets its share, then the foot.',
      'Walk with the gun: the hand stays, the feet go.',
      COURSE,
    ],
    pieces: [laid.piece],
    passes: laid.passes,
    alike: part.piece.count,
  };
}

/** Bars that are drawn of a row. */
const DRAWN = 8;
/** Between bars, where nobody has measured it, m. */
const GAP = 0.1;
const GIRTH = 0.5;

/** Bars in a row: all of them from one side, then all of them from the next. */
export function barStages(ground: Ground, part: SurfacePart): readonly LaidStage[] {
  const { width, height } = extentOf(part.piece);
  const upright = height >= width;
  const girth = Math.min(width, height);
  const usual = ground.element === 'spindles' ? 0.035 : 0.055;
  const face = girth <= GIRTH ? girth / 4 : usual;
  const count = Math.min(DRAWN, part.piece.count);
  const bars = {
    kind: upright ? ('spindles' as const) : ('rails' as const),
    count,
    length: quantity<Length>(Math.max(width, height)),
    face: quantity<Length>(face),
    gap: quantity<Length>(GAP),
  };
  const plan = planBars(bars, ground.settings);
  if (!plan.ok) return [];
  const pitch = face + GAP;
  const pieces = Array.from({ length: count }, (_unused, index): Piece => {
    const place = (index + 0.5) * pitch - face / 2;
    const outline = upright ? rectangle(place, 0, face, bars.length) : rectangle(0, place, bars.length, face);
    return { outline, openings: [] };
  });
  return plan.value.parts.map(({ name, how, passes }, index) => ({
    name: `${part.name}: ${name}`,
    how: [
      `${how}.`,
      upright ? LEVEL : UPRIGHT,
      ...(index === 0
        ? ['An equal share from each of the four sides: a quarter of the film each time.']
        : []),
    ],
    pieces,
    passes,
    alike: Math.max(1, Math.ceil(part.piece.count / count)),
    ...(index === 2 ? { before: { text: 'Walk round to the other side.' } } : {}),
  }));
}

/** Upright bars before those that lie on and under them. */
export const uprightFirst = (parts: readonly SurfacePart[]): readonly SurfacePart[] => {
  const stands = ({ piece }: SurfacePart) => {
    const { width, height } = extentOf(piece);
    return height >= width ? 0 : 1;
  };
  return [...parts].sort((a, b) => stands(a) - stands(b));
};
