import fc from 'fast-check';
import { areaOf, signedArea, type Point, type Polygon } from '../shape';
import {
  ITEM_IDS,
  ITEMS,
  SIZE_NAMES,
  areaLines,
  ceilingPiece,
  featureName,
  floorArea,
  itemOf,
  measure,
  perimeterOf,
  pieceArea,
  rectangleOf,
  rectanglePlan,
  sizeLabel,
  sizesOf,
  surfacesOf,
  usualElevation,
  usualRoom,
  wallPieces,
  wallsOf,
  type DerivedSurface,
  type Element,
  type Feature,
  type ItemId,
  type PlaceMeasure,
  type RoomMeasure,
  type RoomShape,
} from '.';
import { heightAt } from './plan';

const feature = (item: ItemId, count = 1, extra: Partial<Feature> = {}): Feature => ({
  id: `f-${item}`,
  item,
  count,
  sizes: {},
  ...extra,
});
const L_SHAPE: Polygon = [
  { x: 0, y: 0 },
  { x: 6, y: 0 },
  { x: 6, y: 2 },
  { x: 2.5, y: 2 },
  { x: 2.5, y: 5 },
  { x: 0, y: 5 },
];

function derived(place: PlaceMeasure): readonly DerivedSurface[] {
  const result = surfacesOf(place);
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
/** Gross and net area of one derived surface. */
function areas(place: PlaceMeasure, element: Element) {
  const surface = derived(place).find((one) => one.element === element);
  if (!surface) throw new Error(`no ${element}`);
  const result = measure(surface.geometry);
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const refusal = (place: PlaceMeasure) => {
  const result = surfacesOf(place);
  if (result.ok) throw new Error('was taken');
  return result;
};

/** A star-shaped polygon around a point: simple by its making. */
const starPolygon = fc
  .array(
    fc.tuple(fc.double({ min: 0.05, max: 0.95, noNaN: true }), fc.double({ min: 2, max: 20, noNaN: true })),
    {
      minLength: 3,
      maxLength: 12,
    },
  )
  .map((spokes) =>
    spokes.map(([turn, radius], index): Point => {
      const angle = ((index + turn) / spokes.length) * 2 * Math.PI;
      return { x: 40 + radius * Math.cos(angle), y: 40 + radius * Math.sin(angle) };
    }),
  )
  // With three spokes the middle may lie outside, and the corners then run the other way round.
  .filter((polygon) => signedArea(polygon) > 1);

/** Area without the shoelace formula: triangles from the middle by Heron's formula. */
function fanArea(polygon: Polygon): number {
  const middle = { x: 40, y: 40 };
  const side = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);
  return polygon.reduce((sum, a, index) => {
    const b = polygon[(index + 1) % polygon.length] ?? a;
    const [p, q, r] = [side(a, b), side(b, middle), side(middle, a)];
    const s = (p + q + r) / 2;
    const turn = (b.x - a.x) * (middle.y - a.y) - (b.y - a.y) * (middle.x - a.x);
    return sum + Math.sign(turn) * Math.sqrt(Math.max(0, s * (s - p) * (s - q) * (s - r)));
  }, 0);
}

describe('the plan of a room', () => {
  it('of any shape has the area that triangles give, and walls as long as its perimeter times the height', () => {
    fc.assert(
      fc.property(starPolygon, fc.double({ min: 2, max: 6, noNaN: true }), (plan, height) => {
        expect(areaOf(plan)).toBeCloseTo(fanArea(plan), 6);
        const room: RoomMeasure = { ...usualRoom(), plan, height };
        expect(areas(room, 'wall').gross).toBeCloseTo(perimeterOf(plan) * height, 6);
        expect(areas(room, 'ceiling').gross).toBeCloseTo(floorArea(room), 6);
      }),
    );
  });

  it('with openings: the wall pieces add up to perimeter times height less the openings, wherever they stand', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 3 }),
        fc.integer({ min: 0, max: 4 }),
        fc.constantFrom({}, { wall: 0 }, { wall: 5 }),
        (doors, windows, wall) => {
          const room: RoomMeasure = {
            ...usualRoom(),
            plan: L_SHAPE,
            height: 2.6,
            features: [feature('doorway', doors), feature('window', windows, wall)],
          };
          const { net, openings } = areas(room, 'wall');
          expect(openings).toBeCloseTo(doors * 0.9 * 2.1 + windows * 1.44, 9);
          expect(net).toBeCloseTo(22 * 2.6 - openings, 9);
        },
      ),
    );
  });

  it('of an L is what one works out by hand', () => {
    const room: RoomMeasure = { ...usualRoom(), plan: L_SHAPE, height: 2.5 };
    expect(perimeterOf(L_SHAPE)).toBeCloseTo(22, 12);
    expect(areas(room, 'ceiling').net).toBeCloseTo(6 * 2 + 2.5 * 3, 12);
    expect(areas(room, 'wall').net).toBeCloseTo(55, 12);
    expect(rectangleOf(L_SHAPE)).toBeUndefined();
    expect(rectangleOf(rectanglePlan(6, 4))).toEqual({ length: 6, width: 4 });
    expect(rectangleOf(rectanglePlan(6, 4).map(({ x, y }) => ({ x: x + y * 0.1, y })))).toBeUndefined();
  });

  it('under a vault has gable walls and a ceiling along both slopes', () => {
    const room: RoomShape = {
      plan: rectanglePlan(8, 6),
      height: 3,
      ceiling: { shape: 'vaulted', ridge: 5, rises: 'y' },
    };
    expect(wallPieces(room).map(pieceArea)).toEqual(
      [24, 24, 24, 24].map((low, index) => (index % 2 ? 6 * 4 : low)),
    );
    expect(pieceArea(ceilingPiece(room))).toBeCloseTo(2 * 8 * Math.hypot(3, 2), 9);
    expect(heightAt(room, { x: 1, y: 3 })).toBeCloseTo(5, 12);
    expect(heightAt(room, { x: 1, y: 0 })).toBe(3);
  });

  it('under one slope has a low wall, a high one and two between', () => {
    const room: RoomShape = {
      plan: rectanglePlan(5, 4),
      height: 2.2,
      ceiling: { shape: 'sloped', ridge: 3.4, rises: 'x' },
    };
    const walls = wallPieces(room).map(pieceArea);
    [5 * 2.8, 4 * 3.4, 5 * 2.8, 4 * 2.2].forEach((area, index) => expect(walls[index]).toBeCloseTo(area, 9));
    expect(pieceArea(ceilingPiece(room))).toBeCloseTo(4 * Math.hypot(5, 1.2), 9);
  });

  it('of any shape under any slope: walls hold what stands under the ceiling along them', () => {
    const slope = fc.record({
      shape: fc.constantFrom('sloped' as const, 'vaulted' as const),
      rises: fc.constantFrom('x' as const, 'y' as const),
      ridge: fc.double({ min: 3, max: 8, noNaN: true }),
    });
    fc.assert(
      fc.property(starPolygon, slope, (plan, ceiling) => {
        const room: RoomShape = { plan, height: 2.5, ceiling };
        wallPieces(room).forEach((piece, index) => {
          const [a, b] = [plan[index], plan[(index + 1) % plan.length]];
          if (!a || !b) throw new Error('no wall');
          // The mean height of many points along the wall, times its length.
          const steps = 4000;
          let sum = 0;
          for (let step = 0; step < steps; step += 1) {
            const share = (step + 0.5) / steps;
            sum += heightAt(room, { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) });
          }
          const expected = (sum / steps) * Math.hypot(b.x - a.x, b.y - a.y);
          expect(Math.abs(pieceArea(piece) / expected - 1)).toBeLessThan(1e-5);
        });
      }),
      { numRuns: 30 },
    );
  });
});

