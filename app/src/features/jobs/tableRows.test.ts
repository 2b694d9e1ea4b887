import type { Surface } from '@fine-spray/contract';
import { surfaceWrites } from '@/data/changeSurfaces';
import { matching, tableRows, totalsOfRows } from './tableRows';

const surface = (id: string, room: string, part: object = {}): Surface =>
  ({
    ...{ id, room, name: `Wall ${id}`, element: 'wall', coatingId: 'matt', coats: 2, version: 3, jobId: 'j' },
    geometry: { shape: 'rectangle', width: 4, height: 2.5, count: 1, openings: [], override: null },
    ...part,
  }) as unknown as Surface;
const SURFACES = [surface('a', 'Hall'), surface('b', 'Hall', { coats: 1 }), surface('c', 'Loft')];
const rows = tableRows(
  SURFACES,
  (id) => (id === 'matt' ? 'Interior wall matt' : '?'),
  ({ id }) => (id === 'c' ? undefined : { id, code: '517', paint: 0.004 }),
);

describe('an estimator’s table', () => {
  it('has area, coats, tip and paint of each surface, and what is not known yet is left open', () => {
    expect(rows[0]).toMatchObject({
      room: 'Hall',
      piece: 'Wall',
      coating: 'Interior wall matt',
      area: 10,
      tip: '517',
    });
    expect(rows[2]).toMatchObject({ room: 'Loft', tip: undefined, paint: undefined });
  });

  it('adds up: areas, areas of coats and paint, of all or of what is found', () => {
    expect(totalsOfRows(rows)).toEqual({ area: 30, coats: 50, paint: 0.008 });
    expect(matching(rows, ' loft ').map(({ surface: { id } }) => id)).toEqual(['c']);
    expect(matching(rows, 'MATT')).toHaveLength(3);
    expect(totalsOfRows(matching(rows, 'loft'))).toEqual({ area: 10, coats: 20, paint: 0 });
  });

  it('changes several over the versions that are seen, and back over those that were stored', () => {
    const writes = surfaceWrites(SURFACES.slice(0, 2), () => ({ coats: 3 }));
    expect(
      writes.map(({ id, content }) => [id, (content as Surface).coats, (content as Surface).version]),
    ).toEqual([
      ['a', 3, 3],
      ['b', 3, 3],
    ]);
    const back = surfaceWrites(
      SURFACES.slice(0, 2),
      ({ coats }) => ({ coats }),
      () => 4,
    );
    expect(back.map(({ content }) => [(content as Surface).coats, (content as Surface).version])).toEqual([
      [2, 4],
      [1, 4],
    ]);
  });
});
