import fc from 'fast-check';
import {
  CAUTIONS,
  HARDENERS,
  POWERS,
  PRECEDENCE_NOTE,
  STEPS,
  SURFACE_AGES,
  cautionsFor,
  protectionFor,
  wearLine,
  type SafetyContext,
} from '.';
import { EMERGENCY_CARDS, EMERGENCY_IDS, EMERGENCY_PRECEDENCE } from '../emergency';
import { FLUID_IDS, TROUBLES, startUp, shutDown, takeUpGun, putGunDown, clearClog } from '../procedure';
import { ELEMENTS, SIDES, SURFACE_KIND_IDS, WINDS } from '../takeoff';
import { sealFor } from '../tip';

const context = (extra: Partial<SafetyContext> = {}): SafetyContext => ({
  step: 'spray',
  base: 'water',
  element: 'wall',
  side: 'inside',
  kind: 'smooth-board',
  wind: 'calm',
  reach: 2.4,
  power: 'electric',
  surfaceAge: 'new',
  hardener: 'none',
  waterOnly: false,
  wetGround: false,
  hot: false,
  ...extra,
});
const codes = (extra: Partial<SafetyContext> = {}) => cautionsFor(context(extra)).map(({ code }) => code);
const worn = (extra: Partial<SafetyContext> = {}) => protectionFor(context(extra)).map(({ code }) => code);

describe('cautions', () => {
  it('put what kills first: fire before the jet, the jet before the mist', () => {
    const order = codes({ base: 'solvent' });
    expect(order[0]).toBe('ignition');
    expect(order.indexOf('injection')).toBeLessThan(order.indexOf('vapour'));
    expect(codes()).not.toContain('ignition');
    expect(codes({ side: 'outside', reach: 6 })[0]).toBe('power line');
  });

  it('are few at each step, and stand where they are needed only', () => {
    expect(codes()).toEqual(['injection', 'drip', 'mist', 'bystanders']);
    expect(codes({ step: 'clear a clog' })).toEqual(['clog']);
    expect(codes({ step: 'shut down' })).toEqual(['injection', 'never pumped']);
    expect(codes({ step: 'leave' })).toEqual(['bags off', 're-entry', 'waste']);
    expect(codes({ step: 'set up' })).toEqual(['cord', 'alone']);
  });

  it('know height by the work itself', () => {
    expect(codes({ reach: 3.5 })).toEqual(expect.arrayContaining(['fall', 'under the work']));
    expect(codes({ element: 'ceiling' })).toContain('under the work');
    expect(codes({ element: 'edge', side: 'outside', reach: 0.3 })).toContain('fall');
    expect(codes({ element: 'edge', reach: 0.3 })).not.toContain('fall');
  });

  it('go by what is in hand: engine, wet ground, wind, heat, masonry, texture', () => {
    expect(codes({ power: 'engine' })).toContain('carbon monoxide');
    expect(codes({ power: 'engine', side: 'outside' })).not.toContain('carbon monoxide');
    expect(codes({ step: 'set up', power: 'engine', side: 'outside' })).toContain('exhaust');
    expect(codes({ wetGround: true })).toContain('wet cord');
    expect(codes({ wetGround: true, power: 'engine' })).not.toContain('wet cord');
    expect(codes({ side: 'outside', wind: 'breeze' })).toContain('drift');
    expect(codes({ hot: true })).toContain('heat');
    expect(codes({ step: 'prepare', kind: 'brick' })).toContain('masonry dust');
    expect(codes({ step: 'prepare', kind: 'heavy-stipple', surfaceAge: 'unknown' })).toContain('asbestos');
    expect(codes({ step: 'prepare', kind: 'heavy-stipple' })).not.toContain('asbestos');
    expect(codes({ waterOnly: true, step: 'set up' })).toContain('water only');
  });

  it('say of old paint what is known of it, and take the careful side where nothing is', () => {
    expect(codes({ step: 'prepare' })).toEqual(['alarms']);
    expect(codes({ step: 'prepare', surfaceAge: 'old' })).toContain('lead known');
    expect(codes({ step: 'prepare', surfaceAge: 'unknown' })).toContain('lead');
    expect(codes({ step: 'check paint', base: 'solvent', hardener: 'unknown' })).toContain(
      'hardener unknown',
    );
    expect(codes({ hardener: 'isocyanate' })).toContain('isocyanate');
    expect(codes({ base: 'solvent', side: 'outside' })).toEqual(expect.arrayContaining(['vapour', 'ground']));
  });

  it('never warm solvent in a bath', () => {
    const words = (base: 'water' | 'solvent') =>
      cautionsFor(context({ step: 'check paint', base }))
        .map(({ what }) => what)
        .join(' ');
    expect(words('solvent')).toMatch(/never in a hot bath/);
    expect(words('water')).toMatch(/a bath of warm water/);
  });

  it('are one sentence each with a reason, each once, in every situation', () => {
    const any = fc.record({
      step: fc.constantFrom(...STEPS),
      base: fc.constantFrom('water' as const, 'solvent' as const),
      element: fc.constantFrom(...ELEMENTS),
      side: fc.constantFrom(...SIDES),
      kind: fc.constantFrom(...SURFACE_KIND_IDS),
      wind: fc.constantFrom(...WINDS),
      reach: fc.double({ min: 0.5, max: 12, noNaN: true }),
      power: fc.constantFrom(...POWERS),
      surfaceAge: fc.constantFrom(...SURFACE_AGES),
      hardener: fc.constantFrom(...HARDENERS),
      waterOnly: fc.boolean(),
      wetGround: fc.boolean(),
      hot: fc.boolean(),
    });
    fc.assert(
      fc.property(any, (situation) => {
        const cautions = cautionsFor(situation);
        expect(new Set(cautions.map(({ code }) => code)).size).toBe(cautions.length);
        expect(cautions.length).toBeLessThanOrEqual(14);
        const gun = ['dial in', 'spray', 'shut down'].includes(situation.step);
        expect(cautions.some(({ code }) => code === 'injection')).toBe(gun);
        const protection = protectionFor(situation);
        expect(new Set(protection.map(({ code }) => code)).size).toBe(protection.length);
        if (situation.step === 'spray') {
          const kinds = protection.map(({ code }) => code);
          expect(kinds).toEqual(expect.arrayContaining(['respirator', 'eyes', 'ears', 'gloves', 'clothing']));
          expect(kinds.includes('ground')).toBe(situation.base === 'solvent');
        }
      }),
    );
    for (const { what, why } of CAUTIONS) {
      // A question may stand before its answer.
      expect([what, what.replace(/^[^.?]+\? /, '').match(/[.?!]( |$)/g)?.length]).toEqual([what, 1]);
      expect(why.length).toBeGreaterThan(15);
    }
    expect(new Set(CAUTIONS.map(({ what }) => what)).size).toBe(CAUTIONS.length);
  });
});

