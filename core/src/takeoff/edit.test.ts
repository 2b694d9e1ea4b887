import fc from 'fast-check';
import { areaOf, signedArea, type Polygon } from '../shape';
import { of, quantity } from '../units';
import { seeded } from '../random';
import {
  asPlan,
  lPlan,
  laserReading,
  perimeterOf,
  rectangleOf,
  rectanglePlan,
  snapped,
  wallLengths,
  withCorner,
  withWallLength,
  withoutCorner,
} from '.';

describe('a wall of another length', () => {
  it('takes the wall that runs the other way with it: a rectangle stays one', () => {
    const plan = withWallLength(rectanglePlan(5, 4), 0, 6);
    expect(rectangleOf(plan)).toEqual({ length: 6, width: 4 });
    expect(rectangleOf(withWallLength(plan, 1, 3))).toEqual({ length: 6, width: 3 });
  });

  it('keeps the corners of an L square, and changes one other wall by as much', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 5 }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (wall, more) => {
          const plan = lPlan(6, 5);
          const before = wallLengths(plan);
          const changed = withWallLength(plan, wall, (before[wall] ?? 0) + more);
          const after = wallLengths(changed);
          expect(after[wall]).toBeCloseTo((before[wall] ?? 0) + more, 9);
          const other = after.flatMap((length, index) =>
            index !== wall && Math.abs(length - (before[index] ?? 0)) > 1e-9 ? [index] : [],
          );
          expect(other).toHaveLength(1);
          expect(perimeterOf(changed)).toBeCloseTo(perimeterOf(plan) + 2 * more, 9);
          for (const [index, corner] of changed.entries()) {
            const next = changed[(index + 1) % changed.length];
            expect(
              Math.min(Math.abs(corner.x - (next?.x ?? 0)), Math.abs(corner.y - (next?.y ?? 0))),
            ).toBeLessThan(1e-9);
          }
        },
      ),
    );
  });

  it('moves one corner where no wall runs the other way', () => {
    const triangle: Polygon = [
      { x: 0, y: 0 },
      { x: 4, y: 0 },
      { x: 0, y: 3 },
    ];
    const changed = withWallLength(triangle, 0, 5);
    expect(changed).toEqual([
      { x: 0, y: 0 },
      { x: 5, y: 0 },
      { x: 0, y: 3 },
    ]);
  });
});

describe('corners of a plan', () => {
  it('come into the middle of a wall and go again', () => {
    const plan = rectanglePlan(4, 3);
    const more = withCorner(plan, 3);
    expect(more[4]).toEqual({ x: 0, y: 1.5 });
    expect(areaOf(more)).toBeCloseTo(12, 12);
    expect(withoutCorner(more, 4)).toEqual(plan);
    expect(withoutCorner(plan.slice(0, 3), 0)).toHaveLength(3);
  });

  it('of an L leave a piece out', () => {
    expect(areaOf(lPlan(6, 5, 3, 3))).toBeCloseTo(21, 12);
    expect(signedArea(lPlan(6, 5))).toBeGreaterThan(0);
  });
});

describe('a drawn outline', () => {
  it('becomes a plan from its upper left, clockwise on the page, whichever way it was drawn', () => {
    const drawn: Polygon = [
      { x: 7, y: 6 },
      { x: 7, y: 1 },
      { x: 1, y: 1 },
      { x: 1, y: 6 },
    ];
    expect(asPlan(drawn)).toEqual(rectanglePlan(6, 5));
    expect(asPlan([...drawn].reverse())).toEqual(rectanglePlan(6, 5));
  });

  it('keeps to the grid, and a wall that is nearly straight is straight', () => {
    const from = { x: 1, y: 1 };
    expect(snapped({ x: 4.04, y: 2.96 }, 0.1)).toEqual({ x: 4, y: 3 });
    expect(snapped({ x: 1.2, y: 4 }, 0.1, from)).toEqual({ x: 1, y: 4 });
    expect(snapped({ x: 5, y: 1.3 }, 0.1, from)).toEqual({ x: 5, y: 1 });
    expect(snapped({ x: 3, y: 3 }, 0.1, from)).toEqual({ x: 3, y: 3 });
  });
});

describe('the simulated laser', () => {
  it('reads to its accuracy in whole millimetres, the same for a seed', () => {
    const readings = (seed: number) => {
      const random = seeded(seed);
      return Array.from({ length: 2000 }, () => {
        const reading = laserReading(of(4.2, 'm'), random);
        return reading.ok ? reading.value : NaN;
      });
    };
    const all = readings(5);
    const mean = all.reduce((sum, value) => sum + value, 0) / all.length;
    const sigma = Math.sqrt(all.reduce((sum, value) => sum + (value - mean) ** 2, 0) / all.length);
    expect(mean).toBeCloseTo(4.2, 4);
    expect(sigma).toBeGreaterThan(0.0009);
    expect(sigma).toBeLessThan(0.00115);
    expect(all.every((value) => Math.abs(value * 1000 - Math.round(value * 1000)) < 1e-6)).toBe(true);
    expect(readings(5)).toEqual(all);
    expect(readings(6)).not.toEqual(all);
  });

  it('refuses what it cannot reach', () => {
    for (const far of [0, 0.01, 60, NaN]) {
      expect(laserReading(quantity(far), seeded(1))).toMatchObject({ ok: false, code: 'laser.reach' });
    }
  });
});
