import fc from 'fast-check';
import {
  areaOf,
  boxOf,
  centroid,
  checkPiece,
  contains,
  netArea,
  sliceAt,
  turned,
  unite,
  without,
  type Point,
  type Polygon,
} from '.';

const p = (x: number, y: number): Point => ({ x, y });
const box = (x: number, y: number, width: number, height: number): Polygon => [
  p(x, y),
  p(x + width, y),
  p(x + width, y + height),
  p(x, y + height),
];
/** A gable with an L cut into it. */
const odd = [p(0, 0), p(6, 0), p(6, 2), p(4, 2), p(4, 3), p(2, 5), p(0, 3)];

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
/** A star-shaped polygon round the origin: never crosses itself. */
const star = fc.array(number(0.5, 3), { minLength: 3, maxLength: 12 }).map((radii) =>
  radii.map((radius, index) => {
    const angle = (2 * Math.PI * index) / radii.length;
    return p(radius * Math.cos(angle), radius * Math.sin(angle));
  }),
);

describe('polygons', () => {
  it('have the area of their slices, whichever way they are turned', () => {
    // 6·2 + 4·1 + gable 4·2/2 = 20
    expect(areaOf(odd)).toBeCloseTo(20, 12);
    fc.assert(
      fc.property(star, number(-3, 3), (polygon, angle) => {
        const rolled = turned(polygon, angle);
        expect(areaOf(rolled)).toBeCloseTo(areaOf(polygon), 9);
        let sum = 0;
        const steps = 600;
        for (let step = 0; step < steps; step += 1) {
          const y = -3 + (6 * (step + 0.5)) / steps;
          sum += sliceAt(rolled, y).reduce((length, { from, to }) => length + to - from, 0) * (6 / steps);
        }
        expect(Math.abs(sum - areaOf(polygon))).toBeLessThan(0.03 * areaOf(polygon) + 0.02);
      }),
      { numRuns: 50 },
    );
  });

  it('contain what their slices contain', () => {
    fc.assert(
      fc.property(star, number(-3, 3), number(-3, 3), (polygon, x, y) => {
        const inSlice = sliceAt(polygon, y).some(({ from, to }) => from < x && x < to);
        expect(contains(polygon, p(x, y))).toBe(inSlice);
      }),
    );
  });

  it('have their middle where a rectangle has it', () => {
    expect(centroid(box(1, 2, 4, 2))).toEqual(p(3, 3));
    expect(centroid([...box(1, 2, 4, 2)].reverse())).toEqual(p(3, 3));
  });

  it('unite and cut intervals', () => {
    const all = [
      { from: 3, to: 4 },
      { from: 0, to: 1 },
      { from: 1, to: 2 },
    ];
    expect(unite(all)).toEqual([
      { from: 0, to: 2 },
      { from: 3, to: 4 },
    ]);
    expect(unite(all, 1)).toEqual([{ from: 0, to: 4 }]);
    expect(without([{ from: 0, to: 4 }], [{ from: 1, to: 2 }])).toEqual([
      { from: 0, to: 1 },
      { from: 2, to: 4 },
    ]);
    expect(without([{ from: 1, to: 2 }], [{ from: 0, to: 4 }])).toEqual([]);
  });
});

