import fc from 'fast-check';
import {
  CRITERIA,
  chosenTipFits,
  evenFanPressure,
  netAreaOf,
  setupCard,
  type SetupCard,
  type SetupRequest,
} from '.';
import { ARCHETYPE_IDS, archetypeOf } from '../coating';
import type { Explained } from '../explain';
import { SPRAYER_CLASSES, SPRAYER_CLASS_DATA } from '../line';
import { ELEMENTS, SIDES, SURFACE_KIND_IDS, WINDS } from '../takeoff';
import { wallRequest } from '../testing';
import { FAMILY_DATA, TIP_FAMILIES, orificeDiameter } from '../tip';
import { of, quantity, to } from '../units';

function cardOf(extra: Partial<SetupRequest> = {}): SetupCard {
  const result = setupCard(wallRequest(extra));
  if (!result.ok) throw new Error(result.message);
  return result.value;
}

const coating = (archetype: (typeof ARCHETYPE_IDS)[number]) => ({
  name: archetype,
  archetype,
  overrides: {},
});
const wideHose = [{ length: of(15, 'm'), bore: of(3 / 8, 'in') }];

describe('even-fan pressure', () => {
  it('is the family pressure at 0.1 Pa·s and 0.015 in', () => {
    for (const family of TIP_FAMILIES) {
      expect(evenFanPressure(family, of(0.015, 'in'), quantity(0.1))).toBeCloseTo(
        FAMILY_DATA[family].evenFanPressure,
        3,
      );
    }
  });

  it('rises with viscosity and orifice, and stays in the band', () => {
    // 12 MPa · 1.2^0.3 · (17/15)^0.2 = 12.996 MPa
    expect(to(evenFanPressure('standard', of(0.017, 'in'), quantity(0.12)), 'MPa')).toBeCloseTo(12.996, 3);
    expect(to(evenFanPressure('fine-finish', of(0.019, 'in'), quantity(3)), 'MPa')).toBe(9);
    expect(to(evenFanPressure('standard', of(0.007, 'in'), quantity(0.001)), 'MPa')).toBe(6);
  });
});

describe('the set-up card of an inside wall', () => {
  const card = cardOf();

  it('fits a tip for broad work of the usual orifice and fan, with two next best and reasons', () => {
    const { tip } = card.tip.candidate;
    expect(['standard', 'low-pressure']).toContain(tip.family);
    expect([15, 17, 19]).toContain(tip.orificeThou);
    expect([5, 6]).toContain(tip.fan);
    expect(card.nextBest).toHaveLength(2);
    for (const advice of [card.tip, ...card.nextBest]) expect(advice.reason.length).toBeGreaterThan(10);
    expect(card.nextBest[0]?.score).toBeLessThanOrEqual(card.tip.score);
  });

  it('balances its own paint: what lands in the strokes is the film on the wall', () => {
    // 6.2 x 2.6 m lapped by a half: passes every half fan or a little less from edge to edge, each open 50 mm off both sides
    const passes = Math.ceil(2.6 / (card.fan.value / 2)) + 1;
    const open = passes * 6.3;
    // The first and the last pass are half off the wall, with a hair of their neighbours; of what is on it 0.82 of 0.92 stays
    const over = ((passes - 1) / passes) * (6.2 / 6.3);
    const laid = (card.flow.value * (open / card.gunSpeed.value) * over * 0.82) / 0.92;
    expect(laid / (16.12 * card.wetFilm.value)).toBeCloseTo(1, 2);
    expect(card.tip.candidate.over).toBeCloseTo(over, 2);
    expect(to(quantity(card.wetFilm.value), 'μm')).toBeCloseTo(40 / 0.36, 9);
    expect(card.dryFilm.value).toBeCloseTo(of(40, 'μm'), 12);
  });

  it('needs area · coats · dry film / solids / transfer and the losses', () => {
    // 16.12 m² · 2 · 40 μm / 0.36 = 3.582 L arrive; 0.82 / 0.92 of what is over the wall; 5 % kept
    const { over } = card.tip.candidate;
    expect(to(quantity(card.paint.value), 'L')).toBeCloseTo((3.5822 / ((0.82 / 0.92) * over)) * 1.05, 3);
    expect(card.paint.low).toBeLessThan(card.paint.value);
    const bought = card.containers.reduce((sum, { size, count }) => sum + size * count, 0);
    expect(bought).toBeGreaterThanOrEqual(card.paint.value + card.hoseFill.value);
  });

  it('has its net area without a search of tips, refused alike', () => {
    expect(netAreaOf(wallRequest())).toEqual({ ok: true, value: card.area.net });
    expect(netAreaOf(wallRequest({ coats: 0 }))).toMatchObject({ ok: false, field: 'coats' });
  });

  it('starts low and stops high around the even-fan pressure, with the pump above the gun', () => {
    expect(card.gunPressure.start).toBeLessThan(card.gunPressure.value);
    expect(card.gunPressure.stop).toBeGreaterThan(card.gunPressure.value);
    expect(card.gunPressure.start / card.gunPressure.value).toBeCloseTo(0.8, 9);
    expect(card.gunPressure.stop / card.gunPressure.value).toBeCloseTo(1.2, 9);
    expect([card.fan.low, card.fan.high].map((one) => one / card.fan.value)).toEqual([
      expect.closeTo(0.95, 9),
      expect.closeTo(1.05, 9),
    ]);
    expect(card.pumpPressure.start).toBeGreaterThan(card.gunPressure.start);
    expect(card.pumpPressure.stop).toBeLessThanOrEqual(SPRAYER_CLASS_DATA['mid electric'].maxPressure);
  });

  it('times a stroke as long as the piece nearly is, and cautions of the height of the piece, wherever the pump stands', () => {
    const tall = { shape: 'rectangle' as const, width: 0.9, height: 2.3, count: 1, openings: [] };
    expect(cardOf({ geometry: tall }).stroke.length).toBe(2.4);
    const codes = (lift: number) => cardOf({ lift: of(lift, 'm') }).cautions.map(({ code }) => code);
    expect(codes(0)).not.toContain('fall');
    // The gun 9 m above the pump on a wall that is reached from its own floor.
    expect(codes(9)).not.toContain('fall');
  });

  it('times the stroke that lays the film', () => {
    expect(card.stroke.length).toBe(2.4);
    expect(card.stroke.length / card.stroke.time).toBeCloseTo(card.gunSpeed.value, 12);
  });
});

