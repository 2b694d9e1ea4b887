import fc from 'fast-check';
import {
  createGrid,
  filmStatistics,
  layMove,
  layStroke,
  maskOf,
  simulate,
  sprayFan,
  stamp,
  startSimulation,
  straightStroke,
  type DepositMethod,
  type FanSettings,
  type GunPoint,
  type SimulationJob,
  type Stroke,
  type WallSimulation,
} from '.';
import { filmAlong, simulateAll } from '../testing';
import { cumulative, evenFanProfile, filmVariation, shareBelow, visibleShare } from '../film';
import { contains } from '../shape';
import { of, quantity, type Fraction, type Length } from '../units';
import { sheetBelow, sheetIntegral } from './fan';

const UPRIGHT = Math.PI / 2;
const settings = (extra: Partial<FanSettings> = {}): FanSettings => ({
  family: 'standard',
  fan: 5,
  flow: of(0.8, 'L/min'),
  transferEfficiency: quantity<Fraction>(0.8),
  pressureRatio: 1,
  ...extra,
});
function wall(
  width = 1.2,
  height = 0.9,
  cell = 0.01,
  method: DepositMethod = 'along',
  extra: Partial<FanSettings> = {},
) {
  const grid = createGrid(of(width, 'm'), of(height, 'm'), of(cell, 'm'));
  if (!grid.ok) throw new Error(grid.message);
  return startSimulation(grid.value, sprayFan(settings(extra)), method);
}
const gun = (extra: Partial<GunPoint> = {}): GunPoint => ({
  x: 0.6,
  y: 0.45,
  distance: 0.3048,
  tiltAcross: 0,
  tiltThrough: 0,
  orientation: UPRIGHT,
  ...extra,
});
const total = ({ grid }: WallSimulation) => grid.film.reduce((sum, one) => sum + one, 0) * grid.cell ** 2;
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

const anyGun = fc.record({
  x: number(-0.2, 1.4),
  y: number(-0.2, 1.1),
  distance: number(0.1, 0.6),
  tiltAcross: number(-0.7, 0.7),
  tiltThrough: number(-0.7, 0.7),
  orientation: fc.oneof(fc.constantFrom(0, UPRIGHT, Math.PI, -UPRIGHT), number(-4, 4)),
});