describe('a piece to paint', () => {
  it('is accepted with openings inside it, on its edge too', () => {
    const piece = { outline: odd, openings: [box(0, 0, 0.9, 2), box(4.5, 0.5, 1, 1)] };
    expect(checkPiece(piece)).toEqual({ ok: true, value: piece });
    expect(netArea(piece)).toBeCloseTo(17.2, 12);
    fc.assert(
      fc.property(star, (polygon) => expect(checkPiece({ outline: polygon, openings: [] }).ok).toBe(true)),
    );
  });

  it('is accepted with corners on straight edges, and with edges in line that do not touch', () => {
    for (const outline of [
      [p(1, 1), p(3, 1), p(5, 1), p(5, 4), p(1, 4)],
      [p(1, 1), p(5, 1), p(5, 3), p(5, 6), p(1, 6)],
      [p(0, 0), p(4, 0), p(4, 1), p(1, 1), p(1, 3), p(4, 3), p(4, 4), p(0, 4)],
      [p(0, 0), p(1, 0), p(1, 3), p(3, 3), p(3, 0), p(4, 0), p(4, 4), p(0, 4)],
    ])
      expect(checkPiece({ outline, openings: [] }).ok).toBe(true);
  });

  it('says which openings clash', () => {
    const openings = [box(2.5, 1, 0.5, 1), box(1, 1, 1, 1), box(1.5, 1.5, 0.7, 1)];
    expect(checkPiece({ outline: box(0, 0, 4, 3), openings })).toMatchObject({
      field: 'openings.2',
      message: expect.stringContaining('over opening 2') as string,
    });
  });

  it.each([
    [
      'crosses itself',
      { outline: [p(0, 0), p(4, 4), p(4, 0), p(0, 4)], openings: [] },
      'outline',
      'shape.crosses',
    ],
    [
      'touches itself',
      { outline: [p(0, 0), p(4, 0), p(4, 4), p(2, 0), p(0, 4)], openings: [] },
      'outline',
      'shape.crosses',
    ],
    [
      'folds back',
      { outline: [p(0, 0), p(4, 0), p(2, 0), p(2, 3)], openings: [] },
      'outline',
      'shape.crosses',
    ],
    [
      'folds back along a level edge',
      { outline: [p(1, 1), p(5, 1), p(3, 1), p(3, 4)], openings: [] },
      'outline',
      'shape.crosses',
    ],
    [
      'folds back along an upright edge',
      { outline: [p(1, 1), p(5, 1), p(5, 4), p(5, 2), p(1, 2)], openings: [] },
      'outline',
      'shape.crosses',
    ],
    [
      'touches an upright edge of its own',
      { outline: [p(0, 0), p(4, 0), p(0, 2), p(4, 4), p(0, 4)], openings: [] },
      'outline',
      'shape.crosses',
    ],
    ['is a line', { outline: [p(0, 0), p(4, 0), p(8, 0)], openings: [] }, 'outline', 'shape.flat'],
    ['has two corners', { outline: [p(0, 0), p(4, 0)], openings: [] }, 'outline', 'shape.corners'],
    ['is nowhere', { outline: [p(0, 0), p(NaN, 0), p(4, 4)], openings: [] }, 'outline', 'shape.size'],
    ['is endless', { outline: [p(0, 0), p(Infinity, 0), p(4, 4)], openings: [] }, 'outline', 'shape.size'],
    [
      'has an opening outside',
      { outline: box(0, 0, 4, 3), openings: [box(5, 0, 1, 1)] },
      'openings.0',
      'opening.outside',
    ],
    [
      'has an opening reaching out',
      { outline: box(0, 0, 4, 3), openings: [box(3.5, 1, 1, 1)] },
      'openings.0',
      'opening.outside',
    ],
    [
      'has an opening round it',
      { outline: box(0, 0, 4, 3), openings: [box(-1, -1, 9, 9)] },
      'openings.0',
      'opening.outside',
    ],
    [
      'has an opening over a notch',
      { outline: odd, openings: [box(3.5, 1.5, 2, 1)] },
      'openings.0',
      'opening.outside',
    ],
    [
      'has openings that cross',
      { outline: box(0, 0, 4, 3), openings: [box(1, 1, 1, 1), box(1.5, 1.5, 1, 1)] },
      'openings.1',
      'opening.overlap',
    ],
    [
      'has two openings of one height that share almost half of their width',
      { outline: box(0, 0, 4, 3), openings: [box(1, 1, 1, 1), box(1.55, 1, 1, 1)] },
      'openings.1',
      'opening.overlap',
    ],
    [
      'has an opening on the sill of a wider one',
      { outline: box(0, 0, 4, 3), openings: [box(1, 1, 2, 1), box(1.2, 1, 0.4, 0.5)] },
      'openings.1',
      'opening.overlap',
    ],
    [
      'has openings that cross like a plus',
      { outline: box(0, 0, 4, 3), openings: [box(1, 1.2, 2, 0.4), box(1.8, 0.5, 0.4, 2)] },
      'openings.1',
      'opening.overlap',
    ],
    [
      'has one opening twice',
      { outline: box(0, 0, 4, 3), openings: [box(1, 1, 1, 1), box(1, 1, 1, 1)] },
      'openings.1',
      'opening.overlap',
    ],
    [
      'has an opening that crosses itself',
      { outline: box(0, 0, 4, 3), openings: [[p(1, 1), p(2, 2), p(2, 1), p(1, 2)]] },
      'openings.0',
      'shape.crosses',
    ],
    [
      'is all opening',
      { outline: box(0, 0, 4, 3), openings: [box(0, 0, 4, 3)] },
      'openings',
      'openings.cover',
    ],
  ] as const)('is refused when it %s', (_what, piece, field, code) => {
    expect(checkPiece(piece)).toMatchObject({ ok: false, field, code });
  });

  it('has openings over each other exactly when they share area, whichever way round their corners are given', () => {
    const side = fc.record({ from: fc.integer({ min: 0, max: 6 }), size: fc.integer({ min: 1, max: 6 }) });
    const opening = fc.record({ x: side, y: side });
    type Side = { readonly from: number; readonly size: number };
    const shared = (one: Side, other: Side) =>
      Math.min(one.from + one.size, other.from + other.size) - Math.max(one.from, other.from);
    fc.assert(
      fc.property(opening, opening, fc.boolean(), (one, other, back) => {
        const [first, second] = [one, other].map(({ x, y }) => box(x.from, y.from, x.size, y.size));
        const openings = [first ?? [], back ? [...(second ?? [])].reverse() : (second ?? [])];
        const over = shared(one.x, other.x) > 0 && shared(one.y, other.y) > 0;
        expect(checkPiece({ outline: box(-1, -1, 20, 20), openings }).ok).toBe(!over);
      }),
      { numRuns: 500 },
    );
  });

  it('knows slanted openings over each other by the axes that part convex shapes', () => {
    /** A box turned about its middle: a raking light, a stair opening. */
    const slanted = fc
      .record({
        x: number(-3, 3),
        y: number(-3, 3),
        width: number(0.4, 3),
        height: number(0.4, 3),
        turn: number(0, 3),
      })
      .map(({ x, y, width, height, turn }) =>
        box(-width / 2, -height / 2, width, height).map((corner) =>
          p(
            x + corner.x * Math.cos(turn) - corner.y * Math.sin(turn),
            y + corner.x * Math.sin(turn) + corner.y * Math.cos(turn),
          ),
        ),
      );
    /** The axis that parts two convex shapes best, from the first to the second, and the room along it: below 0 they share area. */
    const parting = (one: Polygon, other: Polygon) =>
      [one, other]
        .flatMap((shape, which) =>
          shape.map((corner, index) => {
            const next = shape[(index + 1) % shape.length] ?? corner;
            const length = Math.hypot(next.x - corner.x, next.y - corner.y);
            const [nx, ny] = [(next.y - corner.y) / length, (corner.x - next.x) / length];
            const along = (points: Polygon) => points.map((point) => point.x * nx + point.y * ny);
            const room = Math.min(...along(which === 0 ? other : one)) - Math.max(...along(shape));
            const way = which === 0 ? 1 : -1;
            return { room, nx: way * nx, ny: way * ny };
          }),
        )
        .reduce((best, axis) => (axis.room > best.room ? axis : best));
    const accepted = (one: Polygon, other: Polygon) =>
      checkPiece({ outline: box(-40, -40, 80, 80), openings: [one, other] }).ok;
    let over = 0;
    fc.assert(
      fc.property(slanted, slanted, fc.boolean(), (one, other, back) => {
        const { room, nx, ny } = parting(one, other);
        fc.pre(Math.abs(room) > 0.001);
        if (room < 0) over += 1;
        expect(accepted(one, back ? [...other].reverse() : other)).toBe(room > 0);
        // Pushed together until a corner goes 5 mm into the other, and pulled until 5 mm are between them.
        for (const gap of [-0.005, 0.005]) {
          const moved = other.map(({ x, y }) => p(x + (gap - room) * nx, y + (gap - room) * ny));
          const now = parting(one, moved).room;
          if (Math.abs(now) > 0.001) expect([gap, accepted(one, moved)]).toEqual([gap, now > 0]);
        }
      }),
      { numRuns: 500 },
    );
    expect(over).toBeGreaterThan(100);
  });
});

describe('the box around points', () => {
  it('touches the outermost of them', () => {
    expect(boxOf(odd)).toEqual({ left: 0, right: 6, low: 0, high: 5 });
    expect(boxOf([p(-2, 3)])).toEqual({ left: -2, right: -2, low: 3, high: 3 });
    fc.assert(
      fc.property(star, (polygon) => {
        const { left, right, low, high } = boxOf(polygon);
        expect(polygon.every(({ x, y }) => x >= left && x <= right && y >= low && y <= high)).toBe(true);
        expect(polygon.some(({ x }) => x === left) && polygon.some(({ y }) => y === high)).toBe(true);
        expect((right - left) * (high - low)).toBeGreaterThanOrEqual(areaOf(polygon) - 1e-9);
      }),
    );
  });
});