describe('the card follows its inputs', () => {
  it('a hand-chosen tip is taken, and the best one is offered beside it', () => {
    const chosen = cardOf({ chosenTip: { family: 'standard', fan: 4, orificeThou: 13 } });
    expect(chosen.tip.code).toBe('413');
    expect(chosen.chosen).toBe(true);
    expect(chosen.nextBest.map(({ code }) => code)).toContain(cardOf().tip.code);
  });

  it('a longer, narrower hose wants more at the pump', () => {
    const chosenTip = { family: 'standard' as const, fan: 5, orificeThou: 15 };
    const long = cardOf({ chosenTip, hoses: [{ length: of(20, 'm'), bore: of(1 / 4, 'in') }] });
    const short = cardOf({ chosenTip, hoses: [{ length: of(7.5, 'm'), bore: of(1 / 4, 'in') }] });
    expect(long.pumpPressure.start).toBeGreaterThan(short.pumpPressure.start);
    expect(long.gunPressure.start).toBe(short.gunPressure.start);
  });

  it('thinning raises the wet film for the same dry film, not the paint to buy', () => {
    const chosenTip = { family: 'standard' as const, fan: 5, orificeThou: 15 };
    const thinned = cardOf({ thinning: quantity(0.05), chosenTip });
    expect(thinned.wetFilm.value / cardOf({ chosenTip }).wetFilm.value).toBeCloseTo(1.05, 9);
    expect(thinned.paint.value).toBeCloseTo(cardOf({ chosenTip }).paint.value, 12);
    // What is explained is what was worked out, thinner and all
    expect(thinned.flow.value).toBeCloseTo(thinned.tip.candidate.flow, 15);
    expect(thinned.pumpPressure.value).toBeCloseTo(thinned.tip.candidate.pumpPressure, 3);
  });

  it('a film over the sag limit is laid in more passes', () => {
    const stain = cardOf({ coating: coating('penetrating-stain'), kind: 'planed-timber' });
    expect(stain.passesPerCoat).toBe(2);
    expect(stain.wetFilm.value).toBeLessThanOrEqual(stain.sagLimit.value);
  });

  it('names all of the hose and the range of the texture', () => {
    const two = cardOf({ hoses: [...wideHose, { length: of(1.5, 'm'), bore: of(1 / 4, 'in') }] });
    expect(two.pumpPressure.inputs.find(({ label }) => label.startsWith('Hose'))?.value).toBeCloseTo(16.5, 9);
    const texture = cardOf({ kind: 'block' }).paint.inputs.find(({ label }) => label.startsWith('True area'));
    // Block 1.2: the excess from 0.6 to 1.4 of itself
    expect([texture?.low, texture?.value, texture?.high]).toEqual([
      expect.closeTo(1.12, 9),
      1.2,
      expect.closeTo(1.28, 9),
    ]);
  });

  it('a bare surface drinks from the first coat only', () => {
    const chosenTip = { family: 'standard' as const, fan: 5, orificeThou: 15 };
    const bare = cardOf({ condition: 'bare', kind: 'block', chosenTip });
    const sealed = cardOf({ condition: 'sealed', kind: 'block', chosenTip });
    // 16.12 m² · 0.2 L/m², sprayed as the film is, · 1.05
    const { lands } = bare.tip.candidate;
    expect(to(quantity(bare.paint.value - sealed.paint.value), 'L')).toBeCloseTo(3.3852 / lands, 3);
    // 111 μm on 1.2 of true area are 133 mL/m², and 200 mL/m² soak in: the first coat at 133/333 of the speed of the second
    expect(bare.gunSpeed.value / (bare.laterSpeed?.value ?? NaN)).toBeCloseTo(
      (1.2 * (40 / 0.36)) / (1.2 * (40 / 0.36) + 200),
      9,
    );
    expect(bare.laterSpeed?.value).toBeCloseTo(sealed.gunSpeed.value, 12);
    expect(sealed.laterSpeed).toBeUndefined();
    // What soaks in is sprayed, too: it has its trigger time
    const sprayed = (one: SetupCard) => one.flow.value * one.tip.candidate.triggerTime;
    expect(to(quantity(sprayed(bare) - sprayed(sealed)), 'L')).toBeCloseTo(3.224 / lands, 3);
  });

  it('a data sheet value moves the card and is said', () => {
    const card = cardOf({
      coating: {
        ...coating('wall-matt'),
        overrides: { volumeSolids: { value: 0.45, basis: 'data-sheet', source: 'Sheet 3' } },
      },
    });
    expect(card.wetFilm.value).toBeLessThan(cardOf().wetFilm.value);
    expect(card.wetFilm.inputs.find(({ property }) => property === 'volumeSolids')?.basis).toBe('data-sheet');
  });

  it('fits a fine-finish tip and the fine mesh to a door', () => {
    const door = cardOf({
      element: 'door',
      coating: coating('trim-enamel'),
      geometry: { shape: 'rectangle', width: 0.9, height: 2.1, count: 1, openings: [] },
    });
    expect(door.tip.candidate.tip.family).toBe('fine-finish');
    expect(door.mesh.value).toBe(100);
    expect(door.stroke.length).toBeLessThanOrEqual(2.1);
  });

  it('fits a heavy-texture tip to block filler on the large machine with a wide hose', () => {
    const card = cardOf({
      coating: coating('block-filler'),
      kind: 'block',
      side: 'outside',
      sprayer: SPRAYER_CLASS_DATA.large,
      hoses: wideHose,
    });
    expect(card.tip.candidate.tip.family).toBe('heavy-texture');
    expect(card.mesh.value).toBe(30);
  });
});

