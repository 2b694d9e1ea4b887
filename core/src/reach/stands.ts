/** Hose that is left in the hand at the far corner, m: along the floor, not as the crow flies (work.md, "The order of the work"). */
export const IN_HAND = 2;

/** What is sprayed from somewhere: a room, or a side of the house. */
export interface ReachedRoom {
  readonly name: string;
  /** From its door to its far corner along the floor, m. */
  readonly across: number;
}

/** How far it is from the door of one room to that of another, along floor and stairs, m. */
export interface WayBetween {
  readonly room: string;
  readonly from: string;
  readonly way: number;
}

/** What a hose takes to a room from where the machine stands. */
export interface Reached {
  readonly room: string;
  /** To its door, and from there to its far corner, m. */
  readonly toDoor: number;
  readonly across: number;
  /** What is left of the hose at the far corner, m; less than in hand: moved on within the room. */
  readonly left: number;
}

/** Where the machine stands: at the door of a room, with what it reaches from there. */
export interface Stand {
  readonly at: string;
  readonly reached: readonly Reached[];
}

export interface Stands {
  readonly stands: readonly Stand[];
  /** Rooms that are longer than the hose, from their own door: how often the machine is moved on in each. */
  readonly beyond: readonly { readonly room: string; readonly short: number; readonly moves: number }[];
  /** Rooms nobody has said the way to: the machine is taken to each. */
  readonly unknown: readonly string[];
}

/** Ways between the doors of all rooms, m; Infinity where nobody knows (Floyd 1962, Warshall 1962). */
function waysBetween(names: readonly string[], ways: readonly WayBetween[]): number[][] {
  const all = [...new Set([...names, ...ways.flatMap(({ room, from }) => [room, from])])];
  const between = all.map((_one, row) => all.map((_other, column) => (row === column ? 0 : Infinity)));
  const set = (a: number, b: number, way: number) => {
    const row = between[a];
    if (row) row[b] = Math.min(row[b] ?? Infinity, way);
  };
  for (const { room, from, way } of ways) {
    const [a, b] = [all.indexOf(room), all.indexOf(from)];
    set(a, b, way);
    set(b, a, way);
  }
  for (let through = 0; through < all.length; through += 1)
    for (let a = 0; a < all.length; a += 1)
      for (let b = 0; b < all.length; b += 1)
        set(a, b, (between[a]?.[through] ?? Infinity) + (between[through]?.[b] ?? Infinity));
  return between;
}

/** Sets looked at before the best found so far is taken: enough for any house. */
const LOOKS = 20_000;

/** The fewest places from which everything is reached, of those the ones with the least hose out. */
function fewest(reach: readonly (readonly number[])[], rooms: number): readonly number[] {
  let best: readonly number[] = Array.from({ length: rooms }, (_room, index) => index);
  let least = Infinity;
  let looks = 0;
  const hoseOut = (chosen: readonly number[]) =>
    Array.from({ length: rooms }, (_room, room) =>
      Math.min(...chosen.map((stand) => reach[stand]?.[room] ?? Infinity)),
    ).reduce((sum, one) => sum + one, 0);
  const look = (chosen: readonly number[]) => {
    looks += 1;
    if (looks > LOOKS || chosen.length > best.length) return;
    const open = Array.from({ length: rooms }, (_room, room) => room).find((room) =>
      chosen.every((stand) => (reach[stand]?.[room] ?? Infinity) === Infinity),
    );
    if (open === undefined) {
      const out = hoseOut(chosen);
      if (chosen.length < best.length || out < least - 1e-9) {
        best = chosen;
        least = out;
      }
      return;
    }
    if (chosen.length >= best.length && least < Infinity) return;
    for (let stand = 0; stand < rooms; stand += 1)
      if ((reach[stand]?.[open] ?? Infinity) < Infinity) look([...chosen, stand]);
  };
  look([]);
  return best;
}

/**
 * Where the machine stands so that its hose reaches the far corner of every room with 2 m in hand: as few places as can be, each at the door
 * of a room. A room longer than the hose, and one nobody has said the way to, have a place of their own.
 * @param hose all of the hose, m
 */
export function standsFor(rooms: readonly ReachedRoom[], ways: readonly WayBetween[], hose: number): Stands {
  const names = rooms.map(({ name }) => name);
  const between = waysBetween(names, ways);
  const reach = rooms.map((_stand, at) =>
    rooms.map(({ across }, room) => {
      const out = (between[at]?.[room] ?? Infinity) + across;
      return at === room || out + IN_HAND <= hose + 1e-9 ? out : Infinity;
    }),
  );
  const chosen = fewest(reach, rooms.length);
  const nearest = rooms.map((_room, room) =>
    chosen.reduce((least, one) =>
      (reach[one]?.[room] ?? Infinity) < (reach[least]?.[room] ?? Infinity) ? one : least,
    ),
  );
  const stands = chosen.map((at): Stand => ({
    at: names[at] ?? '',
    reached: rooms.flatMap(({ name, across }, room): readonly Reached[] =>
      nearest[room] === at
        ? [{ room: name, toDoor: between[at]?.[room] ?? 0, across, left: hose - (reach[at]?.[room] ?? 0) }]
        : [],
    ),
  }));
  const useful = Math.max(1, hose - IN_HAND);
  return {
    stands: stands.filter(({ reached }) => reached.length > 0),
    beyond: rooms.flatMap(({ name, across }) =>
      across > useful + 1e-9
        ? [{ room: name, short: across - useful, moves: Math.ceil(across / useful - 1e-9) - 1 }]
        : [],
    ),
    unknown: names.filter((name) => !ways.some(({ room, from }) => room === name || from === name)),
  };
}
