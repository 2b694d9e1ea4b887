import { readFile, readdir } from 'node:fs/promises';
import path from 'node:path';
import {
  jobFile,
  kitFile,
  logFile,
  offersFile,
  schedulesFile,
  type OffersFile,
  type SchedulesFile,
} from '@fine-spray/contract';
import { SEEN_AS, seeing, type Database } from '../db/database';
import { demoMove, type Move } from './demoMove';
import { importJob, importKit, importLog, importRows } from './importFiles';
import { planDemo } from './planDemo';

/** Offers on the days they were sent and answered, moved with the log. */
const offersMoved = ({ offers }: OffersFile, { date }: Move): OffersFile['offers'] =>
  offers.map((offer) => ({
    ...offer,
    sent: offer.sent && date(offer.sent),
    answered: offer.answered && date(offer.answered),
  }));

/** Plans of the days from the days they were begun on, moved with the log. */
const schedulesMoved = ({ schedules }: SchedulesFile, { date }: Move): SchedulesFile['schedules'] =>
  schedules.map((one) => ({ ...one, first: date(one.first) }));

export interface DemoLoaded {
  readonly jobs: number;
  readonly surfaces: number;
}

/**
 * Loads the demo company and its jobs from the product's own open files into an empty database, in one
 * transaction: all of it or nothing. Does nothing when a company is there already. The log is moved in time so that it
 * ends shortly before `now`, and where plans are wanted, the days of its jobs are planned from there.
 */
export async function loadDemo(
  db: Database,
  folder: string,
  { now = Date.now(), withPlans = false }: { now?: number; withPlans?: boolean } = {},
): Promise<DemoLoaded | undefined> {
  const read = async (name: string): Promise<unknown> =>
    JSON.parse(await readFile(path.join(folder, name), 'utf8'));
  const names = (await readdir(folder)).filter((name) => name.endsWith('.job.json')).sort();
  const kit = kitFile.parse(await read('millrace.kit.json'));
  const log = logFile.parse(await read('millrace.log.json'));
  const offers = offersFile.parse(await read('millrace.offers.json'));
  const schedules = schedulesFile.parse(await read('millrace.schedules.json'));
  const files = await Promise.all(names.map(async (name) => jobFile.parse(await read(name))));
  return db.transaction(async (trx) => {
    await trx.raw('lock table company in exclusive mode');
    await seeing(trx, SEEN_AS['the door']);
    if (await trx('company').first('id')) return undefined;
    await seeing(trx, kit.company.id);
    const companyId = await importKit(trx, kit);
    for (const file of files) await importJob(trx, companyId, file);
    const move = demoMove(
      log.entries.map(({ at }) => at),
      new Date(now),
    );
    const entries = log.entries.map((entry) => ({ ...entry, at: move.moment(entry.at) }));
    await importLog(trx, companyId, entries);
    await importRows(trx, companyId, 'offers', offersMoved(offers, move));
    await importRows(trx, companyId, 'schedules', schedulesMoved(schedules, move));
    if (withPlans) await planDemo(trx, companyId, new Date(now));
    return { jobs: files.length, surfaces: files.reduce((sum, file) => sum + file.surfaces.length, 0) };
  });
}