describe('the cautions of a card', () => {
  const cautions = (extra: Parameters<typeof wallRequest>[0]) => {
    const card = setupCard(wallRequest({ condition: 'sealed', ...extra }));
    if (!card.ok) throw new Error(card.message);
    const codes = (list: readonly { readonly code: string }[]) => list.map(({ code }) => code);
    return { atGun: codes(card.value.cautions), before: codes(card.value.preparing) };
  };

  it('warn of lead before old or unknown paint is sanded, and not on bare ground or where there is none', () => {
    expect(cautions({}).before).toEqual(['lead', 'alarms']);
    expect(cautions({ site: { surfaceAge: 'old' } }).before).toEqual(['lead known', 'alarms']);
    expect(cautions({ site: { surfaceAge: 'new' } }).before).toEqual(['alarms']);
    expect(cautions({ condition: 'bare', site: { surfaceAge: 'old' } }).before).toEqual(['alarms']);
  });

  it('are those of the machine and the ground that are there', () => {
    expect(cautions({}).atGun).not.toContain('carbon monoxide');
    expect(cautions({ site: { power: 'engine' } }).atGun).toContain('carbon monoxide');
    const outside = { side: 'outside', site: { wetGround: true } } as const;
    expect(cautions(outside).atGun).toContain('wet cord');
    expect(cautions({ ...outside, site: { wetGround: true, power: 'engine' } }).atGun).not.toContain(
      'wet cord',
    );
  });

  it('are each said once', () => {
    const high = cautions({ geometry: { shape: 'rectangle', width: 4, height: 5, count: 1, openings: [] } });
    expect(high.atGun).toContain('fall');
    expect(high.before).not.toContain('fall');
  });
});

