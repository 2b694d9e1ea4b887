import { rankTips, setupCard, type RankedTip, type SetupRequest } from '.';
import type { ArchetypeId } from '../coating';
import { measure } from '../takeoff';
import { wallRequest } from '../testing';
import { tipCatalogue, writeTipCode, type Tip } from '../tip';
import { of, quantity, to, type Volume } from '../units';
import { CRITERIA, CRITERION_NAMES } from './criteria';
import type { Candidate } from './candidate';
import { reasonAgainst, reasonFor } from './rank';
import { meshFor, searchContext, type SearchContext } from './request';

const contextOf = (extra: Partial<SetupRequest> = {}): SearchContext => {
  const whole = wallRequest({
    geometry: { shape: 'rectangle', width: 6, height: 2.4, count: 1, openings: [] },
    coating: { name: 'Satin', archetype: 'wall-satin', overrides: {} },
    ...extra,
  });
  const area = measure(whole.geometry);
  if (!area.ok) throw new Error(area.message);
  return searchContext(whole, area.value);
};
const tip = (family: Tip['family'], fan: number, orificeThou: number): Tip => ({ family, fan, orificeThou });

describe('ranking', () => {
  it('accounts for every tip of the catalogue, once', () => {
    const { tips, refused } = rankTips(contextOf(), 'metric');
    expect(tips.length + refused.length).toBe(tipCatalogue().length);
    const scores = tips.map(({ score }) => score);
    expect([...scores].sort((a, b) => b - a)).toEqual(scores);
    expect(Math.max(...scores)).toBeLessThanOrEqual(1);
    expect(Math.min(...scores)).toBeGreaterThanOrEqual(0);
  });

  it('does not depend on the order of the catalogue', () => {
    const forwards = rankTips(contextOf(), 'metric').tips.slice(0, 20);
    const backwards = rankTips(contextOf(), 'metric', [...tipCatalogue()].reverse()).tips.slice(0, 20);
    const names = (list: typeof forwards) =>
      list.map((one) => `${one.score.toFixed(9)} ${writeTipCode(one.candidate.tip)}`);
    expect(names(backwards)).toEqual(names(forwards));
  });

  it('weighs by shares that add up to one', () => {
    expect(CRITERION_NAMES.reduce((sum, name) => sum + CRITERIA[name].weight, 0)).toBeCloseTo(1, 12);
  });

  it('is empty for an empty catalogue', () => {
    expect(rankTips(contextOf(), 'metric', [])).toEqual({ tips: [], refused: [] });
  });

  it('prefers a tip of the rack to its equal', () => {
    const [owned] = rankTips(contextOf({ rack: [tip('standard', 6, 15)] }), 'metric', [
      tip('standard', 6, 15),
    ]).tips;
    const [other] = rankTips(contextOf(), 'metric', [tip('standard', 6, 15)]).tips;
    expect(owned?.onRack).toBe(true);
    expect((owned?.score ?? 0) - (other?.score ?? 0)).toBeCloseTo(CRITERIA.rack.weight, 9);
  });

  it('keeps every fitness between nothing and one', () => {
    for (const { fitness } of rankTips(contextOf(), 'metric').tips)
      for (const name of CRITERION_NAMES) {
        expect(fitness[name]).toBeGreaterThanOrEqual(-1e-9);
        expect(fitness[name]).toBeLessThanOrEqual(1);
      }
  });
});