describe('conservation', () => {
  it('books every drop: sprayed = landed + outside + overspray, and the film holds what landed', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(anyGun, anyGun, number(0, 3)), { minLength: 1, maxLength: 4 }),
        (moves) => {
          const simulation = wall(1.2, 0.9, 0.02);
          for (const [from, to, seconds] of moves) layMove(simulation, from, to, seconds);
          const { sprayed, landed, outside, overspray } = simulation;
          const expected = moves.reduce((sum, [, , seconds]) => sum + of(0.8, 'L/min') * seconds, 0);
          expect(Math.abs(sprayed - expected)).toBeLessThan(1e-15);
          expect(Math.abs(sprayed - landed - outside - overspray)).toBeLessThan(1e-12 * sprayed + 1e-18);
          expect(Math.abs(total(simulation) - landed)).toBeLessThan(1e-10 * sprayed + 1e-18);
          expect(outside).toBeGreaterThanOrEqual(-1e-10 * sprayed);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('keeps all of a stroke that stays on the wall, whatever its tilt', () => {
    for (const orientation of [0, UPRIGHT, 0.6]) {
      const simulation = wall();
      layMove(
        simulation,
        gun({ x: 0.55, orientation, tiltAcross: 0.2 }),
        gun({ orientation, tiltThrough: 0.3 }),
        0.5,
      );
      expect(simulation.outside / simulation.sprayed).toBeCloseTo(0, 9);
      expect(total(simulation) / (0.8 * simulation.sprayed)).toBeCloseTo(1, 9);
    }
  });
});

describe('one pass', () => {
  it('lays Q·TE/v across the fan with the profile of the family, as wide as its number says', () => {
    const simulation = wall(2, 0.9, 0.005);
    layStroke(
      simulation,
      straightStroke({
        from: { x: -0.5, y: 0.45 },
        to: { x: 2.5, y: 0.45 },
        speed: 0.5,
        distance: 0.3048,
        orientation: UPRIGHT,
      }),
    );
    const cut = filmAlong(simulation.grid, { x: 1, y: 0.0025 }, { x: 1, y: 0.8975 }, 180);
    // ∫ film dy = 0.8/60000 · 0.8 / 0.5 = 21.33 mm²
    const area = cut.reduce((sum, { film }) => sum + film * 0.005, 0);
    expect(area * 1e6).toBeCloseTo(21.33, 1);
    const support = (0.3048 * 5) / 12 / visibleShare(1);
    const profile = evenFanProfile(1);
    const middle = Math.max(...cut.map(({ film }) => film));
    for (const { at, film } of cut) {
      expect(Math.abs(film / middle - profile((at + 0.0025 - 0.45) / support))).toBeLessThan(0.01);
    }
    // 254 mm between the places where a tenth of the middle is left
    const wet = cut.filter(({ film }) => film > 0.1 * middle);
    const seen = (wet[wet.length - 1]?.at ?? 0) - (wet[0]?.at ?? 0);
    expect(Math.abs(seen - 0.254)).toBeLessThan(0.011);
  });

  it('laid at once is what stamps lay', () => {
    const directions = [
      [{ x: 0.2, y: 0.45 }, { x: 0.9, y: 0.45 }, UPRIGHT],
      [{ x: 0.6, y: 0.7 }, { x: 0.6, y: 0.2 }, 0],
      [{ x: 0.9, y: 0.3 }, { x: 0.3, y: 0.3 }, -UPRIGHT],
    ] as const;
    for (const [from, to, orientation] of directions) {
      const stroke = straightStroke({ from, to, speed: 0.6, distance: 0.3, orientation });
      const [fast, slow] = [wall(1.2, 0.9, 0.01, 'along'), wall(1.2, 0.9, 0.01, 'stamps')];
      layStroke(fast, stroke);
      layStroke(slow, stroke);
      const peak = Math.max(...slow.grid.film);
      const apart = fast.grid.film.map((one, index) => Math.abs(one - (slow.grid.film[index] ?? NaN)));
      expect(Math.max(...apart)).toBeLessThan(0.02 * peak);
      expect(fast.landed / slow.landed).toBeCloseTo(1, 9);
    }
  });

  it('laps to the variation of the overlap model', () => {
    const spacing = 0.127;
    const simulation = wall(0.6, 3, 0.005);
    for (let pass = 0; pass < 24; pass += 1) {
      const y = pass * spacing;
      layStroke(
        simulation,
        straightStroke({
          from: { x: -0.3, y },
          to: { x: 0.9, y },
          speed: 0.5,
          distance: 0.3048,
          orientation: UPRIGHT,
        }),
      );
    }
    const rows = filmAlong(simulation.grid, { x: 0.3, y: 5 * spacing }, { x: 0.3, y: 20 * spacing }, 1500);
    const mean = rows.reduce((sum, { film }) => sum + film, 0) / rows.length;
    const deviation = Math.sqrt(rows.reduce((sum, { film }) => sum + (film - mean) ** 2, 0) / rows.length);
    // Lapped one half of the visible width: the support is 1/0.949 of it.
    expect(deviation / mean).toBeCloseTo(filmVariation(evenFanProfile(1), 0.5, 1 / visibleShare(1)), 2);
    // Q·TE/(W(1 − overlap)v) = 167.98 μm
    expect(mean * 1e6).toBeCloseTo(167.98, 0);
  });
});

describe('symmetry', () => {
  const mirror = (one: GunPoint): GunPoint => ({
    ...one,
    x: 1.2 - one.x,
    orientation: Math.PI - one.orientation,
    tiltThrough: -one.tiltThrough,
  });
  const quarter = (one: GunPoint): GunPoint => ({
    ...one,
    x: 1.2 - one.y,
    y: one.x,
    orientation: one.orientation + UPRIGHT,
  });

  const compare = (
    one: WallSimulation,
    other: WallSimulation,
    place: (column: number, row: number) => number,
    tolerance: number,
  ) => {
    const peak = Math.max(...one.grid.film, 1e-12);
    for (let row = 0; row < one.grid.rows; row += 1) {
      for (let column = 0; column < one.grid.columns; column += 1) {
        const a = one.grid.film[row * one.grid.columns + column] ?? NaN;
        const b = other.grid.film[place(column, row)] ?? NaN;
        if (!(Math.abs(a - b) <= tolerance * peak)) throw new Error(`cell ${column}, ${row}: ${a} and ${b}`);
      }
    }
  };

  it('mirrors when the gun is mirrored', () => {
    fc.assert(
      fc.property(anyGun, anyGun, (from, to) => {
        const [one, other] = [wall(1.2, 1.2, 0.02), wall(1.2, 1.2, 0.02)];
        const end = { ...to, orientation: from.orientation };
        layMove(one, from, end, 1);
        layMove(other, mirror(from), mirror(end), 1);
        compare(one, other, (column, row) => row * 60 + (59 - column), 1e-9);
      }),
      { numRuns: 40 },
    );
  });

  it('turns by a quarter when the gun is turned', () => {
    fc.assert(
      fc.property(anyGun, anyGun, (from, to) => {
        const [one, other] = [wall(1.2, 1.2, 0.02), wall(1.2, 1.2, 0.02)];
        const end = { ...to, orientation: from.orientation };
        layMove(one, from, end, 1);
        layMove(other, quarter(from), quarter(end), 1);
        compare(one, other, (column, row) => column * 60 + (59 - row), 1e-9);
      }),
      { numRuns: 40 },
    );
  });

  it('is nearly the same film for a fan a hair off upright', () => {
    const [straight, slanted] = [wall(1.2, 0.9, 0.005), wall(1.2, 0.9, 0.005)];
    stamp(straight, gun(), 1e-5);
    stamp(slanted, gun({ orientation: UPRIGHT + 1e-6 }), 1e-5);
    compare(straight, slanted, (column, row) => row * 240 + column, 0.02);
  });
});

describe('the hand’s mistakes', () => {
  it('a gun swung on a point 0.6 m behind the tip lays 0.845 at 15° and 0.514 at 30° of the middle', () => {
    // Film over centre = (D₀/s)·cos²θ with s = (D₀ + R)/cosθ − R at a constant rate of turning.
    const [R, D] = [0.6, 0.3048];
    const points = Array.from({ length: 401 }, (_, index) => {
      const angle = -0.75 + (1.5 * index) / 400;
      return {
        ...gun({ x: 1.5 + R * Math.sin(angle), distance: D + R - R * Math.cos(angle), tiltThrough: -angle }),
        time: index / 200,
      };
    });
    const simulation = wall(3, 0.9, 0.01);
    layStroke(simulation, { points, triggers: [{ open: 0, close: 2 }] });
    const at = (degrees: number) => {
      const x = 1.5 + (D + R) * Math.tan((degrees * Math.PI) / 180);
      return filmAlong(simulation.grid, { x, y: 0.45 }, { x, y: 0.4501 }, 2)[0]?.film ?? NaN;
    };
    expect(at(15) / at(0)).toBeCloseTo(0.845, 2);
    expect(at(30) / at(0)).toBeCloseTo(0.514, 2);
    expect(at(-30) / at(30)).toBeCloseTo(1, 2);
  });

  it('a fan tilted across lays by cos²(φ+β)/cos²φ, wider on the far side', () => {
    const β = 0.3;
    const simulation = wall(0.6, 2, 0.005);
    stamp(simulation, gun({ x: 0.3, y: 0.8, tiltAcross: β }), 1e-5);
    const square = wall(0.6, 2, 0.005);
    stamp(square, gun({ x: 0.3, y: 0.8 }), 1e-5);
    const film = (one: WallSimulation, φ: number) => {
      const y = 0.8 + 0.3048 * Math.tan(φ);
      return filmAlong(one.grid, { x: 0.3, y }, { x: 0.3, y: y + 1e-6 }, 2)[0]?.film ?? NaN;
    };
    const share = (φ: number) =>
      film(simulation, φ + β) / film(square, φ) / (Math.cos(φ + β) ** 2 / Math.cos(φ) ** 2);
    // The tilted sheet is also thicker by 1/cos β, the same at every ray.
    for (const φ of [-0.25, -0.1, 0, 0.1, 0.25]) expect(share(φ) / share(0)).toBeCloseTo(1, 1);
    expect(share(0)).toBeCloseTo(Math.cos(β), 1);
  });

  it('a trigger open while the gun speeds up costs Q·v/2a more at each end', () => {
    const way = {
      from: { x: 0.1, y: 0.4 },
      to: { x: 1.1, y: 0.4 },
      speed: 0.8,
      distance: 0.3,
      orientation: UPRIGHT,
    };
    const [steady, pulled] = [wall(), wall()];
    layStroke(steady, straightStroke(way));
    layStroke(pulled, straightStroke({ ...way, acceleration: 2 }));
    // 2 · 0.8/(2·2) = 0.4 s of flow
    expect((pulled.sprayed - steady.sprayed) / of(0.8, 'L/min')).toBeCloseTo(0.4, 6);
    const rested = straightStroke({ ...way, acceleration: 2, open: [{ from: 0.16, to: 0.84 }] });
    const clean = wall();
    layStroke(clean, rested);
    expect(clean.sprayed / of(0.8, 'L/min')).toBeCloseTo(0.68 / 0.8, 6);
  });

  it('a dwell of 0.1 s leaves 0.1 s of flow in one footprint', () => {
    const still: Stroke = { points: [{ ...gun(), time: 0 }], triggers: [{ open: 0, close: 0.1 }] };
    const simulation = wall(1.2, 0.9, 0.004);
    layStroke(simulation, still);
    expect(simulation.sprayed).toBeCloseTo(of(0.8, 'L/min') * 0.1, 15);
    const peak = Math.max(...simulation.grid.film);
    // Middle of a parabola in both axes: 9/4 of the mean over the footprint of 2·0.1339 by 2·0.02438 m
    const footprint = ((4 * 0.3048 * 5) / 12 / visibleShare(1)) * 0.3048 * 0.08;
    expect(peak / ((2.25 * 0.8 * simulation.sprayed) / footprint)).toBeCloseTo(1, 1);
  });

  it.each([0.25, 0])('moved %d m and swung at once lays what many small moves lay', (way) => {
    const [from, to] = [gun({ x: 0.45, tiltThrough: 0.3 }), gun({ x: 0.45 + way, tiltThrough: -0.3 })];
    const [whole, parts] = [wall(), wall()];
    layMove(whole, from, to, 1);
    const at = (share: number) => gun({ x: 0.45 + way * share, tiltThrough: 0.3 - 0.6 * share });
    for (let part = 0; part < 50; part += 1) layMove(parts, at(part / 50), at((part + 1) / 50), 0.02);
    const peak = Math.max(...parts.grid.film);
    const apart = whole.grid.film.map((one, index) => Math.abs(one - (parts.grid.film[index] ?? NaN)));
    expect(Math.max(...apart)).toBeLessThan(0.05 * peak);
  });

  it('twice the distance is twice the fan and half the film', () => {
    const film = (distance: number) => {
      const simulation = wall(2, 1.5, 0.004);
      layStroke(
        simulation,
        straightStroke({
          from: { x: -0.5, y: 0.75 },
          to: { x: 2.5, y: 0.75 },
          speed: 0.5,
          distance,
          orientation: UPRIGHT,
        }),
      );
      return filmAlong(simulation.grid, { x: 1, y: 0.75 }, { x: 1, y: 0.76 }, 2)[0]?.film ?? NaN;
    };
    expect(film(0.2) / film(0.4)).toBeCloseTo(2, 2);
  });
});

describe('statistics', () => {
  const limits = { minimum: of(100, 'μm'), sagLimit: of(200, 'μm') };
  it('count thin, thick and missed cells on the piece alone', () => {
    const { grid } = wall(1, 1, 0.1);
    grid.film.fill(150e-6);
    grid.film.fill(90e-6, 0, 10);
    grid.film.fill(250e-6, 10, 15);
    grid.film[55] = 0;
    grid.film[56] = 10e-6;
    grid.film[99] = 0;
    // At the limit is not over it
    grid.film[70] = limits.sagLimit;
    const found = filmStatistics(grid, limits);
    if (!found.ok) throw new Error(found.message);
    expect(found.value).toMatchObject({ cells: 100, shareUnderMinimum: 0.13, shareOverSag: 0.05, least: 0 });
    expect(found.value.holidays.map(({ area }) => Math.round(area * 100))).toEqual([2, 1]);
    expect(found.value.holidays[0]?.x).toBeCloseTo(0.6, 9);
    expect(found.value.mean * 1e6).toBeCloseTo((81 * 150 + 10 * 90 + 5 * 250 + 200 + 10) / 100, 9);
    const half = {
      outline: [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
        { x: 1, y: 0.1 },
        { x: 0, y: 0.1 },
      ],
      openings: [],
    };
    const bottom = filmStatistics(grid, limits, maskOf(grid, half));
    expect(bottom.ok && bottom.value).toMatchObject({ cells: 10, shareUnderMinimum: 1, variation: 0 });
  });

  it('take a missed spot that bends back as one, and list the largest first', () => {
    const { grid } = wall(1, 1, 0.1);
    grid.film.fill(150e-6);
    // One cell low on the wall, and a horseshoe of seven above it
    for (const index of [5, 22, 32, 42, 43, 44, 34, 24]) grid.film[index] = 0;
    const found = filmStatistics(grid, limits);
    expect(found.ok && found.value.holidays.map(({ area }) => Math.round(area * 100))).toEqual([7, 1]);
  });

  it('are refused for limits that are none, or a piece off the wall', () => {
    const { grid } = wall(1, 1, 0.1);
    for (const bad of [
      { ...limits, minimum: quantity<Length>(0) },
      { ...limits, sagLimit: of(50, 'μm') },
      { ...limits, minimum: quantity<Length>(NaN) },
    ]) {
      expect(filmStatistics(grid, bad)).toMatchObject({ ok: false, field: 'sagLimit' });
    }
    expect(filmStatistics(grid, limits, new Uint8Array(100))).toMatchObject({ ok: false, field: 'piece' });
  });

  it('read a cut between the cells, and nothing outside', () => {
    const { grid } = wall(1, 1, 0.1);
    grid.film.forEach((_, index) => (grid.film[index] = (index % 10) + 0.5));
    const cut = filmAlong(grid, { x: 0.05, y: 0.5 }, { x: 0.95, y: 0.5 }, 10);
    cut.forEach(({ film }, index) => expect(film).toBeCloseTo(index + 0.5, 9));
    expect(filmAlong(grid, { x: -1, y: 0.5 }, { x: -0.5, y: 0.5 }, 3).map(({ film }) => film)).toEqual([
      0, 0, 0,
    ]);
  });
});

describe('a simulation job', () => {
  const stroke = straightStroke({
    from: { x: 0.1, y: 0.4 },
    to: { x: 1.1, y: 0.4 },
    speed: 0.6,
    distance: 0.3,
    orientation: UPRIGHT,
  });
  const job = (extra: Partial<SimulationJob> = {}): SimulationJob => ({
    width: of(1.2, 'm'),
    height: of(0.9, 'm'),
    cell: of(0.01, 'm'),
    fan: settings(),
    strokes: Array.from({ length: 10 }, () => stroke),
    limits: { minimum: of(80, 'μm'), sagLimit: of(200, 'μm') },
    ...extra,
  });

  it('reports its progress, can be left, and books the paint', () => {
    const run = simulate(job());
    expect([run.next().value, run.next().value]).toEqual([0.4, 0.8]);
    const done = simulateAll(
      job({
        piece: {
          outline: [
            { x: 0, y: 0.3 },
            { x: 1.2, y: 0.3 },
            { x: 1.2, y: 0.5 },
            { x: 0, y: 0.5 },
          ],
          openings: [],
        },
      }),
    );
    if (!done.ok) throw new Error(done.message);
    const { sprayed, onPiece, beside, overspray } = done.value.paint;
    expect(onPiece + beside + overspray).toBeCloseTo(sprayed, 14);
    expect(onPiece).toBeGreaterThan(beside);
    expect(done.value.statistics.cells).toBe(120 * 20);
  });

  it('gives the same film twice, to the last bit', () => {
    const [a, b] = [simulateAll(job()), simulateAll(job())];
    expect(a.ok && b.ok && a.value.grid.film.every((one, index) => one === b.value.grid.film[index])).toBe(
      true,
    );
  });

  it.each([
    ['strokes', { strokes: [] }],
    ['strokes.0.points', { strokes: [{ points: [], triggers: [] }] }],
    ['strokes.0.points.0', { strokes: [{ points: [{ ...gun({ distance: 0 }), time: 0 }], triggers: [] }] }],
    ['strokes.0.points.0', { strokes: [{ points: [{ ...gun({ tiltAcross: 2 }), time: 0 }], triggers: [] }] }],
    ['strokes.0.points.0', { strokes: [{ points: [{ ...gun({ x: NaN }), time: 0 }], triggers: [] }] }],
    [
      'strokes.0.points.0',
      { strokes: [{ points: [{ ...gun({ orientation: NaN }), time: 0 }], triggers: [] }] },
    ],
    [
      'strokes.0.points.1',
      {
        strokes: [
          {
            points: [
              { ...gun(), time: 1 },
              { ...gun(), time: 0 },
            ],
            triggers: [],
          },
        ],
      },
    ],
    [
      'strokes.0.triggers',
      { strokes: [{ points: [{ ...gun(), time: 1 }], triggers: [{ open: 1, close: 0 }] }] },
    ],
    ['width', { width: of(0, 'm') }],
    ['height', { height: of(Infinity, 'm') }],
    ['cell', { cell: of(NaN, 'm') }],
    ['cell', { width: of(50, 'm'), height: of(50, 'm'), cell: of(2, 'mm') }],
    ['fan.flow', { fan: settings({ flow: of(0, 'L/min') }) }],
    ['fan.transferEfficiency', { fan: settings({ transferEfficiency: quantity<Fraction>(NaN) }) }],
    ['fan.fan', { fan: settings({ fan: 0 }) }],
    ['fan.pressureRatio', { fan: settings({ pressureRatio: -1 }) }],
    ['outline', { piece: { outline: [], openings: [] } }],
    ['sagLimit', { limits: { minimum: of(80, 'μm'), sagLimit: of(8, 'μm') } }],
  ] as const)('refuses a bad %s (%#)', (field, extra) => {
    const result = simulateAll(job(extra));
    expect(result).toMatchObject({ ok: false, field });
    expect(result).not.toHaveProperty('value');
  });

  it('lays a stroke tilted by up to 50°', () => {
    const tilted = (degrees: number) => {
      const tilt = (degrees * Math.PI) / 180;
      const points = [0, 1].map((time) => ({ ...gun({ tiltAcross: tilt, tiltThrough: -tilt }), time }));
      return simulateAll(job({ strokes: [{ points, triggers: [{ open: 0, close: 1 }] }] }));
    };
    expect(tilted(49).ok).toBe(true);
    expect(tilted(51)).toMatchObject({ ok: false, code: 'stroke.tilt' });
  });

  it('holds half of a symmetric fan to each side of its middle, to the last digits', () => {
    for (const exponent of [0.7, 1, 1.5]) {
      expect(shareBelow(cumulative(evenFanProfile(exponent)), 0)).toBeCloseTo(0.5, 9);
    }
  });

  it('integrates the sheet of the fan in closed form', () => {
    fc.assert(
      fc.property(number(-1.5, 1.5), (t) => {
        let sum = 0;
        for (let s = -1.5; s < t; s += 1e-3) sum += sheetBelow(s + 5e-4) * Math.min(1e-3, t - s);
        expect(sheetIntegral(t)).toBeCloseTo(sum, 2);
      }),
    );
    expect([sheetBelow(-1), sheetBelow(0), sheetBelow(1), sheetIntegral(1)]).toEqual([0, 0.5, 1, 1]);
  });
});

it('has a cell on a piece just where its centre is, whatever the outline and its openings', () => {
  const at = fc.record({
    x: fc.double({ min: -0.5, max: 2.5, noNaN: true }),
    y: fc.double({ min: -0.5, max: 2.5, noNaN: true }),
  });
  const grid = (cell: number) => {
    const made = createGrid(of(2, 'm'), of(2, 'm'), of(cell, 'm'));
    if (!made.ok) throw new Error(made.message);
    return made.value;
  };
  const polygon = fc.oneof(
    fc.array(at, { minLength: 3, maxLength: 9 }),
    // Edges on the centres of cells.
    fc.constant([
      { x: 0.05, y: 0.05 },
      { x: 1.95, y: 0.05 },
      { x: 1.95, y: 1.05 },
      { x: 0.05, y: 1.05 },
    ]),
  );
  fc.assert(
    fc.property(
      polygon,
      fc.array(polygon, { maxLength: 2 }),
      fc.constantFrom(0.1, 0.037),
      (outline, openings, cell) => {
        const { columns, rows } = grid(cell);
        const mask = maskOf(grid(cell), { outline, openings });
        const slow = Array.from({ length: rows * columns }, (_unused, index) => {
          const centre = {
            x: ((index % columns) + 0.5) * cell,
            y: (Math.floor(index / columns) + 0.5) * cell,
          };
          return contains(outline, centre) && !openings.some((one) => contains(one, centre)) ? 1 : 0;
        });
        expect(Array.from(mask)).toEqual(slow);
      },
    ),
    { numRuns: 200 },
  );
});
