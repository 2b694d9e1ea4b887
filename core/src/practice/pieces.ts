import { archetypeOf } from '../coating';
import { SPRAYER_CLASS_DATA } from '../line';
import type { SetupRequest } from '../setup';
import { usualSystem } from '../system';
import type { Element, Side } from '../takeoff';
import { of } from '../units';

export interface PracticePiece {
  readonly name: string;
  /** What it teaches, in a sentence. */
  readonly teaches: string;
  readonly element: Element;
  readonly side: Side;
  readonly size: readonly [number, number];
}

/** Pieces to practise on, from the easiest to the hardest: what an apprentice is given, one after the other. */
export const PRACTICE_PIECES = {
  fence: {
    name: 'Fence, as with water',
    teaches: 'Move before the trigger, let go before the stop.',
    element: 'lapped-fence',
    side: 'outside',
    size: [2.4, 1.2],
  },
  wall: {
    name: 'Wall',
    teaches: 'One speed, one lap, a wet edge from top to bottom.',
    element: 'wall',
    side: 'inside',
    size: [2.4, 1.8],
  },
  ceiling: {
    name: 'Ceiling',
    teaches: 'It sags sooner: keep the lap and do not stop.',
    element: 'ceiling',
    side: 'inside',
    size: [2.4, 1.8],
  },
  boards: {
    name: 'Lapped boards',
    teaches: 'More area than it looks: the speed of the card, not of a smooth wall.',
    element: 'wall',
    side: 'outside',
    size: [2.4, 1.5],
  },
  trim: {
    name: 'Trim',
    teaches: 'A narrow fan on a narrow piece: little beside it.',
    element: 'trim',
    side: 'inside',
    size: [2.4, 0.12],
  },
  spindle: {
    name: 'Spindle',
    teaches: 'Most of the fan goes past it: four light passes.',
    element: 'spindles',
    side: 'inside',
    size: [0.16, 0.9],
  },
  door: {
    name: 'Door with casing',
    teaches: 'Enamel that runs: light, even, up and down.',
    element: 'door',
    side: 'inside',
    size: [1, 2.1],
  },
} as const satisfies Readonly<Record<string, PracticePiece>>;

export type PracticePieceId = keyof typeof PRACTICE_PIECES;
export const PRACTICE_PIECE_IDS = Object.keys(PRACTICE_PIECES) as readonly PracticePieceId[];

/** The set-up of a piece to practise on: a usual machine and the coating that usually goes there. Made up; a job has its own. */
export function practiceRequest(id: PracticePieceId): SetupRequest {
  const { element, side, size } = PRACTICE_PIECES[id];
  const { kind, condition, finish, coats } = usualSystem(element, side);
  const archetype = finish[0] ?? 'wall-matt';
  const [width, height] = size;
  return {
    element,
    side,
    kind,
    condition,
    wind: 'calm',
    geometry: { shape: 'rectangle', width, height, count: 1, openings: [] },
    coating: { name: archetypeOf(archetype).name, archetype, overrides: {} },
    coats,
    thinning: of(0, '%'),
    sprayer: SPRAYER_CLASS_DATA['mid electric'],
    hoses: [{ length: of(15, 'm'), bore: of(1 / 4, 'in') }],
    lift: of(0, 'm'),
    rack: [],
    containerSizes: [of(5, 'L')],
  };
}
