import type { PlaceFields, Surface, SurfaceFields } from '@fine-spray/contract';
import { usualRoom } from '@fine-spray/core/takeoff';
import { coatingRow } from '@/testing/rows';
import { nextPosition, surfaceWrites } from './takeoff';

const coatings = [coatingRow('matt', 'Matt', 'wall-matt'), coatingRow('flat', 'Flat', 'ceiling-flat')];
const place = (change: object = {}): PlaceFields => ({
  jobId: 'j',
  name: 'Hall',
  position: 40,
  measure: { ...usualRoom(5, 4, 2.5), ...change } as PlaceFields['measure'],
});
const writesOf = (to: PlaceFields, existing: Surface[] = [], remembered?: readonly Surface[]) =>
  surfaceWrites({ placeId: 'p', place: to, existing, coatings, remembered });
/** The surfaces that writes leave, as the server would store them. */
function stored(writes: ReturnType<typeof surfaceWrites>): Surface[] {
  return writes.flatMap(({ id, content }) =>
    content
      ? [
          {
            ...(content as unknown as SurfaceFields),
            id,
            version: 1,
            createdAt: 'x',
            updatedAt: 'x',
          },
        ]
      : [],
  );
}

describe('the surfaces of a place', () => {
  it('are made with what usually goes on them', () => {
    const made = stored(writesOf(place()));
    expect(made.map(({ name, coatingId, room, position }) => [name, coatingId, room, position])).toEqual([
      ['Walls', 'matt', 'Hall', 40],
      ['Ceiling', 'flat', 'Hall', 41],
    ]);
  });

  it('are not written again while nothing changes', () => {
    expect(writesOf(place(), stored(writesOf(place())))).toEqual([]);
  });

  it('change their sizes and keep what was chosen, and an area put in by hand', () => {
    const [walls, ceiling] = stored(writesOf(place()));
    if (!walls || !ceiling) throw new Error('not made');
    const chosen: Surface = {
      ...walls,
      coats: 3,
      geometry: { ...walls.geometry, override: { net: 12, reason: 'Tiles' } },
      version: 7,
    };
    const writes = writesOf(place({ height: 3 }), [chosen, ceiling]);
    expect(writes).toHaveLength(1);
    expect(writes[0]).toMatchObject({
      id: walls.id,
      content: { coats: 3, version: 7, geometry: { override: { net: 12, reason: 'Tiles' } } },
    });
    const content = writes[0]?.content as unknown as SurfaceFields;
    expect(content.geometry.shape === 'pieces' && content.geometry.pieces[0]).toMatchObject({ height: 3 });
  });

  it('go with what is taken out, and come back as they were', () => {
    const before = stored(writesOf(place()));
    const ceiling = before.find(({ element }) => element === 'ceiling');
    if (!ceiling) throw new Error('no ceiling');
    const out = writesOf(place({ skipped: ['ceiling'] }), before);
    expect(out).toEqual([{ resource: 'surfaces', id: ceiling.id, content: null, version: 1 }]);
    const left = before.filter(({ element }) => element !== 'ceiling');
    const back = writesOf(place(), left, [{ ...ceiling, coats: 4 }]);
    expect(back[0]?.content).toMatchObject({ coats: 4, version: 0 });
    expect(back[0]?.id).not.toBe(ceiling.id);
  });

  it('go apart wall by wall with what was chosen for all of them, and come together as the first is', () => {
    const before = stored(writesOf(place())).map((row): Surface =>
      row.element === 'wall'
        ? {
            ...row,
            coats: 3,
            tip: { family: 'standard', code: '517' },
            geometry: { ...row.geometry, override: { net: 30, reason: 'Tiles' } },
          }
        : row,
    );
    const walls = before.find(({ element }) => element === 'wall');
    const apart = writesOf(place({ apart: ['wall'] }), before);
    const made = stored(apart).filter(({ element }) => element === 'wall');
    expect(made.map(({ name, coats, tip }) => [name, coats, tip?.code ?? null])).toEqual([
      ['Wall 1', 3, '517'],
      ['Wall 2', 3, null],
      ['Wall 3', 3, null],
      ['Wall 4', 3, null],
    ]);
    expect(made[0]?.id).toBe(walls?.id);
    // The area that was put in for all of them is nobody's now.
    expect(made.filter(({ geometry }) => geometry.override)).toEqual([]);
    expect(apart.every(({ content }) => content !== null)).toBe(true);
    // One wall in another coating keeps it when the room grows.
    const ceiling = stored(apart).filter(({ element }) => element !== 'wall');
    const accent = made.map((row) =>
      row.name === 'Wall 3' ? { ...row, coatingId: 'flat', name: 'Chimney wall' } : row,
    );
    const grown = writesOf(place({ apart: ['wall'], height: 3 }), [...accent, ...ceiling]);
    expect(grown).toHaveLength(4);
    const named = stored(grown).find(({ name }) => name === 'Chimney wall');
    expect(named).toMatchObject({ coatingId: 'flat', id: accent[2]?.id });
    // Together again: the first stays, the others go.
    const together = writesOf(place(), [...accent, ...ceiling], before);
    expect(together.filter(({ content }) => content === null)).toHaveLength(3);
    expect(stored(together)).toMatchObject([
      { id: walls?.id, name: 'Walls', coats: 3, geometry: { override: { net: 30, reason: 'Tiles' } } },
      { name: 'Ceiling', position: 41 },
    ]);
  });

  it('are left alone while the place cannot be', () => {
    expect(writesOf(place({ height: 0 }), stored(writesOf(place())))).toEqual([]);
    expect(surfaceWrites({ placeId: 'p', place: place(), existing: [], coatings: [] })).toEqual([]);
  });
});

describe('the position of a new place', () => {
  it('is after all there is, with room for its surfaces', () => {
    const [walls] = stored(writesOf(place()));
    if (!walls) throw new Error('not made');
    expect(nextPosition([], [])).toBe(20);
    expect(nextPosition([], [walls])).toBe(60);
    expect(nextPosition([], [{ ...walls, position: 999_999 }])).toBe(999_980);
  });
});