describe('what to wear', () => {
  it('follows coating, place, height and step', () => {
    expect(worn()).toEqual(['respirator', 'eyes', 'ears', 'gloves', 'clothing', 'air']);
    // Mist is breathed outside too.
    expect(worn({ side: 'outside' })).toEqual(['respirator', 'eyes', 'ears', 'gloves', 'clothing']);
    expect(worn({ base: 'solvent', side: 'outside' })).toEqual(
      expect.arrayContaining(['air', 'ground', 'fire']),
    );
    expect(worn({ reach: 6 })).toContain('fall');
    expect(worn({ step: 'prepare' })).toEqual(['eyes']);
    expect(worn({ step: 'prepare', surfaceAge: 'old' })).toEqual(['respirator', 'eyes']);
    expect(worn({ step: 'shut down', power: 'engine' })).toContain('ears');
  });

  it('wants another respirator against solvent than against mist, and supplied air against isocyanate', () => {
    const what = (extra: Partial<SafetyContext>) => protectionFor(context(extra))[0]?.what;
    expect(what({ base: 'solvent' })).toBe('Respirator for vapour and particles');
    expect(what({})).toBe('Respirator for particles');
    expect(what({ hardener: 'isocyanate' })).toMatch(/^Supplied air/);
    // On through thinning, clogs and flushes.
    for (const step of ['check paint', 'clear a clog', 'shut down'] as const)
      expect([step, what({ base: 'solvent', step })]).toEqual([step, 'Respirator for vapour and particles']);
    expect(wearLine(protectionFor(context()))).toBe(
      'Respirator for particles, goggles, hearing protection, gloves, coverall and hood',
    );
  });
});

