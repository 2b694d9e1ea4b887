import { USUAL_BOOK, ownedTips } from '@fine-spray/contract';
import {
  PRICED_AT,
  askedBy,
  midnightOf,
  planHistory,
  planSite,
  scheduleResult,
  siteNow,
  siteState,
  workOutJob,
} from '@fine-spray/contract/planning';
import type { Database } from '../db/database';
import { recordOfAll } from '../log/oldJobs';
import { companyOf } from '../resources/company';
import { storeOf } from '../resources/store';

/** Orders tried for a plan of the demo: it is to be a good one, and the start is not to wait for the best. */
const TRIES = 200;
const AHEAD = 20 * 60_000;
const DAY = 24 * 60 * 60_000;

const localDay = (time: number): number =>
  Math.floor((time - new Date(time).getTimezoneOffset() * 60_000) / DAY);

/**
 * Plans the days of the demo's jobs that are worked by a plan, from their log as it stands: what is found is stored as if somebody had
 * taken it.
 */
export async function planDemo(db: Database, companyId: string, now: Date): Promise<void> {
  const all = async <Name extends Parameters<typeof storeOf>[1]>(name: Name, where?: { jobId: string }) =>
    (await storeOf(db, name).list(companyId, where)).items;
  // Whoever opens it first finds the first task still to be begun.
  const begun = new Date(now.getTime() + AHEAD);
  const company = await companyOf(db, companyId);
  const record = await recordOfAll(db, companyId);
  const log = await all('entries');
  const kit = {
    ...siteNow(log, now.getTime()),
    history: planHistory(record),
    coatings: await all('coatings'),
    sprayers: await all('sprayers'),
    hoses: await all('hoses'),
    tips: await all('tips'),
  };
  const tips = ownedTips(kit.tips);
  for (const job of await all('jobs')) {
    const [row] = await all('schedules', { jobId: job.id });
    if (!row || row.result) continue;
    const [surfaces, places] = [
      await all('surfaces', { jobId: job.id }),
      await all('places', { jobId: job.id }),
    ];
    const { id, version, createdAt: _made, updatedAt: _changed, ...fields } = row;
    const ids = new Set(surfaces.map((surface) => surface.id));
    const jobsOfPaint = {
      isJob: (one: string) => one === job.id,
      jobOfSurface: (one: string) => (ids.has(one) ? job.id : undefined),
    };
    // What is finished was planned before it was begun: the plan stands beside what happened.
    const past = job.status === 'finished';
    const state = siteState(
      { entries: log, record, kit, tips, jobsOfPaint, dayOf: localDay },
      job,
      surfaces,
      midnightOf(fields),
    );
    const whole = { job, surfaces, places, kit, book: company.book ?? USUAL_BOOK, ...PRICED_AT };
    const nothing = { done: [], steps: [], thin: [], closed: [] };
    const first = new Date(midnightOf(fields).getTime() + fields.hours.from * 60_000);
    const asked = askedBy(fields, past ? nothing : state, past ? first : begun, {
      mode: 'anew',
      tries: TRIES,
    });
    const found = planSite(workOutJob(whole), asked);
    if (!found.ok) continue;
    await storeOf(db, 'schedules').put(companyId, id, version, { ...fields, result: scheduleResult(found) });
  }
}
