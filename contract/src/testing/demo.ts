import { readFileSync } from 'node:fs';
import path from 'node:path';
import { jobFile, kitFile, logFile, type Entry, type Job, type Place, type Surface } from '..';
import type { Kit } from '../planning';

/** What a server adds to a row. */
export const STORED = { version: 1, createdAt: '2026-01-01T00:00:00Z', updatedAt: '2026-01-01T00:00:00Z' };

/** A file of the demo. */
export const demoFile = (name: string): unknown =>
  JSON.parse(readFileSync(path.resolve(__dirname, '../../../demo', name), 'utf8'));

/** Rows of a file as if a server had stored them. */
export const asStored = <Row extends object>(rows: readonly Row[]) =>
  rows.map((row) => ({ ...row, ...STORED }));

/** A job of the demo with its surfaces, as a server has them. */
export interface DemoJob {
  readonly job: Job;
  readonly surfaces: readonly Surface[];
  readonly places: readonly Place[];
}

/** The demo company as a server has it, for tests: its kit, its jobs and its log. */
export function demoCompany(): {
  readonly kit: Kit;
  readonly jobs: readonly DemoJob[];
  readonly entries: readonly Entry[];
} {
  const { coatings, sprayers, hoses, tips } = kitFile.parse(demoFile('millrace.kit.json'));
  const kit: Kit = {
    coatings: asStored(coatings),
    sprayers: asStored(sprayers),
    hoses: asStored(hoses),
    tips: asStored(tips),
  };
  const jobs = ['tern-boathouse', 'kiln-house', 'orchard-row-3'].map((name): DemoJob => {
    const file = jobFile.parse(demoFile(`${name}.job.json`));
    const job: Job = { ...file.job, ...STORED, surfaceCount: file.surfaces.length };
    return { job, surfaces: asStored(file.surfaces), places: asStored(file.places) };
  });
  const { entries } = logFile.parse(demoFile('millrace.log.json'));
  return { kit, jobs, entries: entries.map((entry) => ({ ...STORED, ...entry })) };
}
