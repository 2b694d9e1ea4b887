import fc from 'fast-check';
import {
  FACTOR_GROUPS,
  RISKS,
  WATERFALL,
  enoughFor,
  extraByWear,
  histogramOf,
  jobModel,
  paintDistributions,
  purchaseFor,
  quantileOf,
  saferFor,
  sparesFor,
  triangular,
  volumesOf,
  waterfall,
  type CoatingDemand,
  type FactorGroup,
  type JobModel,
  type JobSurface,
  type PaintDistribution,
  type PaintedSurface,
} from '.';
import { archetypeOf, type ArchetypeId } from '../coating';
import { TIP_LIFE } from '../tip';
import { of, to, type Volume } from '../units';

const surface = (extra: Partial<PaintedSurface> = {}): PaintedSurface => ({
  element: 'wall',
  side: 'inside',
  kind: 'smooth-board',
  condition: 'sealed',
  wind: 'calm',
  coating: { name: 'Satin', archetype: 'wall-satin', overrides: {} },
  coats: 2,
  ...extra,
});
const walls = (count: number, extra: (index: number) => Partial<PaintedSurface> = () => ({})): JobSurface[] =>
  Array.from({ length: count }, (_, index) => ({
    id: `s${index}`,
    surface: surface(extra(index)),
    netArea: 20,
  }));
const demand = (
  surfaces: readonly JobSurface[] = walls(1),
  extra: Partial<CoatingDemand> = {},
): CoatingDemand => ({
  id: 'satin',
  coating: { name: 'Satin', archetype: 'wall-satin', overrides: {} },
  surfaces,
  hoses: [{ length: of(15, 'm'), bore: of(0.25, 'in') }],
  fills: 1,
  ...extra,
});
/** A model of which some groups alone are uncertain, without wear and fill: volumes are then plain products. */
function uncertainOnly(model: JobModel, ...groups: readonly FactorGroup[]): JobModel {
  return {
    coatings: model.coatings.map((one) => ({ ...one, fills: 0 })),
    factors: model.factors.map(({ group, input, draw }) => {
      const value = group === 'wear' ? 0 : input.value;
      return {
        group,
        draw,
        input: groups.includes(group) ? input : { ...input, value, low: value, high: value },
      };
    }),
  };
}
function distributions(model: JobModel, draws = 20_000, seed = 7): readonly PaintDistribution[] {
  const result = paintDistributions(model, { draws, seed });
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
function only(model: JobModel, draws?: number, seed?: number): PaintDistribution {
  const [first] = distributions(model, draws, seed);
  if (!first) throw new Error('a distribution');
  return first;
}
const likely = (model: JobModel) =>
  volumesOf(
    model,
    model.factors.map(({ input }) => Float64Array.of(input.value)),
  ).map(([volume = NaN]) => volume);
const spreadOf = ({ sorted, mean }: PaintDistribution) =>
  Math.sqrt(sorted.reduce((sum, one) => sum + (one - mean) ** 2, 0) / sorted.length) / mean;
const inputOf = (model: JobModel, wanted: FactorGroup) => {
  const found = model.factors.find(({ group }) => group === wanted);
  if (!found) throw new Error(wanted);
  return found.input;
};

/** One uniform number as a triangular one. */
const placed = (low: number, likely: number, high: number, u: number) =>
  triangular(low, likely, high, Float64Array.of(u))[0] as number;

describe('layers of one surface', () => {
  /** A wall of 40 m² with spots on a tenth of it under its finish. */
  const wall = { id: 'wall', surface: surface(), netArea: 40 };
  const spots = { ...wall, surface: surface({ coats: 1 }), netArea: 4 };
  const finish = demand([wall], { id: 'satin' });
  const primer = demand([spots], { id: 'primer' });

  it('have each its own area, whichever comes first', () => {
    const alone = likely(jobModel([finish]))[0];
    const [first, second] = [likely(jobModel([primer, finish])), likely(jobModel([finish, primer]))];
    expect(first[1]).toBe(alone);
    expect(second[0]).toBe(alone);
    expect(first[0]).toBe(second[1]);
    expect(first[0]).toBeCloseTo(likely(jobModel([primer]))[0] ?? 0, 15);
  });

  it('spots never lower what another layer takes, draw by draw', () => {
    const share = fc.double({ min: 0.01, max: 1, noNaN: true });
    fc.assert(
      fc.property(share, fc.boolean(), (part, before) => {
        const some = demand([{ ...spots, netArea: 40 * part }], { id: 'primer' });
        const model = jobModel(before ? [some, finish] : [finish, some]);
        const [one = NaN, other = NaN] = likely(model);
        expect(before ? other : one).toBe(likely(jobModel([finish]))[0]);
        // Sizes that are off are off in every layer: by the same share of each
        const areas = model.factors.filter(({ group }) => group === 'area');
        expect(new Set(areas.map(({ draw }) => draw)).size).toBe(1);
      }),
    );
  });

  it('with their own history each land as their own coating does', () => {
    const learned = { transfer: { ...inputOf(jobModel([finish]), 'te'), value: 0.5, low: 0.45, high: 0.55 } };
    const other = demand([{ ...wall, surface: surface({ history: learned }) }], { id: 'other' });
    const both = likely(jobModel([finish, other]));
    expect(both[1]).toBe(likely(jobModel([other]))[0]);
  });
});

describe('a triangular number', () => {
  it('has its cumulative at the quarters, by hand', () => {
    // Rising side: P(x ≤ low + t) = t²/((high − low)(likely − low)): from 0 over 1 to 4, 1/16 lies below 0.5
    expect(placed(0, 1, 4, 1 / 16)).toBeCloseTo(0.5, 12);
    expect(placed(0, 1, 4, 1 / 4)).toBeCloseTo(1, 12);
    // Falling side: 1 − (4 − x)²/(4 · 3): 2/3 above 2 − …: 1 − 4/12 = 2/3 at x = 2
    expect(placed(0, 1, 4, 2 / 3)).toBeCloseTo(2, 12);
    expect([placed(0, 1, 4, 0), placed(0, 1, 4, 1)]).toEqual([0, 4]);
    expect(placed(3, 3, 3, 0.4)).toBe(3);
  });

  it('lies in its range and rises with the chance', () => {
    const number = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(number, number, number, number, (a, b, c, u) => {
        const [low = 0, middle = 0, high = 0] = [a, b, c].sort((x, y) => x - y);
        const one = placed(low, middle, high, u);
        expect(one).toBeGreaterThanOrEqual(low - 1e-12);
        expect(one).toBeLessThanOrEqual(high + 1e-12);
        expect(placed(low, middle, high, Math.min(1, u + 0.1))).toBeGreaterThanOrEqual(one - 1e-12);
      }),
    );
  });
});

