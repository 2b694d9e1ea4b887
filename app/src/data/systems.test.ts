import type { System } from '@fine-spray/contract';
import { choiceOf, coreLayers, layersOfChoice } from '@fine-spray/contract/planning';
import { coatingRow, row } from '@/testing/rows';
import { presetsFor, systemText } from './systems';

const coatings = [
  coatingRow('matt', 'Interior wall matt, water-borne', 'wall-matt'),
  coatingRow('prime', 'Board primer-sealer, water-borne', 'board-primer'),
  coatingRow('block', 'Stain-blocking primer, water-borne', 'stain-block'),
];
const wall = { element: 'wall', side: 'inside', kind: 'smooth-board' } as const;
const choice = {
  coatingId: 'matt',
  coats: 2,
  thinning: 0,
  under: [
    { role: 'spot prime' as const, coatingId: 'block', coats: 1, thinning: 0, share: 0.1 },
    { role: 'prime' as const, coatingId: 'prime', coats: 1, thinning: 0, share: 1 },
  ],
};
const own = (change: Partial<System> = {}): System => ({
  ...row,
  id: 's',
  name: 'Ours',
  elements: ['wall'],
  sides: ['inside'],
  kinds: [],
  layers: layersOfChoice(choice),
  ...change,
});

describe('a system', () => {
  it('is said in a line, from the surface outwards', () => {
    expect(systemText(choice, coatings)).toBe(
      'Stain-blocking primer on 10 %, then Board primer-sealer, then 2 × Interior wall matt',
    );
    expect(coreLayers({ ...choice, coatingId: 'gone' }, coatings)).toHaveLength(2);
  });

  it('comes back from its layers as it was', () => {
    expect(choiceOf(layersOfChoice(choice))).toEqual(choice);
    expect(choiceOf([])).toBeUndefined();
  });
});

describe('systems to choose from', () => {
  it('are the company’s own first, then usual ones whose coatings are in the kit', () => {
    const names = presetsFor(wall, [own()], coatings).map(({ name, own: mine }) => [name, mine]);
    expect(names[0]).toEqual(['Ours', true]);
    expect(names).toContainEqual(['New board: prime and two coats', false]);
    expect(names.map(([name]) => name)).not.toContain('Kitchen and washroom: satin, two coats');
  });

  it('leave out what is for other pieces, sides or surfaces', () => {
    const fits = (system: System) => presetsFor(wall, [system], coatings).some(({ id }) => id === 's');
    expect(fits(own({ kinds: ['smooth-board'] }))).toBe(true);
    expect(fits(own({ kinds: ['metal'] }))).toBe(false);
    expect(fits(own({ sides: ['outside'] }))).toBe(false);
    expect(fits(own({ elements: ['trim'] }))).toBe(false);
  });
});
