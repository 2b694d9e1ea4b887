import fc from 'fast-check';
import { surfacesOf, usualGeometry, usualRoom, type RoomMeasure } from '../takeoff';
import { workingDefault } from '../explain';
import { of, quantity } from '../units';
import {
  NO_AREA,
  TASK_IDS,
  USUAL_RATES,
  boxingPlan,
  changesOf,
  cheapestContainers,
  consumablesFor,
  daysOf,
  siteLines,
  coveringOf,
  tipWear,
  workOf,
  workWithDays,
  type JobHours,
  type JobWork,
  type SurfaceWork,
  type Task,
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

const NONE = { plate: 0, light: 0, vent: 0, alarm: 0, curtain: 0 };

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
    expect(coveringOf(surfaces)).toMatchObject({ fittings: 3, doors: 1, rooms: 1, powerOff: 0 });
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
      inTheWay: NONE,
      powerOff: 0,
    });
  });

  const placed = (measure: RoomMeasure, id = 'p') => {
    const found = surfacesOf(measure);
    if (!found.ok) throw new Error(found.message);
    return {
      places: [{ id, measure }],
      surfaces: found.value.map((one) => ({ ...one, room: 'Hall', placeId: id })),
    };
  };

  it('covers the floor by the plan: an L room and a vault take what they have, no more', () => {
    // 6 × 5 m less a corner of 2.5 × 2: 25 m², its box is 30
    const corner: RoomMeasure = {
      ...usualRoom(),
      plan: [
        { x: 0, y: 0 },
        { x: 6, y: 0 },
        { x: 6, y: 3 },
        { x: 3.5, y: 3 },
        { x: 3.5, y: 5 },
        { x: 0, y: 5 },
      ],
    };
    const ofCorner = placed(corner);
    expect(coveringOf(ofCorner.surfaces, ofCorner.places).floorCover).toBeCloseTo(25, 9);
    expect(coveringOf(ofCorner.surfaces).floorCover).toBeCloseTo(25, 9);
    // 7 × 5 m under a vault: its ceiling is 43 m² and its floor 35
    const vault: RoomMeasure = {
      ...usualRoom(7, 5, 2.4),
      ceiling: { shape: 'vaulted', ridge: 4.2, rises: 'y' },
    };
    const ofVault = placed(vault);
    expect(coveringOf(ofVault.surfaces, ofVault.places).floorCover).toBeCloseTo(35, 9);
  });

  it('films no closet that is painted inside, and one door between two rooms once', () => {
    const closet: RoomMeasure = {
      ...usualRoom(5, 4, 2.5),
      features: [
        { id: 'c', item: 'closet', count: 1, sizes: {} },
        { id: 'd', item: 'door', count: 1, sizes: { width: 0.9, height: 2.1 } },
      ],
    };
    const next: RoomMeasure = {
      ...usualRoom(5, 4, 2.5),
      features: [{ id: 'n', item: 'doorway', count: 1, sizes: { width: 0.9, height: 2.1 } }],
    };
    const [one, other] = [placed(closet, 'a'), placed(next, 'b')];
    const both = coveringOf(
      [...one.surfaces, ...other.surfaces.map((surface) => ({ ...surface, room: 'Bedroom' }))],
      [...one.places, ...other.places],
    );
    expect(both.film).toBeCloseTo(0.9 * 2.1, 9);
    expect(both.fittings).toBe(1);
  });

  it('masks where two finishes meet, and not where one goes on', () => {
    const trim = { element: 'trim', side: 'inside', room: 'Hall', coatingId: 'enamel' } as const;
    const wall = { element: 'wall', side: 'inside', room: 'Hall', coatingId: 'matt' } as const;
    const sheet = (width: number, height: number) =>
      ({ shape: 'rectangle', width, height, count: 1, openings: [] }) as const;
    const line = (...of: Parameters<typeof coveringOf>[0]) => coveringOf(of).maskingLine;
    expect(line({ ...wall, geometry: sheet(5, 2.5) })).toBeCloseTo(5, 9);
    expect(line({ ...wall, geometry: sheet(5, 2.5) }, { ...trim, geometry: sheet(5, 0.1) })).toBeCloseTo(
      10,
      9,
    );
    expect(
      line({ ...wall, geometry: sheet(5, 2.5) }, { ...trim, coatingId: 'matt', geometry: sheet(5, 0.1) }),
    ).toBeCloseTo(5, 9);
    const ceiling = { ...wall, element: 'ceiling', coatingId: 'flat', geometry: sheet(5, 4) } as const;
    expect(line({ ...wall, geometry: sheet(5, 2.5) }, ceiling)).toBeCloseTo(5 + 18, 9);
  });

  it('covers the ground along fences and stairs', () => {
    const fence = usualGeometry('closed-fence');
    const beside = (element: 'lapped-fence' | 'spindles', geometry: typeof fence) =>
      coveringOf([{ element, side: 'outside', room: '', geometry }]).floorCover;
    // 10 m with both sides: a strip of one metre on each
    expect(beside('lapped-fence', fence)).toBeCloseTo(20, 9);
    const spindles = { ...usualGeometry('spindle'), count: 30 } as typeof fence;
    expect(beside('spindles', spindles)).toBeCloseTo(3.6, 9);
  });

  it('counts what is in the way, and the rooms whose power goes off for it', () => {
    const room: RoomMeasure = {
      ...usualRoom(),
      features: [
        { id: 'p', item: 'plate', count: 6, sizes: {} },
        { id: 'l', item: 'light', count: 2, sizes: {} },
      ],
    };
    const store: RoomMeasure = {
      ...usualRoom(),
      features: [{ id: 'v', item: 'vent', count: 1, sizes: {} }],
    };
    const found = coveringOf(
      [],
      [
        { id: 'a', measure: room },
        { id: 'b', measure: store },
      ],
    );
    expect(found).toMatchObject({ powerOff: 1, inTheWay: { ...NONE, plate: 6, light: 2, vent: 1 } });
  });
});

