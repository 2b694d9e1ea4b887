import type { Surface } from '../job';
import type { ScheduleResult } from '../schedule';
import { roomName } from './siteRooms';

const DAY = 1440;

/** What of a job is worked on in a day of its plan. */
export interface RoomsOfDay {
  /** Day of the plan, counted from its first. */
  readonly day: number;
  /** Rooms that are sprayed, as their surfaces have them. */
  readonly sprayed: readonly string[];
  /** Rooms that are prepared, covered, masked or uncovered. */
  readonly prepared: readonly string[];
}

/**
 * Which rooms are worked on in each day of a plan that was taken, from the names of its tasks alone: a coat is named by its first
 * surface, everything else by its room. Days without work are left out.
 */
export function roomsByDay(
  { placed }: Pick<ScheduleResult, 'placed'>,
  surfaces: readonly Pick<Surface, 'id' | 'room'>[],
): readonly RoomsOfDay[] {
  const roomOf = new Map(surfaces.map(({ id, room }) => [id, room]));
  // The longest name first: "Hall" begins "Hall closet".
  const rooms = [...new Set(roomOf.values())].sort((a, b) => b.length - a.length);
  const days = new Map<number, { sprayed: Set<string>; prepared: Set<string> }>();
  for (const { task, start, end } of placed) {
    const [first = '', what = ''] = task.split(' ');
    const own = roomOf.get(first);
    const room = own ?? rooms.find((one) => task.startsWith(`${roomName(one)} `));
    if (room === undefined) continue;
    for (let day = Math.floor(start / DAY); day <= Math.floor(Math.max(start, end - 1) / DAY); day += 1) {
      const known = days.get(day) ?? { sprayed: new Set(), prepared: new Set() };
      days.set(day, known);
      (own !== undefined && what !== 'sand' ? known.sprayed : known.prepared).add(room);
    }
  }
  return [...days]
    .sort(([a], [b]) => a - b)
    .map(([day, { sprayed, prepared }]) => ({ day, sprayed: [...sprayed], prepared: [...prepared] }));
}
