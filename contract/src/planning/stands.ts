import { addTo } from '@fine-spray/core/grouping';
import { acrossOf, standsFor, type ReachedRoom, type Stands } from '@fine-spray/core/reach';
import { setupCard } from '@fine-spray/core/setup';
import type { HoseRun } from '@fine-spray/core/line';
import type { UnitSystem } from '@fine-spray/core/units';
import type { PlaceMeasure } from '@fine-spray/core/takeoff';
import type { Job, Surface } from '../job';
import type { Kit } from './kit';
import type { PlannedWork } from './jobPlan';
import { requestFor } from './layers';
import { roomName } from './siteRooms';

/** All hose of a job's line, m; nothing where one of them is not in the kit or it has none. */
export function hoseOf({ hoseIds }: Pick<Job, 'hoseIds'>, { hoses }: Pick<Kit, 'hoses'>): number | undefined {
  const lengths = hoseIds.map((id) => hoses.find((one) => one.id === id)?.length);
  return lengths.length > 0 && lengths.every((one) => one !== undefined)
    ? lengths.reduce<number>((sum, one) => sum + (one ?? 0), 0)
    : undefined;
}

/** A room of a job as far as a hose goes into it. */
export interface JobRoom extends ReachedRoom {
  /** By its plan; else told from what is sprayed in it. */
  readonly measured: boolean;
}

/** The rooms of a job, in the order of its surfaces, with how far it is across each. */
export function roomsOfJob(
  surfaces: readonly Surface[],
  places: readonly { readonly id: string; readonly measure: PlaceMeasure }[],
): readonly JobRoom[] {
  const rooms = new Map<string, Surface[]>();
  for (const surface of surfaces) addTo(rooms, roomName(surface.room), surface);
  return [...rooms].map(([name, all]) => {
    const placeId = all.find((one) => one.placeId !== null)?.placeId;
    return { name, ...acrossOf(all, places.find(({ id }) => id === placeId)?.measure) };
  });
}

/** Where the machine of a job stands; nothing where nobody has said how far its rooms are apart. */
export function standsOfJob(
  rooms: readonly ReachedRoom[],
  ways: Job['ways'] | undefined,
  hose: number | undefined,
): Stands | undefined {
  if (hose === undefined || !ways || ways.length === 0) return undefined;
  return standsFor(rooms, ways, hose);
}

/** The same of a job that was worked out. */
export const standsOfWork = ({ surfaces, places, job, hose }: PlannedWork): Stands | undefined =>
  standsOfJob(roomsOfJob(surfaces, places), job.ways, hose);

/** The place of the machine for each room. */
export const standByRoom = (stands: Stands | undefined): ReadonlyMap<string, string> =>
  new Map(stands?.stands.flatMap(({ at, reached }) => reached.map(({ room }) => [room, at] as const)));

/** A line with more hose: how many places it takes, and what the pump has to give. */
export interface HoseChoice {
  /** All of the hose, m. */
  readonly hose: number;
  readonly stands: number;
  /** Pump pressure of the coating that asks for most, Pa, and which it is. */
  readonly pump?: number | undefined;
  readonly coating?: string | undefined;
  /** Why it does not go with this machine. */
  readonly refused?: string | undefined;
}

/** Set-ups that are looked at for the pressure of a line: one of each coating. */
const LOOKED_AT = 6;

/** The job's own hose, and one or two more like its longest: places against pressure. */
export function hoseChoices(
  surfaces: readonly Surface[],
  job: Job,
  kit: Kit,
  rooms: readonly ReachedRoom[],
  system: UnitSystem,
): readonly HoseChoice[] {
  const coatings = [...new Set(surfaces.map(({ coatingId }) => coatingId))].slice(0, LOOKED_AT);
  const asked = coatings.flatMap((coatingId) => {
    const surface = surfaces.find((one) => one.coatingId === coatingId);
    const request = surface && requestFor(surface, job, kit);
    const card = request && setupCard(request, system);
    const name = kit.coatings.find(({ id }) => id === coatingId)?.name ?? 'a coating';
    // What was dialled in was so with the hose of then.
    return request && card?.ok
      ? [{ name, request: { ...request, chosenTip: card.value.tip.candidate.tip } }]
      : [];
  });
  const longest = asked[0]?.request.hoses.reduce<HoseRun | undefined>(
    (most, one) => (most && most.length >= one.length ? most : one),
    undefined,
  );
  const own = hoseOf(job, kit);
  if (own === undefined || !longest) return [];
  return [0, 1, 2].map((more): HoseChoice => {
    const hose = own + more * longest.length;
    const stands = standsOfJob(rooms, job.ways, hose)?.stands.length ?? rooms.length;
    let most: { readonly pump: number; readonly coating: string } | undefined;
    let refused: string | undefined;
    for (const { name, request } of asked) {
      const added = Array.from({ length: more }, () => longest);
      const card = setupCard({ ...request, hoses: [...request.hoses, ...added] }, system);
      if (!card.ok) refused ??= `${name}: ${card.message}`;
      else if (card.value.pumpPressure.start > (most?.pump ?? 0))
        most = { pump: card.value.pumpPressure.start, coating: name };
    }
    return { hose, stands, ...most, refused };
  });
}
