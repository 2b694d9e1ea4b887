import { PAPER_KINDS, type PaperKind, type PaperOptions } from '@fine-spray/contract';
import { writeBuyList } from './buyList';
import { writeJobSheet } from './jobSheet';
import { Paper, type PaperFonts } from './page';
import { plannedJob, type PaperRows } from './planned';

/** A sheet to make: plain data, so that it can be sent to a worker. */
export interface PaperTask {
  readonly kind: PaperKind;
  readonly rows: PaperRows;
  readonly options: PaperOptions & { readonly date: string };
}

const WRITERS = { 'job-sheet': writeJobSheet, 'buy-list': writeBuyList } as const satisfies Record<
  PaperKind,
  unknown
>;

/** Works the job out and writes the sheet as PDF. */
export async function makePaper({ kind, rows, options }: PaperTask, fonts: PaperFonts): Promise<Uint8Array> {
  const paper = new Paper(options.size, fonts, {
    title: `${rows.job.name}: ${PAPER_KINDS[kind].toLowerCase()}`,
    author: rows.company.name,
    date: options.date,
  });
  WRITERS[kind](paper, plannedJob(rows, options));
  return paper.file();
}
