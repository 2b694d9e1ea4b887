import type { Schedule } from '@fine-spray/contract';
import {
  dayPages,
  daysOfSchedule,
  planMoment,
  workOutJob,
  type JobTask,
} from '@fine-spray/contract/planning';
import { USUAL_BOOK } from '@fine-spray/contract';
import { counted } from '@fine-spray/core/units';
import type { Paper } from './page';
import { plannedJob, type PaperRows, type PrintOptions } from './planned';

/** The plan of the days with the job it is of; null where the job is worked by none. */
export interface DaysRows extends PaperRows {
  readonly schedule: Schedule | null;
}

const COLUMNS = [
  { title: 'Time', share: 1.3 },
  { title: 'Who', share: 1.2 },
  { title: 'What', share: 5 },
  { title: 'Tip', share: 0.8 },
  { title: 'Set-up', share: 1 },
  { title: 'Done', share: 0.8 },
] as const;

/** The plan everybody works by, a page a day: who does what when, with which tip, and room to tick it. */
export function writeDayPages(paper: Paper, rows: DaysRows, options: PrintOptions): void {
  const { job, schedule, company } = rows;
  paper.title(job.name);
  if (job.place !== '') paper.text(job.place);
  const result = schedule?.result;
  if (!schedule || !result) {
    paper.text('This job is worked by no plan of the days yet.');
    return;
  }
  const worked = workOutJob({
    ...{ job, surfaces: rows.surfaces, places: rows.places, kit: rows.kit },
    ...{ book: company.book ?? USUAL_BOOK, risk: options.risk, aim: options.aim },
  });
  const tasks = daysOfSchedule(worked, schedule);
  const tips = tipsBy(rows, options);
  paper.text(`By plan done ${planMoment(schedule.first, result.finish)}.`, { strong: true });
  if (result.chances)
    paper.text(
      `By the spread of the rates done by ${planMoment(schedule.first, result.chances.likely)} in 4 cases of 5, by ${planMoment(schedule.first, result.chances.safe)} in 19 of 20.`,
    );
  paper.text(`Crew: ${schedule.crew.map(({ name }) => name).join(', ')}.`);
  paper.text(
    'Times are a plan and no measurement. Product labels, data sheets, local codes and licensed trades take precedence.',
    { small: true },
  );
  dayPages(schedule, result).forEach(({ title, lines }, index) => {
    if (index > 0) paper.page();
    paper.heading(title);
    paper.text(counted(lines.length, 'task'));
    paper.table(
      COLUMNS,
      lines.map(({ time, who, task, setUp }) => {
        const known = tasks.get(task);
        return [
          ...[time, who, known?.name ?? 'Work that is no longer in the job'],
          ...[(known && tips(known)) ?? '', setUp > 0 ? `${setUp} min` : '', ''],
        ];
      }),
    );
  });
}

/** Tips of the coats of a job, by the cards of their surfaces. */
function tipsBy(rows: PaperRows, options: PrintOptions): (task: JobTask) => string | undefined {
  const { layers } = plannedJob(rows, options);
  const found = new Map(
    layers.map(({ surface, layer, card }) => [`${surface.id} ${layer.coatingId}`, card.tip.code]),
  );
  return ({ coat, surfaces }) => coat && found.get(`${surfaces[0] ?? ''} ${coat.coatingId}`);
}
