import { nextOnMap } from './TipMapScreen';

type Map = Parameters<typeof nextOnMap>[0];
type Cell = Parameters<typeof nextOnMap>[1];

/** Three fans by three orifices, the one in the middle not made. */
const made = (fan: number, orificeThou: number) =>
  (fan === 4 && orificeThou === 15 ? undefined : { tip: { fan, orificeThou } }) as ReturnType<Map['cell']>;
const MAP = { fans: [3, 4, 5], orifices: [13, 15, 17], cell: made } as unknown as Map;
const from = (fan: number, orificeThou: number, key: string) => {
  const next = nextOnMap(MAP, { tip: { fan, orificeThou } } as Cell, key);
  return next && [next.tip.fan, next.tip.orificeThou];
};

it('the arrows lead along fans and orifices, over what is not made, and end at the edge', () => {
  expect(from(3, 13, 'ArrowRight')).toEqual([4, 13]);
  expect(from(3, 13, 'ArrowDown')).toEqual([3, 15]);
  expect(from(3, 15, 'ArrowRight')).toEqual([5, 15]);
  expect(from(4, 17, 'ArrowUp')).toEqual([4, 13]);
  expect(from(5, 13, 'ArrowRight')).toBeUndefined();
  expect(from(3, 13, 'ArrowLeft')).toBeUndefined();
  expect(from(3, 13, 'Enter')).toBeUndefined();
});
