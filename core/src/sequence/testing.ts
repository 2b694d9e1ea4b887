import type { Random } from '../random';
import { Calendar, SLOT, type SiteJob, type SiteTask, type SiteTimes } from '.';

export const H = 60;
export const DAY = 1440;
export const TIMES: SiteTimes = {
  firstWeekday: 0,
  from: 0,
  day: { from: 8 * H, to: 16 * H },
  breaks: [{ from: 12 * H, to: 12 * H + 30 }],
  workdays: [0, 1, 2, 3, 4],
  people: 2,
  away: {},
  closed: {},
};
export const jobOf = (tasks: readonly SiteTask[], times: Partial<SiteTimes> = {}, sprayers = 1): SiteJob => ({
  ...{ tasks, sprayers },
  times: new Calendar({ ...TIMES, ...times }),
});
export const hand = (id: string, minutes: number, part: Partial<SiteTask> = {}): SiteTask => ({
  ...{ id, name: id, room: 'Hall', kind: 'hand', minutes, people: 1, after: [] },
  ...part,
});
export const spray = (id: string, minutes: number, part: Partial<SiteTask> = {}): SiteTask => ({
  ...hand(id, minutes),
  ...{ kind: 'spray', fluid: { coating: 'matt', base: 'water' } },
  ...part,
});

/** A job of rooms that are prepared, sprayed in coats and unmasked, as real ones are. */
export function someJob(random: Random, rooms: number): SiteTask[] {
  const upTo = (most: number) => Math.ceil(random() * most);
  const fluids = [
    { coating: 'matt', base: 'water' as const },
    { coating: 'ceiling', base: 'water' as const },
    { coating: 'enamel', base: 'solvent' as const },
  ];
  return Array.from({ length: rooms }, (_room, index) => {
    const room = `Room ${index}`;
    const prepare = hand(`prepare ${index}`, upTo(50) * SLOT, { room });
    let before: SiteTask = prepare;
    const coats = Array.from({ length: upTo(3) }, (_coat, coat) => {
      const fluid = fluids[Math.floor(random() * 3)] ?? fluids[0];
      const lag = { task: before.id, least: before.kind === 'spray' ? upTo(8) * H : 0 };
      before = spray(`spray ${index} ${coat}`, upTo(18) * SLOT, {
        ...{ room, after: [random() < 0.2 ? { ...lag, most: 72 * H } : lag] },
        ...(fluid ? { fluid } : {}),
        ...(random() < 0.2 ? { rainFast: 2 * H } : {}),
      });
      return before;
    });
    const unmask = hand(`unmask ${index}`, upTo(10) * SLOT, {
      ...{ room, after: [{ task: before.id, least: 60 }] },
    });
    return [prepare, ...coats, unmask];
  }).flat();
}
