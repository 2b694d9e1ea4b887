import type { CoatCompared } from './actual';
import { THIN } from '../film';
import { thinCoats } from '.';

const coat = (
  number: number,
  state: CoatCompared['state'],
  share?: number,
  extra: { surface?: string; coating?: string } = {},
): CoatCompared =>
  ({
    planned: { surface: 'hall', coating: 'matt', ...extra, coat: number, wet: 100e-6 },
    state,
    ...(share === undefined ? {} : { actual: { wet: share * 100e-6 } }),
  }) as unknown as CoatCompared;
const found = (...coats: readonly CoatCompared[]) =>
  thinCoats([{ coats }]).map(({ surface, coat: number, wet }) => [surface, number, Math.round(wet * 1e6)]);

describe('coats that came out too thin', () => {
  it('are said where nothing is planned over them', () => {
    expect(found(coat(1, 'done', 1), coat(2, 'done', 0.7))).toEqual([['hall', 2, 70]]);
  });
  it('are none of those that another coat will go over, that were not combed, or that are as wanted', () => {
    expect(found(coat(1, 'done', 0.6), coat(2, 'to do'))).toEqual([]);
    expect(found(coat(1, 'done', 0.6), coat(2, 'begun'))).toEqual([]);
    expect(found(coat(1, 'done', 0.6), coat(2, 'done', 1))).toEqual([]);
    expect(found(coat(1, 'done'))).toEqual([]);
    expect(found(coat(1, 'done', THIN))).toEqual([]);
    expect(found(coat(1, 'begun', 0.4))).toEqual([]);
  });
  it('are told apart by surface and coating', () => {
    expect(
      found(
        coat(1, 'done', 0.7),
        coat(1, 'to do', undefined, { surface: 'stair' }),
        coat(1, 'to do', undefined, { coating: 'primer' }),
      ),
    ).toEqual([['hall', 1, 70]]);
  });
});
