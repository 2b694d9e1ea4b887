import { passesOf, planDoor, type PassSettings, type PlannedPart, type PlannedPass } from '../passes';
import type { Piece } from '../shape';
import { LEAF, extentOf, rectangle } from '../takeoff';
import { quantity } from '../units';
import type { SurfacePart } from './parts';
import { COURSE, LEVEL, USUAL_CASING, fanWords, type Ground, type LaidStage } from './stage';

/** Up to so thick a part of a leaf is its edges, m. */
const EDGE = 1.5 * LEAF;
const isEdge = ({ piece }: SurfacePart): boolean => {
  const { width, height } = extentOf(piece);
  return Math.min(width, height) <= EDGE;
};

const shapesOf = (width: number, height: number): Piece => ({
  outline: rectangle(0, 0, width, height),
  openings: [],
});

function leafParts(part: SurfacePart, settings: PassSettings, casing?: number): readonly PlannedPart[] {
  const { width, height } = extentOf(part.piece);
  const plan = planDoor(
    {
      width: quantity(width),
      height: quantity(height),
      panels: { rows: 0, columns: 0 },
      frame: quantity(Math.min(0.1, width / 4)),
      thickness: quantity(Math.min(LEAF, width / 4)),
      ...(casing === undefined ? {} : { casing: quantity(casing) }),
    },
    settings,
  );
  return plan.ok ? plan.value.parts : [];
}

/** A leaf with its edges: in the rack side by side, or where it hangs with its casing. */
function leafStages(ground: Ground, part: SurfacePart, edged: boolean): readonly LaidStage[] {
  const { settings, doors } = ground;
  const { width, height } = extentOf(part.piece);
  const leaves = edged ? Math.max(1, Math.round(part.piece.count / 2)) : part.piece.count;
  const hung = doors === 'hung' && ground.element === 'door' && edged;
  const parts = leafParts(part, settings, hung ? (part.sizes?.casing ?? USUAL_CASING) : undefined);
  const of = (name: string) => parts.find((one) => one.name === name)?.passes ?? [];
  const [casing, edges, face] = [of('Casing'), of('Edges'), of('Face')];
  const pieces = [shapesOf(width, height)];
  const stage = (
    name: string,
    passes: readonly PlannedPass[],
    how: readonly string[],
    before?: LaidStage['before'],
  ): LaidStage => ({
    ...{ name, how, pieces, passes, alike: leaves },
    ...(before === undefined ? {} : { before }),
  });
  const long = 'Long passes up and down, the whole face in one wet edge; knees bend, the wrist does not.';
  if (hung) {
    const frame = shapesOf(width, height);
    const legs = [
      { outline: rectangle(-0.12, 0, 0.12, height), openings: [] },
      { outline: rectangle(width, 0, 0.12, height), openings: [] },
    ];
    const closed = (one: LaidStage): LaidStage => ({ ...one, pieces: [frame, ...legs] });
    return [
      closed(stage('Casing, inside', casing, ['Head first, then the legs from the top down.', COURSE])),
      stage('Front of the leaf', face, [LEVEL, long], {
        text: 'Open the door and wedge it clear of the wall: close to it, overspray frames the wall.',
      }),
      stage('Back of the leaf', face, [LEVEL, long], {
        text: 'Close the door to a hand and go round: leaf and casing of this side together.',
      }),
      stage(
        'Top and edges',
        edges,
        ['Lock edge, hinge edge, top, light. Wipe off what runs onto the face.'],
        {
          text: 'Open it again, holding it by what is not painted.',
        },
      ),
      closed(
        stage('Casing, outside', casing, ['Last, head first, then the legs from the top down.', COURSE]),
      ),
    ];
  }
  if (!edged) return [stage(part.name, face, [LEVEL, long, COURSE])];
  return [
    stage('Edges, with side one', edges, [
      'Light, along the edge, from the side they are seen from. Wipe off what runs onto the face.',
    ]),
    stage('Side one', face, [LEVEL, long, 'All leaves of the rack in one go: no stop between two of them.']),
    stage('Side two', face, [LEVEL, long], {
      text: 'Turn the leaves once they are dry to handle: overnight, unless the sheet says sooner.',
    }),
  ];
}

/** Doors and what is sprayed like them: edges with their faces, then whatever is by itself. */
export function leavesStages(ground: Ground, parts: readonly SurfacePart[]): readonly LaidStage[] {
  const faces = parts.filter((part) => !isEdge(part));
  const edged = parts.some(isEdge);
  return faces.flatMap((part) => leafStages(ground, part, edged && part.piece.count % 2 === 0));
}

/** Shelves, cabinets and their doors: the parts that are hard to reach first, what is seen last. */
export function fittedStages(ground: Ground, parts: readonly SurfacePart[]): readonly LaidStage[] {
  const edges = parts.filter((part) => Math.min(...Object.values(extentOf(part.piece))) < 0.05);
  const rest = parts.filter((part) => !edges.includes(part));
  return [...edges, ...rest].flatMap((part): readonly LaidStage[] => {
    const { item, piece: geometry, name } = part;
    const laid = passesOf(geometry, 'cabinet', ground.settings);
    const base = { pieces: [laid.piece], passes: laid.passes };
    const fan = fanWords(laid.passes);
    const both = geometry.count % 2 === 0 && (item === 'shelf' || item === 'cabinet-door');
    const alike = both ? geometry.count / 2 : geometry.count;
    if (edges.includes(part))
      return [
        {
          ...base,
          name,
          alike,
          how: ['By brush where the fan would fill the shelf behind it, else one light pass.'],
        },
      ];
    if (both && item === 'shelf')
      return [
        { ...base, name: 'Tops of the shelves', alike, how: [fan, 'From the back to the front.', COURSE] },
        {
          ...base,
          name: 'Undersides',
          alike,
          how: [fan, 'Kneel: square to the underside, not up at a slant.', COURSE],
        },
      ];
    if (both)
      return [
        { ...base, name: 'Backs', alike, how: [fan, 'Backs first: a fault there is not seen.', COURSE] },
        {
          ...base,
          name: 'Fronts, then edges',
          alike,
          how: [fan, 'Edges last, light, wiped where it runs.', COURSE],
          before: { text: 'Turn them once they are dry to handle.' },
        },
      ];
    return [{ ...base, name, alike, how: [fan, laid.reason, COURSE] }];
  });
}
