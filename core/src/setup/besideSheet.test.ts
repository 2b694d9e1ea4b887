import { setupCard, type SetupRequest } from '.';
import type { CoatingSheet } from '../coating';
import { wallRequest } from '../testing';
import { of } from '../units';

function beside(sheet: CoatingSheet, extra: Partial<SetupRequest> = {}) {
  const card = setupCard(
    wallRequest({
      hoses: [{ length: of(15, 'm'), bore: of(1 / 4, 'in') }],
      coating: { name: 'Our matt', archetype: 'wall-matt', overrides: {}, sheet },
      ...extra,
    }),
  );
  if (!card.ok) throw new Error(card.message);
  return card.value;
}

describe('the advice of a data sheet beside the card', () => {
  it('is nothing where the sheet gives none', () => {
    expect(beside({}).besideSheet).toEqual([]);
  });

  it('stands side by side, without a reason where both agree', () => {
    const card = beside({ orifice: { low: 17, high: 21 } });
    expect(card.tip.candidate.tip.orificeThou).toBeGreaterThanOrEqual(17);
    expect(card.besideSheet).toEqual([
      { what: 'Orifice', sheet: '17 to 21 thou', here: `${card.tip.candidate.tip.orificeThou} thou` },
    ]);
  });

  it('moves the tip: a sheet stands before a working default', () => {
    const [usual, fine] = [beside({}), beside({ orifice: { low: 13, high: 13 } })];
    expect(usual.tip.candidate.tip.orificeThou).toBeGreaterThanOrEqual(15);
    expect(fine.tip.candidate.tip.orificeThou).toBe(13);
  });

  it.each([
    [
      'a machine that carries less',
      { orifice: { low: 27, high: 31 } },
      {},
      /This sprayer carries \d+ thou at most/,
    ],
    [
      'a tip chosen by hand',
      { orifice: { low: 17, high: 19 } },
      { chosenTip: { family: 'standard', fan: 5, orificeThou: 15 } },
      /You chose it/,
    ],
    [
      'narrow work',
      { orifice: { low: 17, high: 19 } },
      {
        element: 'trim',
        geometry: { shape: 'rectangle', width: 4, height: 0.1, count: 1, openings: [] },
      },
      /Narrow work wants little paint/,
    ],
  ] as const)('names %s as the reason', (_what, sheet, extra, reason) => {
    const [orifice] = beside(sheet, extra).besideSheet;
    expect(orifice?.why).toMatch(reason);
  });

  it('says what a pressure of the sheet means for this line', () => {
    const [above] = beside({ pressure: { low: of(300, 'bar'), high: of(350, 'bar') } }).besideSheet;
    expect(above?.why).toMatch(/even below it: start low, and go up to the sheet’s 300 bar where tails stay/);
    const [below] = beside({ pressure: { low: of(40, 'bar'), high: of(50, 'bar') } }).besideSheet;
    expect(below?.why).toMatch(/Of the sheet’s 50 bar the hose leaves too little/);
    const [within] = beside({ pressure: { low: of(100, 'bar'), high: of(120, 'bar') } }).besideSheet;
    expect(within).toEqual({ what: 'Pressure', sheet: '100–120 bar', here: within?.here });
  });

  it('has what the sheet says to wear', () => {
    expect(beside({ wear: 'A mask with filter A2' }).sheetWear).toBe('A mask with filter A2');
  });
});

describe('first coats in an empty building', () => {
  const fan = (extra: Partial<SetupRequest>) => beside({}, extra).tip.candidate.tip.fan;
  it('are offered fans of 8 to 12 on bare walls and ceilings inside, and nowhere else', () => {
    for (const element of ['wall', 'ceiling'] as const) {
      const first = { element, empty: true, condition: 'bare' } as const;
      expect(fan(first)).toBeGreaterThanOrEqual(8);
      expect(fan({ ...first, empty: false })).toBeLessThan(8);
      expect(fan({ ...first, condition: 'sealed' })).toBeLessThan(8);
      expect(fan({ ...first, side: 'outside' })).toBeLessThan(8);
    }
    const door = { shape: 'rectangle', width: 0.9, height: 2.1, count: 1, openings: [] } as const;
    expect(fan({ element: 'door', empty: true, condition: 'bare', geometry: door })).toBeLessThan(8);
  });
});
