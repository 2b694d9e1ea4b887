import { rankTips, type SetupRequest } from '.';
import { SPRAYER_CLASS_DATA } from '../line';
import { measure } from '../takeoff';
import { tipCatalogue, writeTipCode, type Tip } from '../tip';
import { of, quantity } from '../units';
import { CRITERIA, CRITERION_NAMES } from './criteria';
import { reasonAgainst, reasonFor } from './rank';
import { meshFor, searchContext, type SearchContext } from './request';

const request: SetupRequest = {
  element: 'wall',
  side: 'inside',
  kind: 'smooth-board',
  condition: 'sealed',
  wind: 'calm',
  geometry: { shape: 'rectangle', width: 6, height: 2.4, count: 1, openings: [] },
  coating: { name: 'Satin', archetype: 'wall-satin', overrides: {} },
  coats: 2,
  thinning: quantity(0),
  sprayer: SPRAYER_CLASS_DATA['mid electric'],
  hoses: [{ length: of(15, 'm'), bore: of(1 / 4, 'in') }],
  lift: quantity(0),
  rack: [],
  containerSizes: [of(5, 'L')],
};
const contextOf = (extra: Partial<SetupRequest> = {}): SearchContext => {
  const whole = { ...request, ...extra };
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
      list.map((one) => `${one.score.toFixed(9)} ${writeTipCode(one.tip)}`);
    expect(names(backwards)).toEqual(names(forwards));
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

  it('name the weakness of a poor choice', () => {
    expect(reasonFor(ranked(tip('standard', 1, 15)), context, 'metric')).toMatch(
      /narrow fan: more passes|fast/,
    );
    expect(reasonFor(ranked(tip('fine-finish', 5, 15)), context, 'metric')).toMatch(
      /not made for broad work|gun has to move/,
    );
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
