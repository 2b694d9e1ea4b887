import { cordFor, misfits, takeList, type DayMachine, type DaySetup, type Owned, type Rig } from '.';
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
    extensions: [0.3],
  };
  const machine: DayMachine = {
    ...{ sprayer: 'Mid electric', hoses: [], misfits: [], sprayerClass: 'mid electric', power: 'electric' },
    ...{ ownCord: 5, toOutlet: 15, manifoldMesh: 60 },
  };
  const lines = takeList(setups, owned, {
    ...machine,
    hoses: ['15 m hose'],
    misfits: misfits(rig({ hoses: [{ name: 'Wide hose', maxPressure: of(250, 'bar'), fitting: '3/8' }] })),
  });
  const line = (words: RegExp) => lines.filter(({ what }) => words.test(what));

  it('has each tip, seal and filter once, with the surfaces it is for and whether the kit has it', () => {
    expect(line(/^Tip 517/)).toEqual([expect.objectContaining({ why: '5 surfaces', owned: true })]);
    expect(line(/^Tip 310/)).toEqual([expect.objectContaining({ owned: false })]);
    expect(line(/^Seal/).map((one) => one.owned)).toEqual([true, false]);
    expect(line(/^Gun filter/).map((one) => one.owned)).toEqual([true, false]);
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
        machine,
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
      takeList(setups.slice(0, 2), owned, machine).some(({ what }) => /Go-between|Thinner/.test(what)),
    ).toBe(false);
    expect(lines.filter(({ group }) => group === 'Adapters').map(({ what }) => what)).toEqual([
      'Adapter 1/4 to 3/8 in, rated for the pump.',
      'Adapter 3/8 to 1/4 in, rated for the pump.',
    ]);
  });

  it('has what makes high work reached, by how high it is', () => {
    const first = setups[0] as DaySetup;
    const reached = (part: Partial<DaySetup>, extensions: number[] = []) =>
      takeList([{ ...first, ...part }], { ...owned, extensions }, machine).filter(
        ({ group }) => group === 'To reach it',
      );
    expect(reached({ reach: 2.4, high: false, element: 'wall' })).toEqual([]);
    expect(reached({ reach: 3.1, high: true, element: 'wall' }).map(({ what }) => what)).toEqual([
      'Extension for the gun, 0.60 m or more',
      'Step platform',
    ]);
    const hall = reached({ reach: 5.2, high: true, element: 'wall' }, [0.3, 0.6]);
    expect(hall.map(({ what, owned: has }) => [what, has])).toEqual([
      ['Extension for the gun, 0.60 m or more', true],
      ['Platform with a rail, for work up to 5.20 m; harness where local rules want one', undefined],
    ]);
    expect(reached({ reach: 2.4, high: false, shelves: true }).map(({ what }) => what)).toEqual([
      'Brushes for shelf edges',
    ]);
  });

  it('has a cord by how far the outlet is, and fuel for an engine', () => {
    const powered = (part: Partial<DayMachine>, system: 'metric' | 'us' = 'metric') =>
      takeList(setups, owned, { ...machine, ...part }, [], system)
        .filter(({ group }) => group === 'Power')
        .map(({ what }) => what);
    expect(powered({ toOutlet: 4 })).toHaveLength(1);
    expect(powered({ toOutlet: 15 })[1]).toBe('Grounded extension cord, 10 m, 1.5 mm² or thicker');
    expect(powered({ toOutlet: 35.5 }, 'us')[1]).toMatch(
      /^Grounded extension cord, \d+ ft, 12 gauge or thicker$/,
    );
    expect(powered({ toOutlet: 90, sprayerClass: 'large' }, 'us')[1]).toBe(
      'More hose in the place of a long cord',
    );
    expect(powered({ power: 'engine' })).toEqual(['Fuel in its can, oil']);
  });

  it('has what nobody wants to look for when it is needed, and filters for the mask', () => {
    const worn = [{ what: 'Respirator for particles', why: 'Mist', code: 'respirator', worn: true } as const];
    const all = takeList([{ ...(setups[0] as DaySetup), protection: worn }], owned, machine);
    expect(all.filter(({ group }) => group === 'To wear and stand by').map(({ what }) => what)).toEqual([
      'Respirator for particles',
      'Filters or cartridges for the respirator, a set to spare',
    ]);
    expect(all.filter(({ group }) => group === 'If something happens')).toHaveLength(2);
    expect(takeList([], owned, machine).some(({ group }) => group === 'If something happens')).toBe(false);
    expect(new Set(lines.map(({ what }) => what)).size).toBe(lines.length);
  });
});

describe('an extension cord', () => {
  it('is thicker the longer it is, and the more the machine draws', () => {
    const name = (metres: number, sprayerClass: 'mid electric' | 'large', system: 'metric' | 'us') => {
      const found = cordFor(of(metres, 'm'), sprayerClass, system);
      return found.ok ? found.value.name : found.code;
    };
    expect(name(30, 'mid electric', 'metric')).toBe('1.5 mm²');
    expect(name(60, 'mid electric', 'metric')).toBe('2.5 mm²');
    expect(name(100, 'large', 'metric')).toBe('6 mm²');
    // 50 ft and 100 ft at 120 V.
    expect(name(15.24, 'mid electric', 'us')).toBe('14 gauge');
    expect(name(30.48, 'mid electric', 'us')).toBe('12 gauge');
    expect(name(60, 'large', 'us')).toBe('cord.long');
    expect(cordFor(of(150, 'm'), 'large')).toMatchObject({ ok: false, field: 'cord' });
  });
});
