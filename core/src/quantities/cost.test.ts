import { workingDefault } from '../explain';
import { of } from '../units';
import {
  CONSUMABLE_IDS,
  NO_AREA,
  USUAL_RATES,
  consumablesFor,
  jobCost,
  sprayedVolume,
  tipWear,
  workOf,
  type Consumable,
} from '.';

const NOTHING = {
  maskingLine: 0,
  film: 0,
  floorCover: 0,
  fittings: 0,
  doors: 0,
  rooms: 0,
  inTheWay: { plate: 0, light: 0, vent: 0, alarm: 0, curtain: 0 },
  powerOff: 0,
};
const protection = { ...NOTHING, maskingLine: 100, floorCover: 20 };
const life = workingDefault('Life of a tip', 'volume', of(300, 'L'), of(200, 'L'), of(400, 'L'));
const worn = tipWear([{ name: 'Matt', likely: of(150, 'L'), life }]);
const consumables = consumablesFor({ protection, paint: of(150, 'L'), coatings: 3, days: 2, tips: worn });
const NO_WORK = {
  area: 0,
  washed: 0,
  scraped: NO_AREA,
  filled: NO_AREA,
  sanded: NO_AREA,
  caulked: 0,
  backRolled: 0,
  between: 0,
};
const hours = workOf(
  {
    ...{ trigger: 1980, protection: NOTHING, surfaces: { ...NO_WORK, highShare: 0 } },
    ...{ moves: 0, flushes: 0, baseChanges: 0, days: 0, inUse: false, people: 2 },
  },
  USUAL_RATES,
  ['supervision', 'breaks'],
);
const prices = (known: Partial<Record<Consumable, number>>) =>
  Object.fromEntries(CONSUMABLE_IDS.map((id) => [id, known[id] ?? null])) as Record<
    Consumable,
    number | null
  >;
const paint = [
  { name: 'Matt', cost: { low: 90, likely: 100, high: 120 } },
  { name: 'Satin', cost: { low: 40, likely: 50, high: 70 } },
];
const cost = (known: Partial<Record<Consumable, number>>, hour: number | null = 40) =>
  jobCost({ paint, consumables, hours, book: { hour, prices: prices(known) } });

describe('what is used up', () => {
  it('is a strainer and a gun filter for each coating, and more by the paint', () => {
    // 3 coatings, 150 L at 20 L a strainer and 60 L a filter
    expect([consumables.strainer.value, consumables.filter.value]).toEqual([11, 6]);
    expect(consumables.lubricant.value).toBeCloseTo(of(60, 'mL'), 12);
  });
});

describe('what a job costs', () => {
  it('adds the paint of all coatings, low to high', () => {
    expect(cost({}).paint).toEqual({ low: 130, likely: 150, high: 190 });
  });

  it('pays for what is used up by the metre, the square metre, the piece and the litre', () => {
    expect(cost({ tape: 0.1 }).consumables.likely).toBeCloseTo(consumables.tape.value * 0.1, 9);
    expect(cost({ cover: 2 }).consumables.high).toBeCloseTo(consumables.cover.high * 2, 9);
    expect(cost({ strainer: 3 }).consumables.likely).toBe(33);
    // 60 mL of lubricant at 25 a litre
    expect(cost({ lubricant: 25 }).consumables.likely).toBeCloseTo(1.5, 9);
    const both = cost({ tape: 0.1, strainer: 3 }).consumables;
    expect(both.likely).toBeCloseTo(33 + consumables.tape.value * 0.1, 9);
    expect(both.low).toBeLessThan(both.likely);
  });

  it('pays hours: 33 minutes with the trigger open are an hour of spraying', () => {
    expect(cost({}).labour.likely).toBeCloseTo(40, 6);
    expect(cost({}, null).labour).toEqual({ low: 0, likely: 0, high: 0 });
  });

  it('is all of it together, and names what has no price', () => {
    const { total, missing } = cost({ strainer: 3 }, null);
    expect(total.likely).toBeCloseTo(150 + 33, 9);
    expect(missing).toContainEqual({ part: 'labour', name: 'Hours' });
    expect(missing).toContainEqual({ part: 'consumables', name: 'Masking tape' });
    expect(missing.map(({ name }) => name)).not.toContain('Paint strainers');
    // Nothing of it is used, so nothing is missing
    expect(missing.map(({ name }) => name)).not.toContain('Masking film');
    const unpriced = jobCost({
      paint: [{ name: 'Matt', cost: null }],
      ...{ consumables, hours, book: { hour: 40, prices: prices({}) } },
    });
    expect(unpriced.missing[0]).toEqual({ part: 'paint', name: 'Matt' });
    expect(unpriced.paint.likely).toBe(0);
  });
});

describe('paint sprayed at a surface', () => {
  const likely = {
    area: 10,
    texture: 1.2,
    coats: 2,
    dry: 40e-6,
    hand: 1,
    solids: 0.4,
    te: 0.8,
    over: 1,
    absorbed: 20e-6,
  };
  it('is the wet film on the true area over what arrives, with what soaks in, by hand', () => {
    // 10 m² · (1.2 · 2 · 40 μm/0.4 + 20 μm) = 2.6 L have to arrive: 3.25 L at 0.8
    expect(sprayedVolume(likely)).toBeCloseTo(of(3.25, 'L'), 12);
    // A hand that lays a quarter more: 3.2 L arrive
    expect(sprayedVolume({ ...likely, hand: 1.25 })).toBeCloseTo(of(4, 'L'), 12);
    // A quarter of the fan beside the piece
    expect(sprayedVolume({ ...likely, over: 0.75 })).toBeCloseTo(of(3.25 / 0.75, 'L'), 12);
  });
});