describe('wear while spraying', () => {
  const byIntegral = (lives: number) => {
    let sum = 0;
    for (let step = 0; step < 20_000; step += 1) {
      const x = (((step + 0.5) / 20_000) * lives) % 1;
      sum += (1 + 0.4 * x) / (1 - 0.25 * x) - 1;
    }
    return sum / 20_000;
  };
  it('is the mean of the extra film over the lives of the tips sprayed through', () => {
    for (const lives of [0.1, 0.5, 1, 1.5, 3]) expect(extraByWear(lives)).toBeCloseTo(byIntegral(lives), 4);
    // At the end of its life a tip lays 1.4/0.75 = 1.87 times the film (domain: 1.87)
    expect(extraByWear(0)).toBe(0);
    expect(extraByWear(2)).toBeCloseTo(extraByWear(1), 12);
  });
});

describe('the distribution of a purchase', () => {
  it('has the mean and the P95 of the closed form where the share that lands alone is uncertain', () => {
    const model = uncertainOnly(jobModel([demand()]), 'te');
    const { low: a, value: c, high: b } = inputOf(model, 'te');
    const found = only(model);
    // E(1/x) of a triangle from a over c to b, by parts
    const inverse =
      (2 / (b - a)) * ((c - a - a * Math.log(c / a)) / (c - a) + (b * Math.log(b / c) - (b - c)) / (b - c));
    const [volume = NaN] = likely(model);
    // 20,000 draws of a spread of 3 %: the mean is good to 0.03 %, the P95 to 0.1 %
    expect(found.mean / (volume * c * inverse)).toBeCloseTo(1, 3);
    expect(quantileOf(found.sorted, 0.95) / ((volume * c) / placed(a, c, b, 0.05))).toBeCloseTo(1, 2);
    expect(quantileOf(found.sorted, 0.5) / ((volume * c) / placed(a, c, b, 0.5))).toBeCloseTo(1, 2);
  });

  it('is lognormal where the gun hand alone is uncertain: mean e^(σ²/2), P95 e^(1.645 σ)', () => {
    const model = uncertainOnly(jobModel([demand()]), 'hand');
    const found = only(model);
    const [volume = NaN] = likely(model);
    expect(found.mean / volume).toBeCloseTo(Math.exp(0.005), 2);
    expect(quantileOf(found.sorted, 0.95) / volume / Math.exp(0.16449)).toBeCloseTo(1, 2);
    expect(quantileOf(found.sorted, 0.5) / volume).toBeCloseTo(1, 2);
  });

  it('takes the range of the gun hand as one standard deviation, whatever its middle', () => {
    const model = uncertainOnly(jobModel([demand()]), 'hand');
    const slow = {
      ...model,
      factors: model.factors.map((one) =>
        one.group === 'hand' ? { ...one, input: { ...one.input, low: 1.8, value: 2, high: 2.2 } } : one,
      ),
    };
    const found = only(slow);
    const [volume = NaN] = likely(slow);
    expect(quantileOf(found.sorted, 0.95) / volume / Math.exp(0.16449)).toBeCloseTo(1, 2);
  });

  it('is read between its draws, and counted in equal steps', () => {
    const draws = Float64Array.from({ length: 1001 }, (_, index) => 100 + index / 10);
    expect(quantileOf(Float64Array.of(0, 10, 20), 0.25)).toBeCloseTo(5, 12);
    expect(quantileOf(draws, 0.95)).toBeCloseTo(195, 9);
    expect([quantileOf(draws, -1), quantileOf(draws, 2)]).toEqual([100, 200]);
    // From 100.1 to 199.9: 998 of the draws in ten steps of 9.98
    const { from, step, counts } = histogramOf(draws, 10);
    expect([from, step]).toEqual([expect.closeTo(100.1, 9), expect.closeTo(9.98, 9)]);
    for (const count of counts) expect(Math.abs(count - 100)).toBeLessThanOrEqual(1);
    expect(histogramOf(Float64Array.of(3, 3, 3), 2).counts).toEqual([3, 0]);
  });

  it('is refused for a range that is none', () => {
    for (const netArea of [NaN, -1, Infinity, 1e9])
      expect(
        paintDistributions(jobModel([demand([{ id: 's', surface: surface(), netArea }])]), {
          draws: 100,
          seed: 1,
        }),
      ).toMatchObject({ ok: false, field: 'area' });
    const model = jobModel([demand()]);
    const never = model.factors.map((one) =>
      one.group === 'te' ? { ...one, input: { ...one.input, low: 0 } } : one,
    );
    expect(paintDistributions({ ...model, factors: never }, { draws: 100, seed: 1 })).toMatchObject({
      ok: false,
      field: 'te',
    });
  });

  it('evens out sizes measured apart, and not what surfaces share', () => {
    // Sizes ±2 %: a symmetric triangle has the standard deviation 0.02/√6 = 0.816 %; 25 alike: a fifth of it
    const apart = spreadOf(only(uncertainOnly(jobModel([demand(walls(25))]), 'area')));
    expect(apart / (0.02 / Math.sqrt(6) / 5)).toBeCloseTo(1, 1);
    const spread = (surfaces: JobSurface[]) =>
      spreadOf(only(uncertainOnly(jobModel([demand(surfaces)]), 'te')));
    // The same but for the sampling of 20,000 draws, 0.5 % of a standard deviation each
    expect(spread(walls(25)) / spread(walls(1))).toBeCloseTo(1, 1);
    const mixed = walls(2, (index) => ({ element: index === 0 ? 'wall' : 'ceiling' }));
    expect(spread(mixed)).toBeLessThan(0.85 * spread(walls(1)));
  });

  it('is the same for the same seed', () => {
    const model = jobModel([demand(walls(3))]);
    expect(only(model, 500, 3)).toEqual(only(model, 500, 3));
    expect(only(model, 500, 3).sorted).not.toEqual(only(model, 500, 4).sorted);
  });

  it('draws the hand of the crew once for all coatings of a job', () => {
    const second = demand(walls(1), { id: 'other' });
    const model = uncertainOnly(jobModel([demand(), second]), 'hand');
    const [one, other] = distributions(model, 500);
    expect(one?.sorted).toEqual(other?.sorted);
    const apart = jobModel([demand(), second]).factors.filter(({ group }) => group === 'dry');
    expect(apart).toHaveLength(2);
  });

  it('says what the variance comes from, as the closed form of a product has it', () => {
    const model = uncertainOnly(jobModel([demand()]), 'hand', 'te');
    const { shares } = only(model);
    const { low: a, value: c, high: b } = inputOf(model, 'te');
    // f = K · h/te: V = E(h²) E(g²) − E(h)² E(g)², share of h = E(g)² V(h)/V; moments of g = 1/te by a fine sum
    const g = Array.from({ length: 20_000 }, (_, index) => 1 / placed(a, c, b, (index + 0.5) / 20_000));
    const meanG = g.reduce((sum, one) => sum + one, 0) / g.length;
    const squareG = g.reduce((sum, one) => sum + one * one, 0) / g.length;
    const [meanH, squareH] = [Math.exp(0.005), Math.exp(0.02)];
    const all = squareH * squareG - meanH ** 2 * meanG ** 2;
    const share = (group: FactorGroup) => shares.find((one) => one.group === group)?.share ?? NaN;
    expect(Math.abs(share('hand') - (meanG ** 2 * (squareH - meanH ** 2)) / all)).toBeLessThan(0.05);
    expect(Math.abs(share('te') - (meanH ** 2 * (squareG - meanG ** 2)) / all)).toBeLessThan(0.05);
    expect(shares[0]?.group).toBe('hand');
    for (const group of ['area', 'life', 'pump'] as const) expect(share(group)).toBeNaN();
  });

  it.each([0, 99, 1e7, NaN, 200.5])('is refused for %d draws', (draws) => {
    expect(paintDistributions(jobModel([demand()]), { draws, seed: 1 })).toMatchObject({
      ok: false,
      field: 'draws',
    });
  });

  it('is empty for a job without paint', () => {
    expect(distributions(jobModel([]), 200)).toEqual([]);
    const nothing = only(uncertainOnly(jobModel([demand([])])), 200);
    expect(nothing.mean).toBe(0);
  });
});