describe('what is counted in a place', () => {
  it('makes a surface for each kind of piece, named, in a fixed order', () => {
    const room: RoomMeasure = {
      ...usualRoom(5, 4, 2.5),
      features: [feature('door', 2), feature('baseboard'), feature('shelf', 3), feature('spindle', 20)],
    };
    expect(derived(room).map(({ name }) => name)).toEqual([
      'Walls',
      'Ceiling',
      'Doors',
      'Cabinets and shelves',
      'Trim',
      'Spindles and rails',
    ]);
    expect(areas(room, 'door').net).toBeCloseTo(2 * (2 * 0.9 * 2.1 + 2 * 3 * 0.044), 9);
    expect(areas(room, 'cabinet').net).toBeCloseTo(3 * 2 * 0.9 * 0.3, 9);
    expect(areas(room, 'spindles').net).toBeCloseTo(20 * 0.14 * 0.9, 9);
    // Baseboard: around the room less the doors; casing on three sides of each door.
    expect(areas(room, 'trim').net).toBeCloseTo((18 - 1.8) * 0.1 + 2 * (0.9 + 4.2) * 0.07, 9);
  });

  it('is left out where it is skipped, while its openings stay open', () => {
    const room: RoomMeasure = {
      ...usualRoom(5, 4, 2.5),
      features: [feature('door')],
      skipped: ['ceiling', 'door'],
    };
    expect(derived(room).map(({ element }) => element)).toEqual(['wall', 'trim']);
    expect(areas(room, 'wall').openings).toBeCloseTo(1.89, 9);
  });

  it('follows the gable of an elevation: bargeboards along both slopes', () => {
    const gable: PlaceMeasure = {
      ...usualElevation(8, 3),
      shape: 'gable',
      ridge: 6,
      features: [feature('bargeboard'), feature('gutter', 2), feature('downpipe', 2), feature('soffit')],
    };
    expect(areas(gable, 'wall').net).toBeCloseTo((8 * (3 + 6)) / 2, 12);
    expect(areas(gable, 'edge').net).toBeCloseTo(10 * 0.2 + 2 * 8 * 0.3 + 2 * 3 * 0.25 + 8 * 0.45, 9);
    expect(derived(gable).map(({ side }) => side)).toEqual(['outside', 'outside']);
  });

  it('takes its own length over the one that follows, and its own size over the usual one', () => {
    const room = usualRoom(5, 4);
    const own = feature('baseboard', 1, { sizes: { length: 3 } });
    expect(sizesOf(own, room).length).toBe(3);
    expect(sizesOf(feature('baseboard'), room).length).toBeCloseTo(18, 12);
    expect(sizesOf(feature('door'), room)).toEqual({ width: 0.9, height: 2.1, casing: 0.07 });
    expect(sizesOf(feature('door', 1, { sizes: { width: 1 } }), room).width).toBe(1);
  });

  it('has each wall and each slope by itself where somebody wants it, with the areas they have together', () => {
    const ceiling = { shape: 'vaulted', ridge: 3.4, rises: 'y' } as const;
    const room: RoomMeasure = { ...usualRoom(5, 4, 2.5), ceiling, features: [feature('window')] };
    const areas = (of: RoomMeasure, element: Element) => {
      const found = surfacesOf(of);
      if (!found.ok) throw new Error(found.message);
      return found.value
        .filter((one) => one.element === element)
        .map(({ name, part, geometry }) => {
          const area = measure(geometry);
          return { name, part, net: area.ok ? area.value.net : NaN };
        });
    };
    const sum = (all: readonly { net: number }[]) => all.reduce((total, { net }) => total + net, 0);
    const apart: RoomMeasure = { ...room, apart: ['wall', 'ceiling'] };
    expect(areas(apart, 'wall').map(({ name }) => name)).toEqual(['Wall 1', 'Wall 2', 'Wall 3', 'Wall 4']);
    expect(areas(apart, 'ceiling').map(({ part }) => part)).toEqual(['Ceiling, slope 1', 'Ceiling, slope 2']);
    for (const element of ['wall', 'ceiling'] as const)
      expect(sum(areas(apart, element))).toBeCloseTo(sum(areas(room, element)), 9);
    expect(areas(room, 'wall').map(({ part }) => part)).toEqual([undefined]);
    expect(areas({ ...apart, ceiling: { shape: 'flat' } }, 'ceiling')).toHaveLength(1);
  });

  it('opens closets and paints them inside', () => {
    const room: RoomMeasure = { ...usualRoom(5, 4, 2.5), features: [feature('closet')] };
    expect(areas(room, 'wall').net).toBeCloseTo(18 * 2.5 - 1.2 * 2.1 + (1.2 + 2 * 0.6) * 2.1, 9);
    expect(areas(room, 'ceiling').net).toBeCloseTo(20 + 0.72, 9);
  });

  it('stands where it was measured', () => {
    const room: RoomMeasure = {
      ...usualRoom(5, 4, 2.5),
      features: [
        feature('window', 1, { wall: 1, at: 0.5 }),
        feature('door', 1, { wall: 1, at: 2.5, sill: 0 }),
      ],
    };
    const walls = wallsOf(room);
    expect(walls.ok && walls.value[1]?.openings.map(({ at, sill }) => [at, sill])).toEqual([
      [0.5, 0.9],
      [2.5, 0],
    ]);
  });

  it.each(ITEM_IDS)('%s: its usual sizes are there, each part has an area, and its words are words', (id) => {
    const item = itemOf(id);
    const [kind] = item.where;
    const place: PlaceMeasure =
      kind === 'room'
        ? { ...usualRoom(), features: [feature(id)] }
        : kind === 'elevation'
          ? { ...usualElevation(), shape: 'gable', ridge: 5, features: [feature(id)] }
          : { kind: 'loose', features: [feature(id)], skipped: [] };
    for (const { geometry } of derived(place)) {
      const result = measure(geometry);
      expect(result.ok && result.value.net).toBeGreaterThan(0);
    }
    const names = SIZE_NAMES.filter((name) => name in item.sizes);
    // What is only in the way has no size, and nothing of it is painted.
    expect(names.length > 0).toBe(item.group !== 'inTheWay');
    expect(derived(place).length > 0).toBe(kind === 'room' || kind === 'elevation' || names.length > 0);
    expect(new Set(names.map((name) => sizeLabel(id, name))).size).toBe(names.length);
    expect(featureName({ item: id, count: 1 })).toBe(ITEMS[id].name);
    expect(featureName({ item: id, count: 3 })).toMatch(/^3 [a-z]/);
  });
});

