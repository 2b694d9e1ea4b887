import { EMERGENCY_CARD, PRECEDENCE_NOTE, cautionsFor, type CautionContext } from '.';

const codes = (extra: Partial<CautionContext>) =>
  cautionsFor({ base: 'water', element: 'wall', side: 'inside', wind: 'calm', reach: 2.4, ...extra }).map(
    ({ code }) => code,
  );

describe('cautions', () => {
  it('put ignition first for solvent coatings and leave it out for water', () => {
    expect(codes({ base: 'solvent' })[0]).toBe('ignition');
    expect(codes({})).not.toContain('ignition');
  });

  it('always name the trigger lock, and height and drift where they apply', () => {
    expect(codes({})).toEqual(['trigger-lock', 'breathing']);
    expect(codes({ reach: 3.5 })).toContain('height');
    expect(codes({ side: 'outside', wind: 'breeze' })).toContain('drift');
    expect(codes({ side: 'outside' })).not.toContain('breathing');
  });

  it('give the reason and the way out of each', () => {
    for (const caution of cautionsFor({
      base: 'solvent',
      element: 'ceiling',
      side: 'outside',
      wind: 'breeze',
      reach: 5,
    })) {
      expect(caution.why.length).toBeGreaterThan(15);
      expect(caution.instead.length).toBeGreaterThan(10);
    }
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
