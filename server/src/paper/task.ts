import {
  PAPER_KINDS,
  offerName,
  type DayPaperOptions,
  type PaperKind,
  type RecordPaperOptions,
} from '@fine-spray/contract';
import { writeBuyList } from './buyList';
import { writeJobSheet } from './jobSheet';
import { writeLogDay, type LogRows } from './logDay';
import { writeDayPages, type DaysRows } from './days';
import { writeViscosityRecord, type ViscosityRows } from './viscosityRecord';
import { writeOffer, type OfferRows } from './offer';
import { Paper, type PaperFonts } from './page';
import { plannedJob, type PaperRows, type PrintOptions } from './planned';

interface JobTask {
  readonly kind: PaperKind;
  readonly rows: PaperRows;
  readonly options: PrintOptions;
}

interface OfferTask {
  readonly kind: 'offer';
  readonly rows: OfferRows;
  readonly options: PrintOptions;
}

interface DaysTask {
  readonly kind: 'days';
  readonly rows: DaysRows;
  readonly options: PrintOptions;
}

interface DayTask {
  readonly kind: 'log-day';
  readonly rows: LogRows;
  readonly options: DayPaperOptions & { readonly date: string };
}

interface RecordTask {
  readonly kind: 'viscosity-record';
  readonly rows: ViscosityRows;
  readonly options: RecordPaperOptions & { readonly date: string };
}

/** A sheet to make: plain data, so that it can be sent to a worker. */
export type PaperTask = JobTask | OfferTask | DaysTask | DayTask | RecordTask;

const WRITERS = {
  'job-sheet': writeJobSheet,
  'buy-list': writeBuyList,
} as const satisfies Record<PaperKind, unknown>;

/** Works the job out and writes the sheet as PDF. */
export async function makePaper(task: PaperTask, fonts: PaperFonts): Promise<Uint8Array> {
  if (task.kind === 'log-day') {
    const { rows, options } = task;
    const head = { title: `Site log, ${options.date}`, author: rows.company.name, date: options.date };
    const paper = new Paper(options.size, fonts, head);
    writeLogDay(paper, rows, options);
    return paper.file();
  }
  if (task.kind === 'viscosity-record') {
    const { rows, options } = task;
    const head = { title: 'Record of viscosity', author: rows.company.name, date: options.date };
    const paper = new Paper(options.size, fonts, head);
    writeViscosityRecord(paper, rows, options);
    return paper.file();
  }
  if (task.kind === 'offer') {
    const { rows, options } = task;
    const title = `${rows.company.name}: ${offerName(rows.offer)}`;
    const head = { title, author: rows.company.name, date: options.date, forOthers: true };
    const paper = new Paper(options.size, fonts, head);
    writeOffer(paper, rows, options);
    return paper.file();
  }
  if (task.kind === 'days') {
    const { rows, options } = task;
    const title = `${rows.job.name}: plan of the days`;
    const paper = new Paper(options.size, fonts, { title, author: rows.company.name, date: options.date });
    writeDayPages(paper, rows, options);
    return paper.file();
  }
  const { kind, rows, options } = task;
  const paper = new Paper(options.size, fonts, {
    title: `${rows.job.name}: ${PAPER_KINDS[kind].toLowerCase()}`,
    author: rows.company.name,
    date: options.date,
  });
  WRITERS[kind](paper, plannedJob(rows, options));
  return paper.file();
}