describe('a place that cannot be', () => {
  const room = usualRoom(5, 4, 2.5);
  const crossed = [
    { x: 0, y: 0 },
    { x: 4, y: 4 },
    { x: 4, y: 0 },
    { x: 0, y: 4 },
  ];
  const cases: readonly [string, PlaceMeasure, string, RegExp][] = [
    ['a length of zero', { ...room, plan: rectanglePlan(0, 4) }, 'plan.length', /^Length must be between/],
    [
      'a wall of no length',
      { ...room, plan: [...L_SHAPE.slice(0, 3), { x: 6, y: 2 }, ...L_SHAPE.slice(3)] },
      'plan.2',
      /^Wall 3 has no length/,
    ],
    ['a plan that crosses itself', { ...room, plan: crossed }, 'plan', /crosses itself/],
    ['a plan of two corners', { ...room, plan: crossed.slice(0, 2) }, 'plan', /corners/],
    ['a height that is none', { ...room, height: -1 }, 'height', /^Height must be between/],
    [
      'a ridge below the walls',
      { ...room, ceiling: { shape: 'vaulted', ridge: 2, rises: 'x' } },
      'ceiling.ridge',
      /at least as high as the walls \(2\.50 m\)/,
    ],
    [
      'a gable lower than its eaves',
      { ...usualElevation(), shape: 'gable', ridge: 1 },
      'ridge',
      /^Wall: Height at the ridge must be between/,
    ],
    [
      'a window wider than any wall',
      withFeature({ sizes: { width: 9 } }),
      'features.0.sizes.width',
      /^Wall 1: This window is wider/,
    ],
    [
      'a window higher than the walls',
      withFeature({ sizes: { height: 3 } }),
      'features.0.sizes.height',
      /This window is higher/,
    ],
    ['openings that leave nothing', withFeature({ count: 60 }), 'features', /leave nothing/],
    ['a wall that is not there', withFeature({ wall: 4 }), 'features.0.wall', /^There is no wall 5/],
    [
      'an opening that leaves its wall',
      withFeature({ wall: 0, at: 4.5 }),
      'features.0.at',
      /^Wall 1: This opening lies outside/,
    ],
    ['many at one place', withFeature({ wall: 0, at: 1, count: 2 }), 'features.0.at', /^Only a single one/],
    ['half a window', withFeature({ count: 1.5 }), 'features.0.count', /whole one/],
    [
      'a size it does not have',
      withFeature({ sizes: { depth: 1 } }),
      'features.0.sizes.depth',
      /^Window has no depth/,
    ],
    [
      'openings over each other',
      {
        ...room,
        features: [feature('window', 1, { wall: 0, at: 1 }), feature('doorway', 1, { wall: 0, at: 1.5 })],
      },
      'features.1.at',
      /^Wall 1: This opening lies over opening 1/,
    ],
  ];
  function withFeature(extra: Partial<Feature>): PlaceMeasure {
    return { ...usualRoom(5, 4, 2.5), features: [feature('window', 1, extra)] };
  }

  it.each(cases)('%s is refused where it is', (_name, place, field, sentence) => {
    expect(refusal(place)).toMatchObject({ field, message: expect.stringMatching(sentence) as string });
  });
});