describe('the words for a tip', () => {
  const context = contextOf();
  const ranked = (one: Tip) => {
    const [found] = rankTips(context, 'metric', [one]).tips;
    if (!found) throw new Error('refused');
    return found;
  };
  const best = ranked(tip('standard', 5, 15));

  it('say what speaks for the best one, in the units asked for', () => {
    expect(reasonFor(best, context, 'metric')).toMatch(
      /^15 thou suits this paint; 254 mm fan fits the piece/,
    );
    expect(reasonFor(best, context, 'us')).toMatch(/10 in fan/);
  });

  it.each([
    [tip('standard', 6, 15), /^Wider fan, fewer passes; gun moves slower/],
    [tip('standard', 5, 17), /^More paint, quicker; gun moves faster/],
    [tip('standard', 4, 13), /^Narrower fan, neater at edges; less paint, easier on the pump/],
    [tip('low-pressure', 5, 15), /^Low-pressure family, less overspray/],
  ])('name what changes with another tip (%#)', (one, words) => {
    expect(reasonAgainst(ranked(one), best, context, 'metric')).toMatch(words);
  });

  it('name the weightiest of several weaknesses, and what is lost most against the best', () => {
    const weak = (fitness: Partial<RankedTip['fitness']>): RankedTip => ({
      ...best,
      fitness: { ...best.fitness, ...fitness },
    });
    expect(reasonFor(weak({ orifice: 0.5, time: 0.1 }), context, 'metric')).toMatch(/coarse for this paint$/);
    expect(reasonFor(weak({ orifice: 0.55, margin: 0.1 }), context, 'metric')).toMatch(
      /needs the pump|takes \d+ %/,
    );
    expect(reasonAgainst(weak({ orifice: 0.3, time: 0.2 }), best, context, 'metric')).toMatch(
      /^Coarse for this paint/,
    );
    // Lost, but still well: not worth a word
    expect(reasonAgainst(weak({ orifice: 0.8 }), best, context, 'metric')).toMatch(/suits this paint/);
    expect(reasonAgainst(weak({ time: 0.59 }), weak({ time: 0.6 }), context, 'metric')).toMatch(
      /suits this paint/,
    );
  });

  it('name the weakness of a poor choice', () => {
    expect(reasonFor(ranked(tip('standard', 1, 15)), context, 'metric')).toMatch(
      /narrow fan: more passes|fast/,
    );
    expect(reasonFor(ranked(tip('fine-finish', 5, 15)), context, 'metric')).toMatch(
      /not made for broad work|gun has to move/,
    );
  });
});