describe('a tip chosen by hand', () => {
  it('is let go when paint or piece changes so that it no longer fits, and not before', () => {
    const fits = (extra: Partial<SetupRequest>) =>
      chosenTipFits(wallRequest({ chosenTip: { family: 'standard', fan: 5, orificeThou: 17 }, ...extra }));
    expect(fits({})).toBe(true);
    expect(fits({ coating: coating('wall-satin') })).toBe(true);
    // Refused for the sprayer; a wall tip on spindles with enamel; nothing chosen always fits
    expect(fits({ chosenTip: { family: 'standard', fan: 5, orificeThou: 27 } })).toBe(false);
    expect(
      fits({
        element: 'spindles',
        kind: 'planed-timber',
        coating: coating('trim-enamel'),
        geometry: { shape: 'rectangle', width: 0.14, height: 0.9, count: 30, openings: [] },
      }),
    ).toBe(false);
    expect(fits({ chosenTip: undefined })).toBe(true);
    // What is refused for another reason says nothing of the tip
    expect(fits({ coats: 0 })).toBe(true);
  });
});

describe('what a painter would not sign', () => {
  const doubts = (extra: Partial<SetupRequest>) => cardOf(extra).doubts.map(({ why }) => why);
  it('is said on the card: cold paint, bare timber without a primer, a room coating outside', () => {
    expect(doubts({})).toEqual([]);
    expect(doubts({ paintTemperature: of(0, '°C') })).toEqual([
      expect.stringMatching(/Below 10 °C .* no film/),
    ]);
    expect(doubts({ paintTemperature: of(10, '°C') })).toEqual([]);
    // Paint warm from the van on a wall that is not
    expect(doubts({ paintTemperature: of(20, '°C'), coldest: of(6, '°C') })).toEqual([
      expect.stringMatching(/Below 10 °C .* no film/),
    ]);
    expect(doubts({ coldest: of(10, '°C') })).toEqual([]);
    expect(doubts({ kind: 'planed-timber', condition: 'bare' })).toEqual([expect.stringMatching(/knots/)]);
    expect(doubts({ side: 'outside' })).toEqual([expect.stringMatching(/made for rooms/)]);
    const tip = (orificeThou: number) => ({ family: 'standard' as const, fan: 5, orificeThou });
    expect(doubts({ chosenTip: tip(19), hoses: wideHose })).toEqual([
      expect.stringMatching(/faster than an arm/),
    ]);
    expect(doubts({ chosenTip: tip(11) })).toEqual([]);
    const fence = {
      element: 'lapped-fence',
      side: 'outside',
      kind: 'sawn-timber',
      condition: 'bare',
    } as const;
    expect(doubts({ ...fence, coating: coating('penetrating-stain') })).toEqual([
      expect.stringMatching(/slower than an arm holds/),
    ]);
  });
});

