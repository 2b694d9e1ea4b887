import fc from 'fast-check';
import { largestTip, searchSetups, setupCard, type SetupRequest, type SetupSearch } from '.';
import { ARCHETYPE_IDS } from '../coating';
import { given } from '../explain';
import { SPRAYER_CLASS_DATA, GUN_PASSAGE, pumpForGun } from '../line';
import { wallRequest } from '../testing';
import { TIP_FAMILIES, existsInFamily, tipCatalogue } from '../tip';
import { of, quantity } from '../units';
import { evenFanPressure } from './evenFan';
import { fluidOf } from './request';

function search(extra: Partial<SetupRequest> = {}): SetupSearch {
  const result = searchSetups(wallRequest(extra));
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const enamel = { name: 'Enamel', archetype: 'trim-enamel', overrides: {} } as const;
const door: Partial<SetupRequest> = {
  element: 'door',
  coating: enamel,
  geometry: { shape: 'rectangle', width: 0.9, height: 2.1, count: 6, openings: [] },
};

describe('a set-up search', () => {
  it('works every tip of the catalogue out or says which limit it breaks', () => {
    const { options, refused } = search();
    expect(options.length + refused.length).toBe(tipCatalogue().length);
    for (const { message, why } of refused) {
      expect(message.length).toBeGreaterThan(30);
      expect(why).toMatch(/^tip\./);
    }
    for (const option of options.slice(0, 20)) expect(option.reason.length).toBeGreaterThan(5);
  });

  it('gives film, coats, time and overspray that balance with the paint that goes out', () => {
    for (const { candidate } of search().options.slice(0, 50)) {
      const { flow, triggerTime, overspray, wetFilm, coats, passesPerCoat, gunSpeed, covers, over } =
        candidate;
      const landed = flow * triggerTime - overspray;
      expect(landed / (16.12 * wetFilm * coats * passesPerCoat)).toBeCloseTo(1, 9);
      expect(gunSpeed * covers * wetFilm).toBeCloseTo(flow * (0.82 / 0.92) * over, 12);
      expect(candidate.pumpPressure / (1 - candidate.pressureMargin)).toBeCloseTo(
        SPRAYER_CLASS_DATA['mid electric'].maxPressure,
        3,
      );
      expect(candidate.sprayingTime).toBeCloseTo(triggerTime / 0.55, 9);
      expect(candidate.band.start / candidate.evenFanPressure).toBeCloseTo(0.8, 9);
      expect(candidate.band.stop).toBeGreaterThanOrEqual(candidate.gunPressure);
    }
  });

  it('counts the passes of a coat that is over the sag limit', () => {
    const stain = search({
      coating: { name: 'S', archetype: 'penetrating-stain', overrides: {} },
      kind: 'planed-timber',
    });
    const best = stain.options[0]?.candidate;
    expect(best?.passesPerCoat).toBe(2);
    const landed = (best?.flow ?? 0) * (best?.triggerTime ?? 0) - (best?.overspray ?? 0);
    expect(landed / (16.12 * (best?.wetFilm ?? 0) * 2 * 2)).toBeCloseTo(1, 9);
  });

  it('has the card’s tip first, with mesh, seal and finish', () => {
    const card = setupCard(wallRequest(door));
    const [best] = search(door).options;
    expect(card.ok && card.value.tip.code).toBe(best?.code);
    expect(best).toMatchObject({ mesh: 100, finish: 'fine', seal: { seal: 'pre-orifice' } });
  });

  it('refuses an empty catalogue', () => {
    expect(searchSetups(wallRequest(), 'metric', [])).toMatchObject({ ok: false, field: 'catalogue' });
  });

  it.each([
    ['hoses.0.length', { hoses: [{ length: of(0, 'm'), bore: of(0.25, 'in') }] }],
    ['hoses.0.bore', { hoses: [{ length: of(15, 'm'), bore: of(NaN, 'in') }] }],
    ['lift', { lift: of(Infinity, 'm') }],
    ['sprayerId', { sprayer: { ...SPRAYER_CLASS_DATA.large, maxFlow: of(0, 'L/min') } }],
    ['sprayerId', { sprayer: { ...SPRAYER_CLASS_DATA.large, maxPressure: of(-1, 'bar') } }],
    ['paintTemperature', { paintTemperature: of(90, '°C') }],
    ['geometry.width', { geometry: { shape: 'rectangle', width: NaN, height: 2, count: 1, openings: [] } }],
  ] as const)('refuses a bad %s at its field, search, card and largest tip alike', (field, extra) => {
    for (const result of [
      searchSetups(wallRequest(extra)),
      setupCard(wallRequest(extra)),
      largestTip(wallRequest(extra), 'standard'),
    ]) {
      expect(result).toMatchObject({ ok: false, field });
      expect(result).not.toHaveProperty('value');
    }
  });
});

describe('the schools', () => {
  it('of overlap changes spacing and gun speed', () => {
    const half = search({ schools: { overlap: 'one half' } }).options[0];
    const third = search({ schools: { overlap: 'one third' } }).options[0];
    expect([half?.candidate.overlap.share, third?.candidate.overlap.share]).toEqual([1 / 2, 1 / 3]);
  });

  it('of distance narrows the fan on small work only, and the gun moves faster for it', () => {
    const pick = (extra: Partial<SetupRequest>) =>
      search({ ...door, ...extra }).options.find(
        ({ code, candidate }) => code === '411' && candidate.tip.family === 'standard',
      )?.candidate;
    const far = pick({});
    const near = pick({ schools: { distance: 'closer' } });
    if (!far || !near) throw new Error('a 411 for the door');
    // 200 mm instead of 304.8 mm
    expect(near.fanWidth / far.fanWidth).toBeCloseTo(200 / 304.8, 9);
    const covered = ({ covers, over }: typeof near) => over / covers;
    expect(near.gunSpeed / far.gunSpeed).toBeCloseTo(covered(near) / covered(far), 9);
    expect(near.gunSpeed / far.gunSpeed).toBeCloseTo(304.8 / 200, 1);
    expect(search({ schools: { distance: 'closer' } }).options[0]?.candidate.distance).toBeCloseTo(0.3048, 9);
  });

  it('of fan width reads wide fans wider, and has no number from fan 18', () => {
    const angle = search({ schools: { fanWidth: 'spray angle' } });
    const usual = search().options.find(({ code }) => code === '615')?.candidate;
    const wide = angle.options.find(({ code }) => code === '615')?.candidate;
    expect((wide?.fanWidth ?? 0) / (usual?.fanWidth ?? 1)).toBeCloseTo(2 * Math.tan(Math.PI / 6), 6);
    expect(angle.refused.some(({ why, tip }) => why === 'tip.school' && tip.fan >= 18)).toBe(true);
  });

  it('of build lays the same film in fewer full coats, none over the sag limit', () => {
    const lighter = search().options[0]?.candidate;
    const full = search({ schools: { build: 'full' } }).options[0]?.candidate;
    if (!lighter || !full) throw new Error('an option');
    // Two coats of 111 μm are 222 μm, over 200: still two. Three of trim enamel stay three.
    expect(full.coats).toBe(2);
    const ceiling = search({
      element: 'ceiling',
      coating: { name: 'C', archetype: 'ceiling-flat', overrides: {} },
      schools: { build: 'full' },
      coats: 3,
    });
    // 3 · 132.4 = 397 μm in all, 212.5 stay up on a ceiling: two coats of 198.5
    expect(ceiling.options[0]?.candidate).toMatchObject({ coats: 2, passesPerCoat: 1 });
    expect((ceiling.options[0]?.candidate.wetFilm ?? 0) * 1e6).toBeCloseTo(198.5, 1);
    const card = setupCard(wallRequest({ schools: { build: 'full' }, coats: 1 }));
    expect(card.ok && card.value.coats).toBe(1);
  });
});

describe('the band of gun pressures', () => {
  const bandOf = (extra: Partial<SetupRequest>, wanted = '515') =>
    search(extra).options.find(
      ({ code, candidate }) => code === wanted && candidate.tip.family === 'standard',
    )?.candidate;

  it('runs from 0.8 to 1.2 of the even-fan pressure where the pump gives it', () => {
    const free = bandOf({ hoses: [] });
    expect((free?.band.start ?? 0) / (free?.evenFanPressure ?? 1)).toBeCloseTo(0.8, 9);
    expect((free?.band.stop ?? 0) / (free?.evenFanPressure ?? 1)).toBeCloseTo(1.2, 9);
  });

  it('stops at what the pump still gives, and never starts above what is aimed at', () => {
    const mid = SPRAYER_CLASS_DATA['mid electric'];
    const free = bandOf({ hoses: [] });
    // The pump gives the even-fan pressure through no hose at all, with 1 % to spare: not 1.2 of it
    const short = bandOf({
      hoses: [],
      sprayer: { ...mid, maxPressure: quantity(1.01 * (free?.pumpPressure ?? 0)) },
    });
    expect(short?.gunPressure).toBe(free?.evenFanPressure);
    // Without a hose but the gun a hundredth more at the pump is a hundredth more at the gun
    expect(short?.band.start).toBe(free?.band.start);
    expect((short?.band.stop ?? 0) / (free?.evenFanPressure ?? 1)).toBeCloseTo(1.01, 3);
    // 0.9 of it: what is left is aimed at, above the evenest of the range
    const weak = bandOf({
      hoses: [],
      sprayer: { ...mid, maxPressure: quantity(0.9 * (free?.pumpPressure ?? 0)) },
    });
    expect((weak?.gunPressure ?? 0) / (free?.evenFanPressure ?? 1)).toBeCloseTo(0.9, 2);
    expect((weak?.band.stop ?? 0) / (weak?.gunPressure ?? 1)).toBeCloseTo(1, 6);
    // A crew whose fans are even far below the family's band starts where they are even
    const evenFan = {
      ...given('Even fan', 'factor', 0.4, '4 cards of this crew'),
      basis: 'history' as const,
    };
    const learned = bandOf({ hoses: [], history: { evenFan: { standard: evenFan } } });
    expect(learned?.band.start).toBe(learned?.gunPressure);
  });
});

describe('what changes the search', () => {
  const chosenTip = { family: 'standard', fan: 5, orificeThou: 15 } as const;
  it('cold paint wants more pressure at gun and pump', () => {
    const warm = setupCard(wallRequest({ chosenTip }));
    const cold = setupCard(wallRequest({ chosenTip, paintTemperature: of(12, '°C') }));
    if (!warm.ok || !cold.ok) throw new Error('cards');
    // η · exp(2800 · (1/285.15 − 1/296.15)) = 1.4399; pressure goes with η^0.3
    expect(cold.value.gunPressure.value / warm.value.gunPressure.value).toBeCloseTo(1.4399 ** 0.3, 3);
    expect(cold.value.pumpPressure.value).toBeGreaterThan(warm.value.pumpPressure.value);
  });

  it('the log replaces the defaults and is named', () => {
    const transfer = {
      ...given('Transfer efficiency', 'percent', 0.7, '9 coats of this crew'),
      basis: 'history' as const,
    };
    const evenFan = {
      ...given('Even fan', 'factor', 0.9, '4 cards of this crew'),
      low: 0.85,
      high: 0.95,
      basis: 'history' as const,
    };
    const plain = setupCard(wallRequest({ chosenTip }));
    const learned = setupCard(
      wallRequest({ chosenTip, history: { transfer, evenFan: { standard: evenFan } } }),
    );
    if (!plain.ok || !learned.ok) throw new Error('cards');
    expect(learned.value.gunPressure.value / plain.value.gunPressure.value).toBeCloseTo(0.9, 9);
    expect(learned.value.paint.value / plain.value.paint.value).toBeCloseTo(0.82 / 0.7, 9);
    expect(learned.value.gunSpeed.inputs.map(({ source }) => source)).toContain('9 coats of this crew');
    const [family] = learned.value.gunPressure.inputs;
    expect(family?.source).toBe('4 cards of this crew');
    // 12 MPa of the standard family, times 0.9 (0.85 to 0.95)
    expect([family?.low, family?.value, family?.high].map((one) => Math.round((one ?? 0) / 1e4))).toEqual([
      1020, 1080, 1140,
    ]);
  });
});

describe('the largest tip', () => {
  const largest = (extra: Partial<SetupRequest> = {}, family: (typeof TIP_FAMILIES)[number] = 'standard') => {
    const result = largestTip(wallRequest(extra), family);
    if (!result.ok) throw new Error(result.message);
    return result.value;
  };

  it('is carried, and the next one is not', () => {
    const request = fc.record({
      coating: fc
        .constantFrom(...ARCHETYPE_IDS)
        .map((archetype) => ({ name: 'x', archetype, overrides: {} })),
      hoses: fc
        .constantFrom(1 / 4, 3 / 8, 1 / 2)
        .map((inches) => [{ length: of(15, 'm'), bore: of(inches, 'in') }]),
    });
    fc.assert(
      fc.property(request, fc.constantFrom(...TIP_FAMILIES), (extra, family) => {
        const whole = wallRequest({ ...extra, sprayer: { ...SPRAYER_CLASS_DATA.large, waterOnly: false } });
        const result = largestTip(whole, family);
        if (!result.ok) return;
        const fluid = fluidOf(whole);
        const fits = (thou: number) => {
          const orifice = of(thou / 1000, 'in');
          const gun = evenFanPressure(family, orifice, fluid.rheology.highShearViscosity);
          const least = quantity<typeof gun>(0.8 * gun);
          const line = {
            hoses: whole.hoses,
            gun: GUN_PASSAGE,
            height: whole.lift,
            orifice,
            fluid,
            maxFlow: whole.sprayer.maxFlow,
          };
          // At the even-fan pressure it takes nine tenths of the pump at most; four fifths of that pressure reach the gun
          const { flow } = pumpForGun(line, gun);
          const { pump } = pumpForGun(line, least);
          return flow <= 0.9 * whole.sprayer.maxFlow && pump <= whole.sprayer.maxPressure && thou <= 35;
        };
        const { orificeThou } = result.value;
        expect(fits(orificeThou)).toBe(true);
        const next = [1, 2]
          .map((step) => orificeThou + step)
          .find((thou) => existsInFamily(family, { fan: 8, orificeThou: thou }));
        if (next !== undefined) expect(fits(next)).toBe(false);
      }),
      { numRuns: 60 },
    );
  });

  it('is the largest that the search offers, and no option of the search is larger', () => {
    for (const archetype of ARCHETYPE_IDS)
      for (const sprayer of ['small electric', 'mid electric', 'large'] as const)
        for (const hose of [7.5, 15, 30, 45]) {
          const extra = {
            coating: { name: 'x', archetype, overrides: {} },
            sprayer: { ...SPRAYER_CLASS_DATA[sprayer], waterOnly: false },
            hoses: [{ length: of(hose, 'm'), bore: of(1 / 4, 'in') }],
          };
          const found = searchSetups(wallRequest(extra));
          if (!found.ok) {
            // Heavy coatings on a machine that carries no tip for them
            expect(found.code).toBe('sprayer.heavy');
            continue;
          }
          for (const family of TIP_FAMILIES) {
            const offered = found.value.options
              .filter(({ candidate }) => candidate.tip.family === family)
              .map(({ candidate }) => candidate.tip.orificeThou);
            if (offered.length === 0) continue;
            const most = largestTip(wallRequest(extra), family);
            expect([archetype, sprayer, hose, family, most.ok && most.value.orificeThou]).toEqual([
              archetype,
              sprayer,
              hose,
              family,
              Math.max(...offered),
            ]);
          }
        }
  });

  it('never grows with the hose: what a longer one carries a shorter one does', () => {
    for (const archetype of ARCHETYPE_IDS)
      for (const sprayer of ['small electric', 'mid electric', 'large'] as const) {
        const offered = (hose: number): ReadonlySet<string> => {
          const found = searchSetups(
            wallRequest({
              coating: { name: 'x', archetype, overrides: {} },
              sprayer: { ...SPRAYER_CLASS_DATA[sprayer], waterOnly: false },
              hoses: [{ length: of(hose, 'm'), bore: of(1 / 4, 'in') }],
            }),
          );
          return new Set(
            found.ok
              ? found.value.options.map(({ candidate, code }) => `${candidate.tip.family} ${code}`)
              : [],
          );
        };
        let shorter = offered(1);
        for (const hose of [5, 10, 15, 30, 60, 90]) {
          const longer = offered(hose);
          expect([archetype, sprayer, hose, [...longer].filter((one) => !shorter.has(one))]).toEqual([
            archetype,
            sprayer,
            hose,
            [],
          ]);
          shorter = longer;
        }
      }
  });

  it('leaves no card a range beyond the machine, and one that the pump limits says so', () => {
    let limited = 0;
    for (const archetype of ARCHETYPE_IDS)
      for (const sprayer of ['small electric', 'mid electric', 'large'] as const)
        for (const hose of [15, 30, 60]) {
          const machine = { ...SPRAYER_CLASS_DATA[sprayer], waterOnly: false };
          const found = setupCard(
            wallRequest({
              coating: { name: 'x', archetype, overrides: {} },
              sprayer: machine,
              hoses: [{ length: of(hose, 'm'), bore: of(1 / 4, 'in') }],
            }),
          );
          if (!found.ok) continue;
          const { pumpPressure, gunPressure, tip } = found.value;
          expect(pumpPressure.stop).toBeLessThanOrEqual(machine.maxPressure);
          expect(pumpPressure.start).toBeLessThanOrEqual(pumpPressure.stop);
          expect(gunPressure.value).toBeLessThanOrEqual(gunPressure.stop + 1);
          const short = tip.candidate.gunPressure < tip.candidate.evenFanPressure;
          if (short) limited += 1;
          expect(gunPressure.formula).toBe(short ? 'gun pressure at the limit' : 'even-fan pressure');
          // What it explains is what it says
          if (short) expect(pumpPressure.value / machine.maxPressure).toBeCloseTo(1, 4);
        }
    expect(limited).toBeGreaterThan(0);
  });

  it('names what it meets first', () => {
    const hoses = [{ length: of(15, 'm'), bore: of(3 / 8, 'in') }];
    expect(
      largest({ hoses, sprayer: { ...SPRAYER_CLASS_DATA['mid electric'], largestOrificeThou: 15 } }),
    ).toMatchObject({
      orificeThou: 15,
      limitedBy: 'sprayer',
    });
    expect(
      largest({ hoses, sprayer: { ...SPRAYER_CLASS_DATA.large, maxFlow: of(1.2, 'L/min') } }).limitedBy,
    ).toBe('flow');
    expect(largest({ hoses: [{ length: of(60, 'm'), bore: of(1 / 4, 'in') }] }).limitedBy).toBe('pressure');
    expect(largest({ hoses, sprayer: SPRAYER_CLASS_DATA.large }, 'fine-finish').limitedBy).toBe('family');
  });

  it('is refused when none is small enough', () => {
    const block = { name: 'B', archetype: 'block-filler', overrides: {} } as const;
    expect(
      largestTip(
        wallRequest({ coating: block, hoses: [{ length: of(60, 'm'), bore: of(3 / 16, 'in') }] }),
        'heavy-texture',
      ),
    ).toMatchObject({
      ok: false,
      field: 'sprayerId',
    });
  });
});