describe('the emergency cards', () => {
  const { skin, eye, breathing, fumes } = EMERGENCY_CARDS;
  const all = (id: (typeof EMERGENCY_IDS)[number]) => {
    const { lead, under, say = '', steps, never } = EMERGENCY_CARDS[id];
    return [lead, under, say, ...steps, ...never].join(' ');
  };

  it('send an injection to a surgeon and keep hands off the wound', () => {
    expect(skin.lead).toMatch(/emergency department now/);
    expect(skin.under).toMatch(/Let someone drive you\. Alone\? Call an ambulance/);
    expect(skin.say).toMatch(/High-pressure injection/);
    for (const word of [
      /safety data sheet/,
      /pressure and the time/,
      /tetanus/,
      /Rings/,
      /limb still/,
      /wait for pain/,
      /squeeze/,
      /tie it off/,
      /food, drink or ice/,
    ])
      expect(all('skin')).toMatch(word);
  });

  it('tell a jet in the eye from a splash', () => {
    expect(eye.under).toMatch(/Never rinse or press/);
    expect(all('eye')).toMatch(/splash: rinse at once.*lids open.*lenses out.*Lime, cement, thinner/is);
  });

  it('send nobody in after another, and start the chest at once', () => {
    expect(fumes.under).toMatch(/Do not follow someone in/);
    expect(breathing.steps[0]).toMatch(/Push hard and fast/);
    expect(EMERGENCY_PRECEDENCE).toMatch(/safety data sheets/);
    expect(PRECEDENCE_NOTE).toMatch(/precedence/);
  });

  it('double no negatives', () => {
    for (const id of EMERGENCY_IDS) {
      for (const sentence of all(id).split(/(?<=[.?!:]) /)) {
        const negatives = sentence.match(/\b(no|not|never|nobody|nothing|cannot|without)\b/gi) ?? [];
        expect([sentence, negatives.length < 2]).toEqual([sentence, true]);
      }
    }
  });
});

/**
 * School years somebody needs to read a text: automated readability index, 4.71 letters per word + 0.5 words per
 * sentence − 21.43 (Senter and Smith 1967).
 */
function grade(text: string): number {
  const sentences = text.split(/[.?!:;]+(?:\s|$)/).filter((one) => /\w/.test(one)).length;
  const words = text.split(/\s+/).filter((one) => /\w/.test(one));
  const letters = words.join('').replace(/[^\p{L}\p{N}]/gu, '').length;
  return (4.71 * letters) / words.length + (0.5 * words.length) / sentences - 21.43;
}

describe('how hard safety texts are to read', () => {
  it('is measured as the index is published', () => {
    // 9 words, 35 letters, 1 sentence.
    expect(grade('The quick brown fox jumps over the lazy dog.')).toBeCloseTo(
      4.71 * (35 / 9) + 0.5 * 9 - 21.43,
      6,
    );
    expect(
      grade('Precautionary considerations necessitate comprehensive institutional documentation.'),
    ).toBeGreaterThan(20);
  });

  it('is grade 5 at most for every emergency card', () => {
    for (const id of EMERGENCY_IDS) {
      const { lead, under, say = '', steps, never } = EMERGENCY_CARDS[id];
      const found = grade([lead, under, say, ...steps, ...never].join(' '));
      expect([id, found <= 5, found]).toEqual([id, true, found]);
    }
  });

  it('is grade 8 at most for the cautions of each step, and none is over 12', () => {
    for (const step of STEPS) {
      const own = CAUTIONS.filter(({ steps }) => (steps as readonly string[]).includes(step));
      const found = grade(own.map(({ what, why }) => `${what} ${why}`).join(' '));
      expect([step, found <= 8, found]).toEqual([step, true, found]);
    }
    for (const { what } of CAUTIONS) {
      const found = grade(what);
      expect([what, found <= 12, found]).toEqual([what, true, found]);
    }
  });

  it('is grade 8 at most for every list and the fault finder', () => {
    const at = { power: 'engine', side: 'inside', waterOnly: false, hardener: 'none' } as const;
    for (const base of ['water', 'solvent'] as const) {
      const lists = [
        ...FLUID_IDS.map((holds) =>
          startUp({
            ...at,
            base,
            holds,
            sameCoating: false,
            tipCode: '515',
            mesh: 60,
            seal: sealFor('standard', base),
          }),
        ),
        shutDown({ ...at, base, until: 'stored' }),
      ].flatMap((one) => (one.ok ? [one.value] : []));
      const short = [
        takeUpGun({ ...at, base, startPressure: '110 bar', to: 'spray' }),
        putGunDown({ ...at, base }),
        clearClog({ ...at, base }),
      ];
      for (const { title, steps } of [...lists, ...short]) {
        const found = grade(steps.map(({ what, why, doubt = '' }) => `${what} ${why} ${doubt}`).join(' '));
        expect([title, base, found <= 8, found]).toEqual([title, base, true, found]);
      }
    }
    const faults = Object.values(TROUBLES).flatMap(({ looks, danger = '', tries }) => [
      looks,
      danger,
      ...tries.map(({ what, why }) => `${what} ${why}`),
    ]);
    expect(grade(faults.join(' '))).toBeLessThanOrEqual(8);
  });
});
