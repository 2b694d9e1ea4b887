import fc from 'fast-check';
import {
  EMERGENCY_CARD,
  POWERS,
  PRECEDENCE_NOTE,
  STEPS,
  SURFACE_AGES,
  cautionsFor,
  protectionFor,
  type SafetyContext,
} from '.';
import { ELEMENTS, SIDES, WINDS } from '../takeoff';

const context = (extra: Partial<SafetyContext> = {}): SafetyContext => ({
  step: 'spray',
  base: 'water',
  element: 'wall',
  side: 'inside',
  wind: 'calm',
  reach: 2.4,
  power: 'electric',
  surfaceAge: 'new',
  wetGround: false,
  ...extra,
});
const codes = (extra: Partial<SafetyContext> = {}) => cautionsFor(context(extra)).map(({ code }) => code);
const worn = (extra: Partial<SafetyContext> = {}) => protectionFor(context(extra)).map(({ code }) => code);

describe('cautions', () => {
  it('put ignition first for solvent coatings and leave it out for water', () => {
    expect(codes({ base: 'solvent' })[0]).toBe('ignition');
    expect(codes()).not.toContain('ignition');
  });

  it('name the trigger lock while spraying, and height and drift where they apply', () => {
    expect(codes()).toEqual(['trigger-lock', 'breathing']);
    expect(codes({ reach: 3.5 })).toContain('height');
    expect(codes({ element: 'ceiling' })).toContain('height');
    expect(codes({ side: 'outside', wind: 'breeze' })).toContain('drift');
    expect(codes({ side: 'outside' })).not.toContain('breathing');
  });

  it('stand at the step they belong to', () => {
    expect(codes({ step: 'clear a clog' })).toEqual(['trigger-lock', 'clog']);
    expect(codes({ step: 'shut down' })).toEqual(['trigger-lock', 'order']);
    expect(codes({ step: 'prepare' })).toEqual([]);
    expect(codes({ step: 'prepare', surfaceAge: 'old' })).toEqual(['lead']);
    expect(codes({ step: 'prepare', surfaceAge: 'unknown' })).toEqual(['lead']);
    expect(codes({ step: 'check paint', base: 'solvent' })).toEqual(['ignition', 'thinning']);
    expect(codes({ power: 'engine' })).toContain('engine');
    expect(codes({ power: 'engine', side: 'outside' })).not.toContain('engine');
    expect(codes({ wetGround: true })).toContain('electricity');
    expect(codes({ wetGround: true, power: 'engine' })).not.toContain('electricity');
  });

  it('say of old paint what is known of it', () => {
    const [old] = cautionsFor(context({ step: 'prepare', surfaceAge: 'old' }));
    const [unknown] = cautionsFor(context({ step: 'prepare', surfaceAge: 'unknown' }));
    expect(old?.what).toMatch(/do not dry-sand/);
    expect(unknown?.what).toMatch(/test it for lead/);
  });

  it('give the reason and the way out of each, once, in every situation', () => {
    const any = fc.record({
      step: fc.constantFrom(...STEPS),
      base: fc.constantFrom('water' as const, 'solvent' as const),
      element: fc.constantFrom(...ELEMENTS),
      side: fc.constantFrom(...SIDES),
      wind: fc.constantFrom(...WINDS),
      reach: fc.double({ min: 0.5, max: 12, noNaN: true }),
      power: fc.constantFrom(...POWERS),
      surfaceAge: fc.constantFrom(...SURFACE_AGES),
      wetGround: fc.boolean(),
    });
    fc.assert(
      fc.property(any, (situation) => {
        const cautions = cautionsFor(situation);
        expect(new Set(cautions.map(({ code }) => code)).size).toBe(cautions.length);
        for (const { why, instead } of cautions) {
          expect(why.length).toBeGreaterThan(15);
          expect(instead.length).toBeGreaterThan(10);
        }
        // Whoever has the gun in hand is told of the trigger lock.
        const gun = situation.step !== 'prepare' && situation.step !== 'check paint';
        expect(cautions.some(({ code }) => code === 'trigger-lock')).toBe(gun);
        const protection = protectionFor(situation);
        expect(new Set(protection.map(({ code }) => code)).size).toBe(protection.length);
        if (situation.step === 'spray') {
          const kinds = protection.map(({ code }) => code);
          expect(kinds).toEqual(expect.arrayContaining(['respirator', 'eyes', 'ears', 'gloves', 'clothing']));
          expect(kinds.includes('ground')).toBe(situation.base === 'solvent');
        }
      }),
    );
  });
});

describe('what to wear', () => {
  it('follows coating, place, height and step', () => {
    expect(worn()).toEqual(['respirator', 'eyes', 'ears', 'gloves', 'clothing', 'air']);
    expect(worn({ side: 'outside' })).not.toContain('air');
    expect(worn({ base: 'solvent', side: 'outside' })).toEqual(expect.arrayContaining(['air', 'ground']));
    expect(worn({ reach: 6 })).toContain('fall');
    expect(worn({ step: 'prepare' })).toEqual([]);
    expect(worn({ step: 'prepare', surfaceAge: 'old' })).toEqual(['respirator']);
    expect(worn({ step: 'set up' })).toEqual(['eyes']);
  });

  it('wants another respirator against solvent than against mist', () => {
    const what = (base: 'water' | 'solvent') => protectionFor(context({ base }))[0]?.what;
    expect(what('solvent')).toMatch(/organic vapour/);
    expect(what('water')).toBe('Respirator with a particle filter');
    const gloves = protectionFor(context({ base: 'solvent' })).find(({ code }) => code === 'gloves');
    expect(gloves?.why).toMatch(/No glove stops the jet/);
  });
});

describe('the emergency card', () => {
  it('says where to go, what to say and what never to do', () => {
    expect(EMERGENCY_CARD.lead).toMatch(/emergency department now/);
    expect(EMERGENCY_CARD.sentence).toMatch(/high-pressure injection/);
    const never = EMERGENCY_CARD.never.join(' ');
    for (const word of [/wait/, /squeeze/, /tourniquet/]) expect(never).toMatch(word);
    expect(PRECEDENCE_NOTE).toMatch(/precedence/);
  });
});
