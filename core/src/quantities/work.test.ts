import fc from 'fast-check';
import { usualRoom, surfacesOf, type RoomMeasure } from '../takeoff';
import { workingDefault } from '../explain';
import { of, quantity } from '../units';
import {
  TASKS,
  USUAL_RATES,
  boxingPlan,
  changesOf,
  cheapestContainers,
  consumablesFor,
  daysOf,
  coveringOf,
  tipWear,
  workOf,
  type ContainerOffer,
  type JobCovering,
} from '.';

const offer = (litres: number, price: number): ContainerOffer => ({ size: of(litres, 'L'), price });
const litres = (volume: number) => Math.round(volume * 1e6) / 1e3;

/** All ways to buy, the obvious way: least price, then least bought, then fewest. */
function leastPaid(need: number, offers: readonly ContainerOffer[]) {
  let best = { price: Infinity, bought: Infinity, pieces: Infinity };
  const better = (one: typeof best) =>
    one.price < best.price - 1e-7 ||
    (Math.abs(one.price - best.price) <= 1e-7 &&
      (one.bought < best.bought - 1e-9 ||
        (Math.abs(one.bought - best.bought) <= 1e-9 && one.pieces < best.pieces)));
  const walk = (index: number, bought: number, price: number, pieces: number) => {
    if (bought >= need - 1e-9) {
      if (better({ price, bought, pieces })) best = { price, bought, pieces };
      return;
    }
    if (price > best.price + 1e-7) return;
    for (let next = index; next < offers.length; next += 1) {
      const one = offers[next];
      if (one) walk(next, bought + one.size, price + one.price, pieces + 1);
    }
  };
  walk(0, 0, 0, 0);
  return best;
}

describe('containers for the least money', () => {
  it('cost what an exhaustive search finds, with as little left over and as few', () => {
    const offers = fc.uniqueArray(
      fc.record({ size: fc.constantFrom(1, 2.5, 5, 10, 15), price: fc.integer({ min: 500, max: 20_000 }) }),
      { minLength: 1, selector: ({ size }) => size },
    );
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), offers, (tenths, drawn) => {
        const known = drawn.map(({ size, price }) => offer(size, price / 100));
        const counts = cheapestContainers(of(tenths / 10, 'L'), known);
        const priceOf = (size: number) => known.find((one) => one.size === size)?.price ?? NaN;
        const expected = leastPaid(tenths / 10000, known);
        const price = counts.reduce((sum, { size, count }) => sum + priceOf(size) * count, 0);
        expect(price).toBeCloseTo(expected.price, 6);
        expect(litres(counts.reduce((sum, { size, count }) => sum + size * count, 0))).toBeCloseTo(
          litres(expected.bought),
          6,
        );
        expect(counts.reduce((sum, { count }) => sum + count, 0)).toBe(expected.pieces);
      }),
      { numRuns: 80 },
    );
  });

  it('take a larger one when it is cheaper than what would just do', () => {
    const counts = cheapestContainers(of(6, 'L'), [offer(1, 20), offer(5, 60), offer(10, 75)]);
    expect(counts).toEqual([{ size: of(10, 'L'), count: 1 }]);
  });

  it('buy the bulk of a large need in what is cheapest by volume', () => {
    const counts = cheapestContainers(of(4000, 'L'), [offer(5, 20), offer(15, 90)]);
    expect(counts).toEqual([{ size: of(5, 'L'), count: 800 }]);
    // By volume, not by the piece: a litre for 10 is dearer than fifteen for 60
    expect(cheapestContainers(of(4000, 'L'), [offer(1, 10), offer(15, 60)])).toEqual([
      { size: of(15, 'L'), count: 267 },
    ]);
  });

  it('leave out what nobody sells: no size, no price', () => {
    expect(cheapestContainers(of(3, 'L'), [offer(0, 5), offer(2.5, 0), offer(2.5, -3)])).toEqual([]);
    expect(cheapestContainers(of(3, 'L'), [offer(2.5, 30), offer(2.5, 20)])).toEqual([
      { size: of(2.5, 'L'), count: 2 },
    ]);
  });
});

describe('boxing of one colour', () => {
  const plan = (vessel: number, ...counts: [number, number][]) =>
    boxingPlan(
      counts.map(([size, count]) => ({ size: of(size, 'L'), count })),
      of(vessel, 'L'),
    ).map(({ pour, mixed, keep }) => ({ pour: pour.map(litres), mixed: litres(mixed), keep: litres(keep) }));

  it('pours all together where they fit', () => {
    expect(plan(60, [10, 3], [5, 1])).toEqual([{ pour: [10, 10, 10, 5], mixed: 35, keep: 0 }]);
  });

  it('keeps a third from mix to mix where they do not, and loses nothing', () => {
    const steps = plan(60, [15, 7]);
    expect(steps.length).toBeGreaterThan(1);
    expect(steps.flatMap(({ pour }) => pour).length).toBe(7);
    for (const { mixed } of steps) expect(mixed).toBeLessThanOrEqual(60 + 1e-9);
    expect(steps.slice(0, -1).every(({ keep }) => Math.abs(keep - 20) < 1e-9)).toBe(true);
    expect(steps[steps.length - 1]?.keep).toBe(0);
  });

  it('has nothing to say of one container, or of one that does not fit', () => {
    expect(plan(60, [10, 1])).toEqual([]);
    expect(plan(20, [15, 3])).toEqual([]);
  });
});