const protection: JobCovering = {
  maskingLine: 120,
  film: 20,
  floorCover: 90,
  fittings: 10,
  doors: 6,
  rooms: 3,
  inTheWay: { ...NONE, plate: 10, light: 3 },
  powerOff: 2,
};
/** 100 m² of fair walls inside, 12 m of trim, half of it over 3 m. */
const onSurfaces: SurfaceWork = {
  ...{ area: 100, washed: 60, scraped: NO_AREA, caulked: 12, backRolled: 50 },
  filled: { ...NO_AREA, fair: 100 },
  sanded: { ...NO_AREA, fair: 100 },
  between: 20,
  highShare: 0.5,
};

describe('hours', () => {
  const work: JobWork = {
    ...{ trigger: 3960, protection, surfaces: onSurfaces, moves: 6, flushes: 2, baseChanges: 1, days: 2 },
    inUse: true,
    people: 2,
  };
  const hours = workOf(work, USUAL_RATES);
  const inHours = (task: Task, of: JobHours = hours) => (of[task]?.value ?? NaN) / 3600;

  it('are what one works out by hand', () => {
    expect(inHours('setUp')).toBeCloseTo((2 * 40) / 60, 9);
    expect(inHours('furniture')).toBeCloseTo((3 * 20) / 60, 9);
    // Two rooms with the power off, ten plates, three lights
    expect(inHours('fittings')).toBeCloseTo((2 * 5 + 10 * 1.5 + 3 * 8) / 60, 9);
    expect(inHours('masking')).toBeCloseTo(2 + 1.5 + 1, 9);
    expect(inHours('doors')).toBeCloseTo(6 / 2.4, 9);
    expect(inHours('preparing')).toBeCloseTo(1 + 100 / 60 + 100 / 60, 9);
    expect(inHours('caulking')).toBeCloseTo(12 / 40, 9);
    expect(inHours('dusting')).toBeCloseTo(0.5, 9);
    expect(inHours('spraying')).toBeCloseTo(2, 9);
    expect(inHours('backRolling')).toBeCloseTo(2, 9);
    expect(inHours('between')).toBeCloseTo(10 / 60, 9);
    expect(inHours('moving')).toBeCloseTo(1, 9);
    expect(inHours('flushing')).toBeCloseTo((50 + 45) / 60, 9);
    const high = 4.5 + 1 + 200 / 60 + 0.3 + 0.5 + 2 + 2 + 10 / 60;
    expect(inHours('height')).toBeCloseTo(high * 0.5 * 0.25, 9);
    expect(inHours('unmasking')).toBeCloseTo(4.5 * 0.3, 9);
    expect(inHours('touchUp')).toBeCloseTo(25 / 60, 9);
    expect(inHours('cleaning')).toBeCloseTo(80 / 60, 9);
    expect(inHours('travel')).toBeCloseTo((4 * 40) / 60, 9);
    const site = TASK_IDS.filter((task) => !['supervision', 'breaks', 'travel'].includes(task)).reduce(
      (sum, task) => sum + inHours(task),
      0,
    );
    expect(inHours('supervision')).toBeCloseTo(site * 0.05, 9);
    expect(inHours('breaks')).toBeCloseTo(site * 0.1, 9);
    for (const task of TASK_IDS) {
      expect(hours[task]?.low).toBeLessThan(hours[task]?.value ?? NaN);
      expect(hours[task]?.high).toBeGreaterThan(hours[task]?.value ?? NaN);
    }
  });

  it('are those of the lines of the site, together', () => {
    const sum = (tasks: readonly Task[]) =>
      tasks.reduce((total, task) => total + (hours[task]?.value ?? 0), 0);
    const lines = siteLines(work, USUAL_RATES);
    expect(lines.reduce((total, { time }) => total + time, 0)).toBeCloseTo(
      sum(['furniture', 'fittings', 'masking', 'doors', 'preparing', 'caulking', 'dusting']),
      6,
    );
    // Ten plates at a minute and a half, six doors at 2.4 an hour
    expect(lines.find(({ rate }) => rate === 'plates')).toMatchObject({
      amount: 10,
      counted: 'count',
      time: 900,
    });
    expect(lines.find(({ rate }) => rate === 'doors')?.time).toBeCloseTo(9000, 6);
    expect(lines.map(({ rate }) => rate).slice(0, 3)).toEqual(['power', 'plates', 'lights']);
    expect(siteLines({ ...work, inUse: false }, USUAL_RATES).some(({ rate }) => rate === 'furniture')).toBe(
      false,
    );
  });

  it('say whose rate they stand on', () => {
    expect(hours.doors?.basis).toBe('default');
    expect(workOf(work, { ...USUAL_RATES, doors: 8 }).doors).toMatchObject({
      basis: 'history',
      value: 0.75 * 3600,
    });
  });

  it('leave out what is switched off, and its share of what is a share of it', () => {
    const without = workOf(work, USUAL_RATES, ['masking', 'breaks']);
    expect([without.masking, without.breaks]).toEqual([undefined, undefined]);
    expect(inHours('unmasking', without)).toBe(0);
    expect(inHours('supervision', without)).toBeCloseTo(
      inHours('supervision') - 0.05 * (4.5 * 1.3 + 4.5 * 0.5 * 0.25),
      9,
    );
    expect(workOf({ ...work, inUse: false }, USUAL_RATES).furniture?.value).toBe(0);
  });

  it('take more days where what comes again each day makes them so', () => {
    const { days: _days, ...rest } = work;
    const { hours: all, days } = workWithDays(rest, USUAL_RATES);
    const sum = Object.values(all).reduce((total, one) => total + one.value, 0);
    expect(days).toBe(daysOf(sum, 2));
    expect(all.cleaning?.value).toBeCloseTo(days * 40 * 60, 6);
    // Rates that eat the day up come to an end, too
    expect(workWithDays(rest, { ...USUAL_RATES, setUp: 600, cleanUp: 600 }).days).toBe(1000);
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
