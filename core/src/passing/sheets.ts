import { layPasses, passesOf, pieceOf, type Direction } from '../passes';
import type { PieceGeometry } from '../takeoff';
import { isLapped, isTextured } from './habits';
import type { SurfacePart } from './parts';
import { COURSE, fanWords, type Ground, type LaidStage } from './stage';
import { stretchesOf } from './stretches';

/** Boards that lap: from where the gun is held to the piece, so that what faces away in one coat faces it in the next. */
function lappedWords(coat: number): string {
  return coat % 2 === 0
    ? 'Stand to the left of where the fan lands, gun tipped up a little: undersides and left sides of the boards first.'
    : 'Now from the right, gun tipped up a little: what faced away in the coat before faces the gun.';
}

/** The passes of the card on a flat piece, crosswise in every second coat of textured ground. */
function field({ element, kind, settings, coat }: Ground, geometry: PieceGeometry) {
  const crossed = coat % 2 === 1 && element === 'wall' && isTextured(kind);
  if (!crossed) return passesOf(geometry, element, settings);
  const piece = pieceOf(geometry);
  const direction: Direction = { kind: 'up and down' };
  const laid = layPasses(piece, settings, { direction, edgesFirst: false });
  return {
    piece,
    ...laid,
    reason: 'Across the coat before: hollows that one way missed are met from the other.',
  };
}

/** A wall or closed fence: its passes, or the stretches that are sprayed and rolled. */
export function wallStages(ground: Ground, { name, piece: geometry }: SurfacePart): readonly LaidStage[] {
  const { kind, coat, rolled, settings, crew } = ground;
  const laid = field(ground, geometry);
  const lapped = isLapped(kind) ? [lappedWords(coat)] : [];
  const alike = geometry.count;
  if (!rolled || coat > 0) {
    const how = [fanWords(laid.passes), laid.reason, ...lapped, COURSE];
    return [{ name, how, pieces: [laid.piece], passes: laid.passes, alike }];
  }
  const stretches = stretchesOf(laid.piece, settings, crew);
  return stretches.map(({ piece }, index): LaidStage => {
    const direction: Direction = { kind: 'angle', angle: laid.angle };
    const { passes } = layPasses(piece, settings, { direction, edgesFirst: false });
    const before = stretches[index - 1];
    return {
      name: stretches.length > 1 ? `${name}, stretch ${index + 1} of ${stretches.length}` : name,
      how: [fanWords(passes), laid.reason, ...lapped, COURSE],
      ...(before && crew === 'alone'
        ? {
            before: {
              text: 'Gun down, trigger locked. Roll the stretch while it is wet.',
              time: before.rolling,
            },
          }
        : before
          ? { before: { text: 'On, a roller behind: the next stretch laps into the wet edge.' } }
          : {}),
      pieces: [piece],
      ...(stretches.length > 1 ? { whole: laid.piece } : {}),
      passes,
      alike: index === 0 ? alike : 1,
    };
  });
}

/** A ceiling: a wall overhead, its rows across the sight. */
export function ceilingStages(ground: Ground, { name, piece: geometry }: SurfacePart): readonly LaidStage[] {
  return wallStages(ground, { name, piece: geometry }).map((stage) => ({
    ...stage,
    how: [
      fanWords(stage.passes),
      'Rows across the line of sight from the window or door: laps along the view would show.',
      'Begin where the light comes from and walk back to the way out, each row in the wet edge of the last.',
      'Arm out, gun square to the ceiling, the body turning with it.',
      COURSE,
    ],
  }));
}
