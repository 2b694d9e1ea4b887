import { workingDefault, type Explained, type Input } from '@fine-spray/core/explain';
import { addTo } from '@fine-spray/core/grouping';
import {
  breakEven,
  likelyLaid,
  likelySprayed,
  methodCost,
  methodsFor,
  workOf,
  type JobHours,
  type MethodAnswer,
} from '@fine-spray/core/quantities';
import { extentOf, piecesOf } from '@fine-spray/core/takeoff';
import { ratesOf } from '../book';
import type { Surface } from '../job';
import { paintCost } from './buying';
import { hoursOn, partOf, workOn, type PlannedWork } from './jobPlan';
import { roomName } from './siteRooms';

/** A room, or the whole job, by each way to put paint on its walls and ceilings. */
export interface ByMethod {
  /** Nothing for the whole job. */
  readonly room: string | undefined;
  /** Area times coats, m². */
  readonly area: number;
  readonly answers: readonly MethodAnswer[];
  /** Money for each, where hours and paint have a price. */
  readonly cost: readonly (number | null)[];
  /** Area of coats from which spraying is quicker than a roller and tray, m²; nothing where it never is, or always. */
  readonly from: number | undefined;
}

/** Edges of the pieces of a surface, m: what a roller does not reach and a brush cuts in. */
const edgesOf = ({ geometry }: Surface): number =>
  piecesOf(geometry).reduce((sum, piece) => {
    const { width, height } = extentOf(piece);
    return sum + 2 * (width + height) * piece.count;
  }, 0);

/** Hours of the plan as what others are worked out from. */
const asInput = (label: string, hours: Explained | undefined): Input =>
  workingDefault(label, 'duration', hours?.value ?? 0, hours?.low ?? 0, hours?.high ?? 0, 'Plan of the job');

/** Covering and taking off again, of some hours. */
function coveringIn({ masking, unmasking }: JobHours): Input {
  const sum = (end: 'low' | 'value' | 'high') => (masking?.[end] ?? 0) + (unmasking?.[end] ?? 0);
  return workingDefault('Covering and taking off', 'duration', sum('value'), sum('low'), sum('high'));
}

/** Where only the floor is covered: a roller does not mist. */
function coveringTheFloor(work: PlannedWork): Input {
  const { protection, ...rest } = workOn(work);
  const floor = { ...protection, maskingLine: 0, fittings: 0 };
  return coveringIn(
    workOf({ ...rest, protection: floor, days: 0 }, ratesOf(work.book), work.book.notCounted, work.times),
  );
}

/** What a cubic metre of the paint of some surfaces costs; null where some of it has no price. */
function priceOfPaint({ buyings }: PlannedWork, whole: PlannedWork): number | null {
  let [cost, volume] = [0, 0];
  for (const { order } of buyings) {
    const bought = whole.buyings.find((one) => one.order.id === order.id);
    const money = bought && paintCost(bought);
    if (!money || bought.likely <= 0) return null;
    const own = order.surfaces.reduce((sum, one) => sum + likelySprayed(one), 0);
    cost += own * (money.likely / bought.likely);
    volume += own;
  }
  return volume > 0 ? cost / volume : null;
}

/** Walls and ceilings of some rooms, sprayed or rolled. */
function byMethod(whole: PlannedWork, room: string | undefined, surfaces: readonly Surface[]): ByMethod {
  const work = partOf(whole, surfaces);
  const hours = hoursOn(whole, surfaces);
  const ordered = work.buyings.flatMap(({ order }) => order.surfaces);
  const coats = new Map<string, number>();
  for (const { id, surface } of ordered) coats.set(id, (coats.get(id) ?? 0) + surface.coats);
  const area = ordered.reduce((sum, { netArea, surface }) => sum + netArea * surface.coats, 0);
  const answers = methodsFor({
    area,
    run: surfaces.reduce((sum, one) => sum + edgesOf(one) * (coats.get(one.id) ?? 0), 0),
    laid: ordered.reduce((sum, one) => sum + likelyLaid(one), 0),
    sprayed: ordered.reduce((sum, one) => sum + likelySprayed(one), 0),
    spraying: asInput('Spraying', hours.spraying),
    masking: coveringIn(hours),
    covering: coveringTheFloor(work),
  });
  const [spray, roll] = answers;
  const cubic = priceOfPaint(work, whole);
  const { hour } = whole.book;
  return {
    ...{ room, area, answers },
    cost: answers.map((answer) =>
      hour === null || cubic === null ? null : methodCost(answer, hour, cubic / 1000),
    ),
    from: spray && roll ? breakEven(spray, roll, area) : undefined,
  };
}

/** The whole job first, then each room with walls or ceilings: as many coats each way. */
export function methodsByRoom(work: PlannedWork): readonly ByMethod[] {
  const flat = work.surfaces.filter(({ element }) => element === 'wall' || element === 'ceiling');
  const rooms = new Map<string, Surface[]>();
  for (const surface of flat) addTo(rooms, roomName(surface.room), surface);
  if (flat.length === 0) return [];
  return [
    byMethod(work, undefined, flat),
    ...[...rooms].map(([room, surfaces]) => byMethod(work, room, surfaces)),
  ];
}
