import { wallFilm } from '.';
import {
  ELEMENTS,
  PIECE_KIND_IDS,
  elementOfKind,
  pieceKind,
  usualGeometry,
  type Element,
  type PieceKind,
  type SurfaceKind,
} from '../takeoff';
import { usualSystem } from '../system';
import { setupCard, type SetupCard, type SetupRequest } from '../setup';
import { simulateAll, wallRequest } from '../testing';
import { of } from '../units';

/** A piece of each kind as it is sprayed, on smooth and rough ground. */
const SIZES: Readonly<Record<Element, readonly [number, number]>> = {
  wall: [4, 2.4],
  ceiling: [3.6, 3],
  door: [0.86, 2.04],
  cabinet: [0.5, 0.7],
  trim: [3.4, 0.12],
  edge: [3.2, 0.2],
  spindles: [0.16, 0.9],
  'lapped-fence': [3, 1.8],
  'open-fence': [0.22, 1.2],
};
const GROUNDS: readonly (readonly [SurfaceKind, SetupRequest['condition']])[] = [
  ['smooth-board', 'sealed'],
  ['coarse-render', 'sealed'],
  ['block', 'bare'],
  ['sawn-timber', 'bare'],
];

function cardOf(extra: Partial<SetupRequest>): { card: SetupCard; request: SetupRequest } {
  const request = wallRequest({
    coats: 2,
    hoses: [{ length: of(15, 'm'), bore: of(1 / 4, 'in') }],
    coating: { name: 'E', archetype: 'exterior-acrylic', overrides: {} },
    ...extra,
  });
  const card = setupCard(request);
  if (!card.ok) throw new Error(card.message);
  return { card: card.value, request };
}

const CASES = ELEMENTS.flatMap((element) =>
  GROUNDS.map(([kind, condition]) => [element, kind, condition] as const),
);

it.each(CASES)('card, passes, film and litres of a %s on %s, %s, are one', (element, kind, condition) => {
  const [width, height] = SIZES[element];
  const { card, request } = cardOf({
    element,
    kind,
    condition,
    side: element.endsWith('fence') ? 'outside' : 'inside',
    geometry: { shape: 'rectangle', width, height, count: 1, openings: [] },
  });
  const film = wallFilm(request, card);
  if (!film.ok) throw new Error(film.message);
  const simulated = simulateAll(film.value.job);
  if (!simulated.ok) throw new Error(simulated.message);
  // The film on the true area is the card's: cells of the picture are a few millimetres, the sheet of the fan 24 mm
  expect(simulated.value.statistics.mean / card.wetFilm.value).toBeGreaterThan(0.97);
  expect(simulated.value.statistics.mean / card.wetFilm.value).toBeLessThan(1.03);

  const { candidate } = card.tip;
  const { paintOut, overspray, triggerTime } = film.value.plan;
  const passes = card.coats * card.passesPerCoat;
  const { texture, soaks } = card.pass.place;
  // Passes of the picture are the first: each after it lays the film alone
  const laid = (first: boolean) => texture.value * card.wetFilm.value + (first ? soaks.value : 0);
  const others = ((passes - 1) * laid(false)) / laid(true);
  // Litres of the card are those of its passes, without what is kept back
  const kept = card.paint.inputs
    .filter(({ label }) => /containers|touch-up/.test(label))
    .reduce((sum, { value }) => sum + value, 1);
  expect((paintOut.value * (1 + others)) / (card.paint.value / kept)).toBeCloseTo(1, 6);
  expect((triggerTime.value * (1 + others)) / candidate.triggerTime).toBeCloseTo(1, 6);
  expect((overspray.value * (1 + others)) / candidate.overspray).toBeCloseTo(1, 6);
  expect(card.gunSpeed.value / candidate.gunSpeed).toBeCloseTo(1, 9);
});

it.each(ELEMENTS)('the gun is never faster on a rougher or a thirstier %s', (element) => {
  const [width, height] = SIZES[element];
  const speeds = (
    [
      ['smooth-board', 'sealed'],
      ['light-texture', 'sealed'],
      ['orange-peel', 'sealed'],
      ['heavy-stipple', 'sealed'],
      ['coarse-render', 'sealed'],
      ['coarse-render', 'bare'],
    ] as const
  ).map(([kind, condition]) => {
    const { card } = cardOf({
      element,
      kind,
      condition,
      geometry: { shape: 'rectangle', width, height, count: 1, openings: [] },
      chosenTip: { family: 'standard', fan: 3, orificeThou: 15 },
    });
    return card.gunSpeed.value;
  });
  expect([...speeds].sort((a, b) => b - a)).toEqual(speeds);
  // 1.3 of true area at one film: 1/1.3 of the speed
  expect((speeds[4] ?? 0) / (speeds[0] ?? 1)).toBeCloseTo(1 / 1.3, 9);
});

/** A kind of piece as it usually is, with what is usually sprayed on it. */
function usualOf(kind: PieceKind, geometry = usualGeometry(kind)) {
  const element = elementOfKind(kind);
  const { ground, side } = pieceKind(kind);
  const [archetype = 'wall-matt'] = usualSystem(element, side).finish;
  const coating = { name: archetype, archetype, overrides: {} };
  const { card, request } = cardOf({ element, kind: ground, side, coating, geometry });
  const film = wallFilm(request, card);
  if (!film.ok) throw new Error(film.message);
  return { card, film: film.value };
}

it.each(PIECE_KIND_IDS)('%s has a card and passes of its own usual sizes', (kind) => {
  const { card, film } = usualOf(kind);
  expect(card.paint.value).toBeGreaterThan(0);
  expect(film.plan.passes.length).toBeGreaterThan(0);
  // Nothing that is counted by hand asks for a gun no arm moves.
  expect(card.gunSpeed.value).toBeGreaterThan(0.1);
  expect(card.gunSpeed.value).toBeLessThan(1);
});

describe('the parts of a piece in order', () => {
  it('are the four sides of all bars, as many passes as the picture has of one', () => {
    const spindles = usualGeometry('spindle');
    const { film } = usualOf('spindle', { ...spindles, count: 34 } as typeof spindles);
    expect(film.order.map(({ name }) => name)).toEqual([
      'front, from the left',
      'front, from the right',
      'back, from the left',
      'back, from the right',
    ]);
    const all = film.order.reduce((sum, { passes }) => sum + passes, 0);
    expect(all).toBe(34 * film.plan.passes.length);
  });

  it('are edges, then face of a door, its face in the passes of the picture', () => {
    const { film } = usualOf('door');
    expect(film.order.map(({ name }) => name)).toEqual(['Edges', 'Face']);
    expect(film.order.at(-1)?.passes).toBe(film.plan.passes.length);
  });

  it('are none of a wall', () => {
    expect(usualOf('wall').film.order).toEqual([]);
  });
});