describe('the fitness of a tip', () => {
  const context = contextOf();
  const [some] = rankTips(context, 'metric', [tip('standard', 5, 15)]).tips;
  const candidate = (extra: Partial<Candidate>): Candidate => {
    if (!some) throw new Error('refused');
    return { ...some.candidate, ...extra };
  };

  it('falls by a fifth for each thou outside the usual orifices, and a little off their middle', () => {
    const fit = (orificeThou: number) =>
      CRITERIA.orifice.fitness(candidate({ tip: tip('standard', 5, orificeThou) }), context);
    // Wall satin: 13 to 17, the middle 15; 0.2 · 2/4 off at the ends; 19: 1 − 0.4 − 0.2 · 4/4
    expect([15, 13, 17, 19].map(fit).map((one) => Number(one.toFixed(6)))).toEqual([1, 0.9, 0.9, 0.4]);
    expect(CRITERIA.orifice.poor(candidate({ tip: tip('standard', 5, 11) }), context)).toMatch(/may clog/);
    expect(CRITERIA.orifice.poor(candidate({ tip: tip('standard', 5, 21) }), context)).toMatch(/coarse/);
  });

  it('falls on both sides of a comfortable gun speed', () => {
    const fit = (speed: number) => CRITERIA.speed.fitness(candidate({ gunSpeed: of(speed, 'm/s') }));
    // Nothing at 0.15 and 1.2 m/s, all from 0.4 to 0.75
    expect([0.15, 0.275, 0.4, 0.75, 0.975, 1.2].map(fit).map((one) => Number(one.toFixed(6)))).toEqual([
      0, 0.5, 1, 1, 0.5, 0,
    ]);
    expect(CRITERIA.speed.poor(candidate({ gunSpeed: of(1.5, 'm/s') }))).toMatch(/fast/);
    expect(CRITERIA.speed.poor(candidate({ gunSpeed: of(0.1, 'm/s') }))).toMatch(/slowly/);
  });

  it('falls for a fan of which too little is over the piece, and for more than two passes on narrow work', () => {
    const wall = (over: number) => CRITERIA.fan.fitness(candidate({ over }), contextOf());
    // Of the usual wall 0.92 of the fan is over it; three quarters of that are enough
    expect(wall(0.92)).toBe(1);
    expect(wall(0.69)).toBeCloseTo(1, 9);
    expect(wall(0.345)).toBeCloseTo(0.5, 9);
    const skirting = contextOf({
      element: 'trim',
      geometry: { shape: 'rectangle', width: 14, height: 0.12, count: 1, openings: [] },
    });
    const passes = (count: number) =>
      CRITERIA.fan.fitness(
        candidate({ tip: tip('standard', 2, 11), over: 0.72, covers: quantity(0.12 / count) }),
        skirting,
      );
    expect([1, 2, 4].map(passes)).toEqual([1, 1, 0.5]);
  });

  it('takes small work finely at any paint, patches with a small fan, casings and skirting in one pass or two', () => {
    const best = (extra: Partial<SetupRequest>) => {
      const found = setupCard(
        wallRequest({ hoses: [{ length: of(15, 'm'), bore: of(1 / 4, 'in') }], ...extra }),
      );
      if (!found.ok) throw new Error(found.message);
      return found.value.tip.candidate;
    };
    const sheet = (width: number, height: number) =>
      ({ shape: 'rectangle', width, height, count: 1, openings: [] }) as const;
    const paint = (archetype: ArchetypeId) => ({ name: archetype, archetype, overrides: {} });
    for (const archetype of ['trim-enamel', 'exterior-acrylic', 'wall-satin', 'solid-stain'] as const)
      for (const [element, geometry] of [
        ['edge', sheet(10, 0.2)],
        ['trim', sheet(5.2, 0.07)],
        ['trim', sheet(14, 0.12)],
      ] as const) {
        const found = best({ element, geometry, coating: paint(archetype) });
        expect([archetype, element, found.tip.orificeThou >= 9 && found.tip.orificeThou <= 13]).toEqual([
          archetype,
          element,
          true,
        ]);
        expect(found.tip.fan).toBeGreaterThanOrEqual(2);
        expect(found.tip.fan).toBeLessThanOrEqual(3);
        if (element === 'trim')
          expect(Math.round(Math.min(geometry.width, geometry.height) / found.covers)).toBeLessThanOrEqual(2);
      }
    // A tenth of a ceiling of 15 m², in patches
    const ceiling = {
      element: 'ceiling',
      coating: paint('stain-block'),
      geometry: sheet(5, 3),
      coats: 1,
    } as const;
    const spots = setupCard(wallRequest({ ...ceiling, spots: quantity(0.1) }));
    if (!spots.ok) throw new Error(spots.message);
    expect(spots.value.tip.candidate.tip.fan).toBeLessThanOrEqual(4);
    expect(spots.value.area.net).toBeCloseTo(1.5, 9);
    expect(to(quantity<Volume>(spots.value.paint.value), 'L')).toBeLessThan(0.4);
  });

  it('says how much of the pump is left, or what runs out first', () => {
    expect(CRITERIA.margin.good(candidate({ flowShare: 0.7 }))).toBe(
      'leaves the pump 30 % of its flow in hand',
    );
    expect(CRITERIA.margin.poor(candidate({ flowShare: 0.95, pressureMargin: 0.5 }))).toBe(
      'takes 95 % of what the pump gives',
    );
    expect(CRITERIA.margin.poor(candidate({ flowShare: 0.5, pressureMargin: 0.02 }))).toMatch(
      /near its highest pressure/,
    );
    // A quarter of the flow and a tenth of the pressure in hand are enough
    const fit = (flowShare: number, pressureMargin: number) =>
      CRITERIA.margin.fitness(candidate({ flowShare, pressureMargin }));
    expect([fit(0.75, 0.1), fit(0.875, 0.05), fit(0.875, 0.2), fit(1, 0.2)]).toEqual([1, 0.5, 0.5, 0]);
  });
});

describe('the gun filter', () => {
  it('is the mesh of the coating, and 100 for an orifice of 11 thou or finer', () => {
    expect(meshFor(60, of(0.015, 'in'))).toBe(60);
    expect(meshFor(60, of(0.011, 'in'))).toBe(100);
    expect(meshFor(30, of(0.009, 'in'))).toBe(100);
    expect(meshFor(60, of(0.012, 'in'))).toBe(60);
  });
});
