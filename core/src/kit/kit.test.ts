import { misfits, takeList, type DaySetup, type Owned, type Rig } from '.';
import { of } from '../units';

const rig = (extra: Partial<Rig> = {}): Rig => ({
  sprayer: {
    name: 'Mid electric',
    maxPressure: of(228, 'bar'),
    largestOrificeThou: 23,
    waterOnly: false,
    outlet: '1/4',
    power: 'electric',
    manifoldMesh: 60,
  },
  hoses: [{ name: '15 m hose', maxPressure: of(250, 'bar'), fitting: '1/4' }],
  gun: { name: 'Gun', maxPressure: of(250, 'bar'), fitting: '1/4', mesh: 60 },
  tip: { family: 'standard', fan: 5, orificeThou: 17 },
  seal: 'plain',
  base: 'water',
  coatingMesh: 60,
  side: 'inside',
  ...extra,
});
const codes = (extra: Partial<Rig>) => misfits(rig(extra)).map(({ code }) => code);

describe('what fits what', () => {
  it('has nothing to say of kit that goes together', () => {
    expect(misfits(rig())).toEqual([]);
    expect(misfits(rig({ gun: undefined, seal: undefined }))).toEqual([]);
  });

  it.each([
    ['base', { base: 'solvent', sprayer: { ...rig().sprayer, waterOnly: true } }],
    ['engine', { sprayer: { ...rig().sprayer, power: 'engine' } }],
    ['orifice', { tip: { family: 'standard', fan: 5, orificeThou: 25 } }],
    [
      'rating Thin whip',
      { hoses: [...rig().hoses, { name: 'Thin whip', maxPressure: of(200, 'bar'), fitting: '1/4' }] },
    ],
    ['rating Pole', { extension: { name: 'Pole', maxPressure: of(150, 'bar') } }],
    ['seal', { seal: 'pre-orifice' }],
    ['mesh', { gun: { name: 'Gun', maxPressure: of(250, 'bar'), mesh: 30 } }],
    ['mesh', { gun: { name: 'Gun', maxPressure: of(250, 'bar'), mesh: 100 } }],
    ['mesh', { gun: { name: 'Gun', maxPressure: of(250, 'bar'), mesh: null } }],
    ['mesh', { tip: { family: 'fine-finish', fan: 3, orificeThou: 10 }, seal: 'pre-orifice' }],
    ['manifold', { sprayer: { ...rig().sprayer, manifoldMesh: 100 } }],
    ['thread 0', { hoses: [{ name: 'Wide hose', maxPressure: of(250, 'bar'), fitting: '3/8' }] }],
    ['no hose', { hoses: [] }],
  ] as const)('says %s of %j', (code, extra) => {
    const found = misfits(rig(extra));
    expect(found.map((one) => one.code)).toContain(code);
    for (const { what, why, instead } of found) {
      expect([what, why, instead].every((words) => words.length > 12)).toBe(true);
    }
  });

  it('names what must not be sprayed first', () => {
    const found = misfits(rig({ gun: { name: 'Gun', maxPressure: of(100, 'bar'), mesh: 30 } }));
    expect(found.map(({ stops }) => stops)).toEqual([true, false]);
    expect(codes({ side: 'outside', sprayer: { ...rig().sprayer, power: 'engine' } })).toEqual([]);
    expect(codes({ hoses: [{ name: 'Old hose', maxPressure: of(250, 'bar') }] })).toEqual([]);
  });
});

describe('what to take', () => {
  const setups: readonly DaySetup[] = [
    {
      tip: { family: 'standard', fan: 5, orificeThou: 17 },
      mesh: 60,
      base: 'water',
      coating: 'Wall matt',
      surfaces: 4,
      cup: 'dip-4',
    },
    {
      tip: { family: 'standard', fan: 5, orificeThou: 17 },
      mesh: 60,
      base: 'water',
      coating: 'Ceiling flat',
      surfaces: 1,
    },
    {
      tip: { family: 'fine-finish', fan: 3, orificeThou: 10 },
      mesh: 100,
      base: 'solvent',
      coating: 'Trim enamel',
      surfaces: 6,
    },
  ];
  const owned: Owned = {
    tips: [{ family: 'standard', fan: 5, orificeThou: 17 }],
    gunMeshes: [60],
    seals: ['plain'],
    cups: [],
  };
  const lines = takeList(setups, owned, {
    sprayer: 'Mid electric',
    hoses: ['15 m hose'],
    misfits: misfits(rig({ hoses: [{ name: 'Wide hose', maxPressure: of(250, 'bar'), fitting: '3/8' }] })),
  });
  const line = (words: RegExp) => lines.filter(({ what }) => words.test(what));

  it('has each tip, seal and filter once, with the surfaces it is for and whether the kit has it', () => {
    expect(line(/^Tip 517/)).toEqual([expect.objectContaining({ why: '5 surfaces', owned: true })]);
    expect(line(/^Tip 310/)).toEqual([expect.objectContaining({ owned: false })]);
    expect(line(/^Seal/).map((one) => one.owned)).toEqual([true, false]);
    expect(line(/mesh/).map((one) => one.owned)).toEqual([true, false]);
    expect(line(/Dip cup/)).toEqual([
      expect.objectContaining({ owned: false, why: expect.stringMatching(/Wall matt/) as string }),
    ]);
  });

  it('has spares by what the day wears, and none for a little', () => {
    const tips = (...wears: (number | undefined)[]) =>
      takeList(
        wears.map((wear) => ({
          tip: { family: 'standard', fan: 5, orificeThou: 17 },
          mesh: 60,
          base: 'water',
          coating: 'Wall matt',
          surfaces: 1,
          wear,
        })),
        owned,
        { sprayer: 'x', hoses: [], misfits: [] },
      ).filter(({ what }) => what.startsWith('Tip'));
    expect(tips(undefined)).toEqual([
      expect.objectContaining({ what: 'Tip 517, standard', why: '1 surface' }),
    ]);
    expect(tips(0.1, 0.2)).toEqual([
      expect.objectContaining({ what: 'Tip 517, standard', why: '2 surfaces, wears 30 % of a tip' }),
    ]);
    expect(tips(0.6)).toEqual([expect.objectContaining({ what: 'Tip 517, standard, and 1 to spare' })]);
    expect(tips(0.8, 0.9)).toEqual([expect.objectContaining({ what: 'Tip 517, standard, and 2 to spare' })]);
  });

  it('has the go-between only on a day with both bases, and adapters for threads that differ', () => {
    expect(line(/Go-between/)).toHaveLength(1);
    expect(
      takeList(setups.slice(0, 2), owned, { sprayer: 'x', hoses: [], misfits: [] }).some(({ what }) =>
        /Go-between|Thinner/.test(what),
      ),
    ).toBe(false);
    expect(lines.filter(({ group }) => group === 'Adapters').map(({ what }) => what)).toEqual([
      'Adapter 1/4 to 3/8 in, rated for the pump.',
      'Adapter 3/8 to 1/4 in, rated for the pump.',
    ]);
  });
});