describe('where the paint goes', () => {
  it('adds up from the film to the purchase, as the model has it', () => {
    const bare = { kind: 'coarse-render', condition: 'bare', side: 'outside', wind: 'breeze' } as const;
    for (const archetype of ['wall-satin', 'trim-enamel', 'penetrating-stain'] as ArchetypeId[]) {
      const coating = { name: 'x', archetype, overrides: {} };
      const one = demand(
        walls(3, () => ({ ...bare, coating })),
        { coating, fills: 2 },
      );
      const { steps, total } = waterfall(one);
      expect(steps.reduce((sum, { volume }) => sum + volume, 0)).toBeCloseTo(total, 12);
      expect(likely(jobModel([one]))[0]).toBeCloseTo(total, 12);
      for (const { volume } of steps) expect(volume).toBeGreaterThan(0);
    }
  });

  it('is worked out by hand for one wall', () => {
    const { steps } = waterfall(demand(walls(1, () => ({ kind: 'orange-peel', condition: 'bare' }))));
    const litres = Object.fromEntries(steps.map(({ step, volume }) => [step, to(volume as Volume, 'L')]));
    const { dry, solids } = {
      dry: inputOf(jobModel([demand()]), 'dry').value,
      solids: inputOf(jobModel([demand()]), 'solids').value,
    };
    const film = (20 * 2 * dry * 1000) / solids;
    expect(litres['film']).toBeCloseTo(film, 9);
    expect(litres['texture']).toBeCloseTo(0.12 * film, 9);
    // What soaks in is sprayed as the film is
    expect(litres['missed']).toBeCloseTo((1.12 * film + 20 * 0.02) * (1 / 0.82 - 1), 9);
    expect(litres['absorbed']).toBeCloseTo(20 * 0.02, 9);
    // Hose 15 m of 1/4 in: 0.475 L; pump 0.6 L
    expect(litres['fill']).toBeCloseTo((Math.PI / 4) * 6.35 ** 2 * 15e-3 + 0.6, 6);
    expect(Object.keys(litres)).toEqual(Object.keys(WATERFALL));
  });
});