describe('what has to be protected', () => {
  const room: RoomMeasure = {
    ...usualRoom(5, 4, 2.5),
    features: [
      { id: 'd', item: 'door', count: 1, sizes: { width: 0.9, height: 2.1 } },
      { id: 'w', item: 'window', count: 2, sizes: { width: 1.2, height: 1.2 } },
    ],
  };
  const derived = surfacesOf(room);
  const surfaces = derived.ok ? derived.value.map((one) => ({ ...one, room: 'Hall' })) : [];

  it('is worked out from the surfaces of a room', () => {
    expect(coveringOf(surfaces)).toMatchObject({ fittings: 3, doors: 1, rooms: 1 });
    const { maskingLine, film, floorCover } = coveringOf(surfaces);
    expect(maskingLine).toBeCloseTo(18 + 2 * 3 + 2 * 4.8, 9);
    expect(film).toBeCloseTo(1.89 + 2 * 1.44, 9);
    expect(floorCover).toBeCloseTo(20, 9);
  });

  it('covers a strip along the walls where there is no ceiling to paint', () => {
    expect(coveringOf(surfaces.filter(({ element }) => element === 'wall')).floorCover).toBeCloseTo(18, 9);
    expect(coveringOf([])).toEqual({
      maskingLine: 0,
      film: 0,
      floorCover: 0,
      fittings: 0,
      doors: 0,
      rooms: 0,
    });
  });
});

const protection: JobCovering = {
  maskingLine: 120,
  film: 20,
  floorCover: 90,
  fittings: 10,
  doors: 6,
  rooms: 3,
};

describe('hours', () => {
  const hours = workOf(
    { trigger: 3960, protection, moves: 6, flushes: 2, baseChanges: 1, days: 2 },
    USUAL_RATES,
  );
  const inHours = (task: keyof typeof TASKS) => hours[task].value / 3600;

  it('are what one works out by hand', () => {
    expect(inHours('spraying')).toBeCloseTo(2, 9);
    expect(inHours('masking')).toBeCloseTo(2 + 1.5 + 1, 9);
    expect(inHours('doors')).toBeCloseTo(0.5, 9);
    expect(inHours('moving')).toBeCloseTo(1, 9);
    expect(inHours('flushing')).toBeCloseTo((50 + 45) / 60, 9);
    expect(inHours('cleaning')).toBeCloseTo(80 / 60, 9);
    for (const task of Object.keys(TASKS) as (keyof typeof TASKS)[]) {
      expect(hours[task].low).toBeLessThan(hours[task].value);
      expect(hours[task].high).toBeGreaterThan(hours[task].value);
    }
  });

  it('say whose rate they stand on', () => {
    expect(hours.doors.basis).toBe('default');
    const own = workOf(
      { trigger: 0, protection, moves: 0, flushes: 0, baseChanges: 0, days: 0 },
      { ...USUAL_RATES, doors: 8 },
    );
    expect(own.doors).toMatchObject({ basis: 'history', value: 0.75 * 3600 });
  });

  it('make days of a crew', () => {
    expect(daysOf(0, 2)).toBe(0);
    expect(daysOf(3600, 2)).toBe(1);
    expect(daysOf(31 * 3600, 2)).toBe(3);
  });

  it('count a change of base once, and colours within each', () => {
    expect(changesOf([])).toEqual({ flushes: 0, baseChanges: 0 });
    expect(changesOf(['water'])).toEqual({ flushes: 0, baseChanges: 0 });
    expect(changesOf(['water', 'water', 'water'])).toEqual({ flushes: 2, baseChanges: 0 });
    expect(changesOf(['water', 'solvent', 'water'])).toEqual({ flushes: 1, baseChanges: 1 });
  });
});

describe('what is used up besides paint', () => {
  it('follows the take-off and the paint', () => {
    const life = workingDefault('Life of a tip', 'volume', of(300, 'L'), of(200, 'L'), of(400, 'L'));
    const worn = tipWear([{ name: 'Matt', likely: of(50, 'L'), life }]);
    const used = consumablesFor({
      protection,
      paint: quantity(of(50, 'L')),
      coatings: 3,
      days: 2,
      tips: worn,
    });
    expect(used.tape.value).toBeCloseTo(120 * 1.15, 9);
    expect(used.paper.value).toBeCloseTo(120 * 0.5 * 1.15, 9);
    expect(used.film.value).toBeCloseTo(23, 9);
    expect(used.cover.value).toBeCloseTo(90 * 1.15, 9);
    expect(used.strainer.value).toBe(6);
    expect(used.filter.value).toBe(4);
    expect(used.lubricant.value).toBeCloseTo(60e-6, 12);
    // 50 L of a life of 200 to 400: what is worn is charged, whatever is bought
    expect(used.tip.value).toBeCloseTo(50 / 300, 9);
    expect(used.tip.low).toBeCloseTo(50 / 400, 9);
    expect(used.tip.high).toBeCloseTo(50 / 200, 9);
    expect(used.strainer.low).toBeLessThan(used.strainer.high);
  });
});