describe('the arithmetic of an area', () => {
  it('adds up to the net area, line by line', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 }), (doors, windows) => {
        const room: RoomMeasure = {
          ...usualRoom(6, 5, 2.6),
          ceiling: { shape: 'sloped', ridge: 4, rises: 'x' },
          features: [feature('door', doors), feature('window', windows), feature('closet', 1)],
        };
        for (const { geometry } of derived(room)) {
          const net = measure(geometry);
          const sum = areaLines(geometry, 'metric').reduce((total, { area }) => total + area, 0);
          expect(net.ok && net.value.net).toBeCloseTo(sum, 9);
        }
      }),
    );
  });

  it('is written as one would write it, in either system', () => {
    const room: RoomMeasure = { ...usualRoom(5, 4, 2.5), features: [feature('window', 2, { wall: 0 })] };
    const [walls] = derived(room);
    if (!walls) throw new Error('no walls');
    expect(areaLines(walls.geometry, 'metric').slice(0, 3)).toEqual([
      { name: 'Wall 1', sum: '5.00 m × 2.50 m', area: 12.5 },
      { name: 'Windows', sum: '2 × 1.20 m × 1.20 m', area: -2.88 },
      { name: 'Wall 2', sum: '4.00 m × 2.50 m', area: 10 },
    ]);
    expect(areaLines(walls.geometry, 'us')[0]?.sum).toBe('16.40 ft × 8.20 ft');
    const gable = { shape: 'gable', width: 8, height: 3, ridge: 6, count: 2, openings: [] } as const;
    expect(areaLines(gable, 'metric')[0]).toEqual({
      name: 'Piece',
      sum: '2 × 8.00 m × (3.00 m + 6.00 m) ÷ 2',
      area: 72,
    });
    const outline = { shape: 'outline', corners: L_SHAPE, count: 2, openings: [] } as const;
    expect(areaLines(outline, 'metric')[0]?.sum).toBe('2 × 19.5 m² (6 corners)');
  });
});

describe('an area put instead of the measured one', () => {
  const [walls] = derived(usualRoom(5, 4, 2.5));
  const geometry = walls?.geometry ?? ({ shape: 'pieces', pieces: [] } as const);

  it('is the net area, with the measured one still shown', () => {
    expect(measure({ ...geometry, override: { net: 40, reason: 'Half the room is tiled' } })).toMatchObject({
      ok: true,
      value: { gross: 45, openings: 0, net: 40 },
    });
  });

  it('needs a reason and an area', () => {
    expect(measure({ ...geometry, override: { net: 40, reason: ' ' } })).toMatchObject({
      field: 'geometry.override.reason',
    });
    expect(measure({ ...geometry, override: { net: 0, reason: 'none' } })).toMatchObject({
      field: 'geometry.override.net',
    });
  });
});
