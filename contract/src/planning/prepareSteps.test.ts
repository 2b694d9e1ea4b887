import { USUAL_BOOK } from '..';
import { demoCompany } from '../testing/demo';
import {
  PRICED_AT,
  lineStep,
  linesDone,
  roomsToPrepare,
  siteTasks,
  stageOfLine,
  workOutJob,
  type SiteStep,
} from '.';

const { kit, jobs } = demoCompany();
const work = ({ job, surfaces, places }: (typeof jobs)[number]) => {
  const found = workOutJob({ ...{ job, surfaces, places, kit, book: USUAL_BOOK }, ...PRICED_AT }).work;
  if (!found) throw new Error('no work');
  return found;
};
const done = (task: string): SiteStep => ({ task, at: 0, state: 'done' });

describe.each(jobs.map((one) => [one.job.name, one] as const))(
  'what there is to prepare in %s',
  (_name, one) => {
    const planned = work(one);
    const rooms = roomsToPrepare(planned);

    it('is parts of the tasks of the plan: their lines take as long as these, but for what is high', () => {
      const { tasks } = siteTasks(planned, { school: 'trim first' });
      for (const { room, lines } of rooms) {
        for (const stage of ['protect', 'prepare', 'mask'] as const) {
          const own = lines.filter((line) => stageOfLine(line) === stage);
          const sum = own.reduce((all, { time }) => all + time, 0) / 60;
          const task = tasks.find(({ id }) => id === `${room} ${stage}`);
          // A task of the plan lies on a grid of 5 min; the doors go back in another task, and height comes on top.
          if (sum > 5) expect([room, stage, task === undefined]).toEqual([room, stage, false]);
          if (stage === 'mask' && task) expect(Math.abs(task.minutes - sum)).toBeLessThan(5);
          if (stage === 'prepare' && task) expect(task.minutes).toBeGreaterThanOrEqual(sum - 1);
        }
      }
    });

    it('is done line by line, or with the task it is part of', () => {
      const first = rooms.find(({ lines }) => lines.length > 1);
      const [line, other] = first?.lines ?? [];
      if (!first || !line || !other) throw new Error('two lines');
      expect(linesDone(rooms, []).size).toBe(0);
      const ticked = linesDone(rooms, [done(lineStep(first.room, line))]);
      expect([...ticked]).toEqual([[lineStep(first.room, line), 'ticked']]);
      const stage = stageOfLine(line);
      const byTask = linesDone(rooms, [done(`${first.room} ${stage}`)]);
      expect(byTask.get(lineStep(first.room, line))).toBe('with its task');
      expect(byTask.size).toBe(first.lines.filter((each) => stageOfLine(each) === stage).length);
      expect(linesDone(rooms, [{ task: `${first.room} ${stage}`, at: 0, state: 'running' }]).size).toBe(0);
    });
  },
);
