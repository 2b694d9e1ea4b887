import { kindOfWorkKey, type KindOfWork, type WorkRate } from '@fine-spray/core/quantities';
import type { RoomToPrepare } from './jobPlan';
import { roomName } from './siteRooms';
import type { SiteStep } from './siteTasks';

const PROTECT: ReadonlySet<WorkRate> = new Set([
  'power',
  'plates',
  'lights',
  'alarms',
  'vents',
  'curtains',
  'furniture',
  'doors',
]);
const MASK: ReadonlySet<WorkRate> = new Set(['floorCover', 'fittings', 'maskingLine']);

/** The task of a room's plan that a line of its site list is part of. */
export function stageOfLine({ rate }: Pick<KindOfWork, 'rate'>): 'protect' | 'prepare' | 'mask' {
  if (PROTECT.has(rate)) return 'protect';
  return MASK.has(rate) ? 'mask' : 'prepare';
}

/** A line of the site list as the log names it when it is ticked. */
export const lineStep = (room: string, line: KindOfWork): string =>
  `${roomName(room)} line ${kindOfWorkKey(line)}`;

/** How a line of the site list came to be done: ticked by itself, or with the task of the plan it is part of. */
export type LineDone = 'ticked' | 'with its task';

/** The lines of the site list that are done, by how. */
export function linesDone(
  rooms: readonly RoomToPrepare[],
  steps: readonly SiteStep[],
): ReadonlyMap<string, LineDone> {
  const done = new Set(steps.filter(({ state }) => state === 'done').map(({ task }) => task));
  const found = new Map<string, LineDone>();
  for (const { room, lines } of rooms)
    for (const line of lines) {
      const step = lineStep(room, line);
      if (done.has(step)) found.set(step, 'ticked');
      else if (done.has(`${roomName(room)} ${stageOfLine(line)}`)) found.set(step, 'with its task');
    }
  return found;
}