describe('refusals', () => {
  it.each([
    [
      { chosenTip: { family: 'standard' as const, fan: 5, orificeThou: 27 } },
      'tip',
      /over this sprayer's limit of 23/,
    ],
    [
      { coating: coating('clear-lacquer-solvent'), sprayer: SPRAYER_CLASS_DATA['small electric'] },
      'sprayerId',
      /carries solvent/,
    ],
    [{ thinning: quantity<ReturnType<typeof of<'%'>>>(0.2) }, 'thinning', /by 5 % at most/],
    [{ coats: 0 }, 'coats', /from 1 to 9/],
    [{ coats: Number.NaN }, 'coats', /from 1 to 9/],
    [
      { coating: coating('block-filler') },
      'sprayerId',
      /wants an orifice of 25 to 35 thou and this sprayer carries 23 at most.*roll it on/,
    ],
    [
      {
        coating: coating('block-filler'),
        sprayer: SPRAYER_CLASS_DATA.large,
        hoses: wideHose,
        chosenTip: { family: 'low-pressure' as const, fan: 5, orificeThou: 25 },
      },
      'tip',
      /does not break up/,
    ],
    [
      {
        sprayer: { ...SPRAYER_CLASS_DATA.large, maxFlow: of(0.9, 'L/min') },
        hoses: [],
        chosenTip: { family: 'standard' as const, fan: 5, orificeThou: 25 },
      },
      'tip',
      /more than the pump/,
    ],
    [
      {
        hoses: [{ length: of(60, 'm'), bore: of(3 / 16, 'in') }],
        chosenTip: { family: 'standard' as const, fan: 5, orificeThou: 23 },
      },
      'tip',
      /wider or shorter hose/,
    ],
  ])('says why and where (%#)', (extra, field, message) => {
    const result = setupCard(wallRequest(extra));
    expect(result).toMatchObject({ ok: false, field });
    expect(!result.ok && result.message).toMatch(message);
    expect(result).not.toHaveProperty('value');
  });
});

describe('any set-up', () => {
  const request = fc.record({
    element: fc.constantFrom(...ELEMENTS),
    side: fc.constantFrom(...SIDES),
    wind: fc.constantFrom(...WINDS),
    kind: fc.constantFrom(...SURFACE_KIND_IDS),
    coating: fc.constantFrom(...ARCHETYPE_IDS).map(coating),
    sprayer: fc.constantFrom(...SPRAYER_CLASSES).map((name) => SPRAYER_CLASS_DATA[name]),
    coats: fc.integer({ min: 1, max: 4 }),
    hoses: fc.array(
      fc.record({
        length: fc.constantFrom(7.5, 15, 30).map((m) => of(m, 'm')),
        bore: fc.constantFrom(3 / 16, 1 / 4, 3 / 8).map((i) => of(i, 'in')),
      }),
      { maxLength: 3 },
    ),
  });

  it('is either a whole card of finite numbers inside their ranges or a refusal with a sentence', () => {
    fc.assert(
      fc.property(request, (extra) => {
        const result = setupCard(wallRequest(extra));
        if (!result.ok) {
          expect(result.message.length).toBeGreaterThan(20);
          return;
        }
        const numbers = Object.values(result.value).filter(
          (part): part is Explained => typeof part === 'object' && part !== null && 'formula' in part,
        );
        expect(numbers.length).toBeGreaterThan(10);
        for (const { value, low, high } of numbers) {
          expect(Number.isFinite(value) && low <= value + 1e-12 && value <= high + 1e-12).toBe(true);
        }
        const { tip } = result.value;
        expect(tip.candidate.tip.orificeThou).toBeLessThanOrEqual(extra.sprayer.largestOrificeThou);
        expect(tip.candidate.flow).toBeLessThanOrEqual(extra.sprayer.maxFlow);
        expect(result.value.wetFilm.value).toBeLessThanOrEqual(result.value.sagLimit.value + 1e-9);
        expect(orificeDiameter(tip.candidate.tip)).toBeGreaterThan(0);
      }),
      { numRuns: 150 },
    );
  });

  it('exists for every coating on the large machine with a wide hose', () => {
    for (const id of ARCHETYPE_IDS) {
      const card = cardOf({ coating: coating(id), sprayer: SPRAYER_CLASS_DATA.large, hoses: wideHose });
      const { low, high } = archetypeOf(id).orifices;
      expect(card.tip.candidate.tip.orificeThou).toBeGreaterThanOrEqual(low - 2);
      expect(card.tip.candidate.tip.orificeThou).toBeLessThanOrEqual(high);
    }
  });

  it('weighs criteria in falling order, whose weights add up to one', () => {
    const weights = Object.values(CRITERIA).map(({ weight }) => weight);
    expect([...weights].sort((a, b) => b - a)).toEqual(weights);
    const sum = Object.values(CRITERIA).reduce((total, { weight }) => total + weight, 0);
    expect(sum).toBeCloseTo(1, 9);
  });
});
