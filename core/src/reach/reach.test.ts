import { IN_HAND, acrossOf, acrossRoom, doorsOf, farthestWay, floorWay, longestWay, standsFor } from '.';
import { contains } from '../shape';
import { seeded } from '../random';
import { surfacesOf, usualElevation, usualRoom, type RoomMeasure } from '../takeoff';

/** An L: 6 by 5 with the corner from (3, 2) on taken out. */
const L = [
  { x: 0, y: 0 },
  { x: 6, y: 0 },
  { x: 6, y: 2 },
  { x: 3, y: 2 },
  { x: 3, y: 5 },
  { x: 0, y: 5 },
];

describe('the way on a floor', () => {
  it('is straight where nothing is between, and goes round a corner where a wall is', () => {
    expect(floorWay(L, { x: 0, y: 0 }, { x: 3, y: 4 }).length).toBeCloseTo(5, 9);
    const round = floorWay(L, { x: 6, y: 2 }, { x: 3, y: 5 });
    expect(round.points).toHaveLength(3);
    expect(round.points[1]).toEqual({ x: 3, y: 2 });
    expect(round.length).toBeCloseTo(6, 9);
  });

  it('never is shorter than the straight line, and is as long both ways', () => {
    const random = seeded(5);
    for (let round = 0; round < 60; round += 1) {
      const point = () => ({ x: random() * 6, y: random() * 5 });
      const [a, b] = [point(), point()];
      if (!contains(L, a) || !contains(L, b)) continue;
      const [there, back] = [floorWay(L, a, b), floorWay(L, b, a)];
      expect(there.length).toBeCloseTo(back.length, 9);
      expect(there.length).toBeGreaterThanOrEqual(Math.hypot(a.x - b.x, a.y - b.y) - 1e-9);
    }
  });

  it('to the far corner is the longest of those to the corners', () => {
    expect(farthestWay(L, { x: 6, y: 0 }).length).toBeCloseTo(Math.hypot(3, 2) + Math.hypot(3, 3), 9);
    expect(longestWay(L).length).toBeGreaterThanOrEqual(farthestWay(L, { x: 6, y: 0 }).length);
  });
});

describe('how far it is across', () => {
  const room: RoomMeasure = {
    ...usualRoom(4, 3, 2.4),
    features: [{ id: 'd', item: 'doorway', count: 1, sizes: { width: 1 }, wall: 0, at: 0, sill: 0 }],
  };
  const surfaces = () => {
    const found = surfacesOf(usualRoom(4, 3, 2.4));
    return found.ok ? found.value : [];
  };

  it('goes from the door that is measured; without one from the worst corner', () => {
    expect(doorsOf(room)).toEqual([{ x: 0.5, y: 0 }]);
    expect(acrossRoom(room).length).toBeCloseTo(Math.hypot(3.5, 3), 9);
    expect(acrossOf([], { ...room, features: [] })).toEqual({ across: 5, measured: true });
  });

  it('is told by what is sprayed where nobody measured the room, and says so', () => {
    expect(acrossOf(surfaces())).toEqual({ across: 5, measured: false });
    const outside = surfacesOf(usualElevation(10, 3));
    expect(acrossOf(outside.ok ? outside.value : [])).toEqual({ across: 10, measured: false });
    expect(acrossOf([])).toEqual({ across: 0, measured: false });
  });
});

describe('where the machine stands', () => {
  const rooms = [
    { name: 'Hall', across: 8 },
    { name: 'Kitchen', across: 4 },
    { name: 'Attic', across: 5 },
  ];
  const ways = [
    { room: 'Kitchen', from: 'Hall', way: 3 },
    { room: 'Attic', from: 'Kitchen', way: 9 },
  ];

  it('is one place where the hose reaches all of it, with 2 m in hand', () => {
    const all = standsFor(rooms, ways, 12 + 5 + IN_HAND);
    expect(all.stands).toHaveLength(1);
    expect(all.unknown).toEqual([]);
    // From the kitchen: 3 + 8 to the hall, 9 + 5 to the attic
    expect(all.stands[0]?.at).toBe('Kitchen');
    expect(all.stands[0]?.reached.find(({ room }) => room === 'Attic')).toMatchObject({
      toDoor: 9,
      across: 5,
      left: 5,
    });
  });

  it('is as many places as it has to be, and no room is left out', () => {
    const two = standsFor(rooms, ways, 13.9);
    expect(two.stands).toHaveLength(2);
    expect(two.stands.flatMap(({ reached }) => reached.map(({ room }) => room)).sort()).toEqual([
      'Attic',
      'Hall',
      'Kitchen',
    ]);
    for (const { reached } of two.stands)
      for (const { left } of reached) expect(left).toBeGreaterThanOrEqual(IN_HAND - 1e-9);
  });

  it('is a place for each room nobody said the way to, and says which', () => {
    const found = standsFor(rooms, [], 30);
    expect(found.stands).toHaveLength(3);
    expect(found.unknown).toEqual(['Hall', 'Kitchen', 'Attic']);
  });

  it('says where the machine is moved on within a room that is longer than its hose', () => {
    const { beyond, stands } = standsFor([{ name: 'Barn', across: 31 }], [], 15);
    expect(beyond).toEqual([{ room: 'Barn', short: 18, moves: 2 }]);
    expect(stands).toHaveLength(1);
  });

  it('never needs more places with more hose, and as few as any choice of them', () => {
    const random = seeded(11);
    for (let round = 0; round < 40; round += 1) {
      const house = Array.from({ length: 6 }, (_one, index) => ({
        name: `${index}`,
        across: 2 + 5 * random(),
      }));
      const paths = house.slice(1).map(({ name }, index) => ({
        ...{ room: name, from: `${Math.floor(random() * (index + 1))}`, way: 2 + 8 * random() },
      }));
      let before = Infinity;
      for (const hose of [10, 15, 22, 30]) {
        const { stands } = standsFor(house, paths, hose);
        expect(stands.length).toBeLessThanOrEqual(before);
        before = stands.length;
        // Against every choice of places
        const out = (at: number, room: number): number => {
          const seen = new Map<number, number>([[at, 0]]);
          const open = [at];
          for (let one = open.shift(); one !== undefined; one = open.shift())
            for (const { room: a, from: b, way } of paths) {
              const next = Number(a) === one ? Number(b) : Number(b) === one ? Number(a) : undefined;
              if (next === undefined || seen.has(next)) continue;
              seen.set(next, (seen.get(one) ?? 0) + way);
              open.push(next);
            }
          return (seen.get(room) ?? Infinity) + (house[room]?.across ?? 0);
        };
        let least = house.length;
        for (let set = 1; set < 64; set += 1) {
          const chosen = [0, 1, 2, 3, 4, 5].filter((one) => set & (1 << one));
          const covers = house.every((_room, room) =>
            chosen.some((at) => at === room || out(at, room) + IN_HAND <= hose + 1e-9),
          );
          if (covers) least = Math.min(least, chosen.length);
        }
        expect(stands.length).toBe(least);
      }
    }
  });
});