describe('what to buy', () => {
  const sizes = [of(2.5, 'L'), of(10, 'L')].map((size) => ({ size, price: null }));
  it('is enough with the chance chosen, and says with which', () => {
    const one = demand(walls(4));
    const distribution = only(jobModel([one]));
    const bought = (['P50', 'P80', 'P95'] as const).map((risk) =>
      purchaseFor(one, distribution, risk, sizes),
    );
    bought.forEach(({ volume, bought: all, enough }, index) => {
      const chance = Object.values(RISKS)[index] ?? NaN;
      expect(all).toBeGreaterThanOrEqual(volume - 1e-9);
      expect(enough).toBeGreaterThanOrEqual(chance - 1e-9);
      expect(enoughFor(distribution.sorted, volume)).toBeCloseTo(chance, 3);
    });
    expect(bought.map(({ volume }) => volume)).toEqual(
      [...bought.map(({ volume }) => volume)].sort((a, b) => a - b),
    );
    expect(enoughFor(distribution.sorted, 0)).toBe(0);
    expect(enoughFor(distribution.sorted, 1)).toBe(1);
    // Worn half away at the short end of the life: still one to spare for it
    const { low } = TIP_LIFE[archetypeOf('wall-satin').abrasionClass];
    expect(bought[0]?.spares).toBe(sparesFor((bought[0]?.volume ?? NaN) / low));
    const tips = (litres: number) =>
      purchaseFor(one, { sorted: Float64Array.of(litres * low) }, 'P50', sizes).spares;
    expect([0.4, 0.5, 0.6, 1.5, 1.6, 4].map(tips)).toEqual([0, 0, 1, 1, 2, 4]);
  });

  it('names a safer purchase where it costs little more, and none where it does not', () => {
    const one = demand(walls(4));
    // Draws of 60 to 79 L: half need 70 at most, nineteen in twenty 78.05
    const sorted = Float64Array.from({ length: 200 }, (_, index) => of(60 + index / 10, 'L'));
    const offer = (large: number) => [
      { size: of(10, 'L'), price: 100 },
      { size: of(80, 'L'), price: large },
    ];
    const at = (large: number) => {
      const bought = purchaseFor(one, { sorted }, 'P50', offer(large));
      return { bought, safer: saferFor(one, { sorted }, bought, offer(large)) };
    };
    // Seven of 10 L hold what half the draws need for 700; 80 L for 720 are enough always
    expect(at(720).bought.bought).toBeCloseTo(of(70, 'L'), 9);
    expect(at(720).safer).toMatchObject({ more: 20, purchase: { enough: 1 } });
    expect(at(790).safer).toBeUndefined();
    // What is cheapest may be what is safest already
    expect(at(690)).toMatchObject({ bought: { cost: 690 }, safer: undefined });
    expect(saferFor(one, { sorted }, { ...at(720).bought, cost: null }, offer(720))).toBeUndefined();
  });

  it('buys for the least money among what has a price, and says what it costs', () => {
    const onSale = [
      { size: of(5, 'L'), price: 50 },
      { size: of(10, 'L'), price: 60 },
      { size: of(1, 'L'), price: null },
    ];
    const one = demand(walls(4));
    const drawn = { sorted: Float64Array.from([of(14, 'L')]) };
    const least = purchaseFor(one, drawn, 'P80', onSale, 'left over');
    expect([least.bought, least.cost]).toEqual([expect.closeTo(of(14, 'L'), 9), null]);
    const cheap = purchaseFor(one, drawn, 'P80', onSale, 'cost');
    expect([cheap.bought, cheap.cost]).toEqual([expect.closeTo(of(15, 'L'), 9), 110]);
    const unpriced = purchaseFor(one, drawn, 'P80', sizes, 'cost');
    expect(unpriced.cost).toBeNull();
    expect(unpriced.containers.length).toBeGreaterThan(0);
  });

  it('names every group of factors with how to know it better', () => {
    for (const { name, better } of Object.values(FACTOR_GROUPS)) {
      expect(name).not.toBe('');
      expect(better).toMatch(/\.$/);
    }
  });
});
