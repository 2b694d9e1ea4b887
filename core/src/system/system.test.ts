import { ARCHETYPES } from '../coating';
import { ELEMENTS, SIDES } from '../takeoff';
import { suitedCoating, usualSystem } from '.';

describe('what usually goes on a piece', () => {
  it('is there for every piece inside and outside, with a finish and not a primer', () => {
    for (const element of ELEMENTS) {
      for (const side of SIDES) {
        const { finish, coats } = usualSystem(element, side);
        expect(finish.length).toBeGreaterThan(0);
        for (const id of finish) expect(ARCHETYPES[id].name).not.toMatch(/prim|filler/i);
        expect(coats).toBe(2);
      }
    }
    expect(usualSystem('wall', 'outside').finish).not.toEqual(usualSystem('wall', 'inside').finish);
    expect(usualSystem('cabinet', 'outside')).toEqual(usualSystem('cabinet', 'inside'));
  });

  it('takes the coating of the kit that suits best, and any rather than none', () => {
    const kit = [
      { archetype: 'clear-varnish' },
      { archetype: 'wall-satin' },
      { archetype: 'wall-matt' },
    ] as const;
    expect(suitedCoating(kit, usualSystem('wall', 'inside'))).toBe(kit[2]);
    expect(suitedCoating(kit.slice(0, 2), usualSystem('wall', 'inside'))).toBe(kit[1]);
    expect(suitedCoating(kit, usualSystem('edge', 'outside'))).toBe(kit[0]);
    expect(suitedCoating([], usualSystem('wall', 'inside'))).toBeUndefined();
  });
});
