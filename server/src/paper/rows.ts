import {
  CLOCK_TOLERANCE,
  SKEW_LIMIT,
  may,
  type Entry,
  type ResourceName,
  type Rows,
} from '@fine-spray/contract';
import { planHistory, siteNow, type Kit } from '@fine-spray/contract/planning';
import { dayIn } from '@fine-spray/contract/zone';
import type { Database } from '../db/database';
import { atOneMoment } from '../db/writing';
import { keepOldJobs, logOfAll, recordOfAll } from '../log/oldJobs';
import { pricesFor, type Actor } from '../people/actor';
import { companyOf, withoutMoney } from '../resources/company';
import { storeOf } from '../resources/store';
import type { DaysRows } from './days';
import { PICTURES_ON_PAPER, pictureEntries, type LogRows } from './logDay';
import type { OfferRows } from './offer';
import type { PaperRows } from './planned';
import type { ViscosityRows } from './viscosityRecord';

/** Reads rows of one company as they are stored at one moment. */
function readAtOnce<Result>(
  db: Database,
  actor: Actor,
  read: (rows: Reader) => Promise<Result>,
): Promise<Result> {
  return atOneMoment(db, actor.companyId, async (trx) => {
    const stored = await companyOf(trx, actor.companyId);
    const money = may(actor.role, 'money');
    const company = money ? stored : withoutMoney(stored);
    const prices = pricesFor(actor);
    return read({
      company,
      money,
      one: (name, id) => storeOf(trx, name, prices).get(company.id, id),
      all: async (name, where) => (await storeOf(trx, name, prices).list(company.id, where)).items,
      some: async (name, ids) => (await storeOf(trx, name, prices).some(company.id, ids)).items,
      trx,
    });
  });
}

interface Reader {
  readonly company: LogRows['company'];
  readonly money: boolean;
  readonly one: <Name extends ResourceName>(name: Name, id: string) => Promise<Rows[Name]>;
  readonly trx: Database;
  readonly some: <Name extends ResourceName>(name: Name, ids: readonly string[]) => Promise<Rows[Name][]>;
  readonly all: <Name extends ResourceName>(
    name: Name,
    where?: Readonly<Record<string, string>>,
  ) => Promise<Rows[Name][]>;
}

async function kitRows(all: Reader['all']): Promise<Kit> {
  return {
    coatings: await all('coatings'),
    sprayers: await all('sprayers'),
    hoses: await all('hoses'),
    tips: await all('tips'),
  };
}

/** The kit of a company with what its log says, as the screens have it. */
export async function kitNow(db: Database, actor: Actor): Promise<Kit> {
  await keepOldJobs(db, actor.companyId);
  return readAtOnce(db, actor, async ({ all, trx, company }) => {
    const kit = await kitRows(all);
    const { entries, record } = await logOfAll(trx, company.id);
    if (entries.length === 0) return kit;
    return { ...kit, ...siteNow(entries, Date.now()), history: planHistory(record) };
  });
}

/**
 * Everything a job's sheets are printed from.
 * @param log the entries of the job, where they have been read
 */
async function jobRows(
  { company, money, one, all, trx }: Reader,
  jobId: string,
  withHistory: boolean,
  log?: readonly Entry[],
) {
  const job = await one('jobs', jobId);
  const kit = await kitRows(all);
  const surfaces = await all('surfaces', { jobId });
  const places = await all('places', { jobId });
  // As the screens have it: the weather and the paint as they were written down last.
  const now = { ...kit, ...siteNow(log ?? (await all('entries', { jobId })), Date.now()) };
  if (!withHistory) return { company, money, job, surfaces, places, kit: now };
  const history = planHistory(await recordOfAll(trx, company.id));
  return { company, money, job, surfaces, places, kit: { ...now, history } };
}

/** Everything a job's sheets are printed from, as it is stored at one moment. */
export async function paperRows(
  db: Database,
  actor: Actor,
  jobId: string,
  withHistory: boolean,
): Promise<PaperRows> {
  if (withHistory) await keepOldJobs(db, actor.companyId);
  return readAtOnce(db, actor, (reader) => jobRows(reader, jobId, withHistory));
}

/** An offer with its job, as they are stored at one moment. */
export async function offerRows(
  db: Database,
  actor: Actor,
  offerId: string,
  withHistory: boolean,
): Promise<OfferRows> {
  if (withHistory) await keepOldJobs(db, actor.companyId);
  return readAtOnce(db, actor, async (reader) => {
    const offer = await reader.one('offers', offerId);
    return { ...(await jobRows(reader, offer.jobId, withHistory)), offer };
  });
}

/** The plan of the days of a job with what it is printed from, as they are stored at one moment. */
export async function daysRows(
  db: Database,
  actor: Actor,
  jobId: string,
  withHistory: boolean,
): Promise<DaysRows> {
  if (withHistory) await keepOldJobs(db, actor.companyId);
  return readAtOnce(db, actor, async (reader) => {
    const [schedule = null] = await reader.all('schedules', { jobId });
    return { ...(await jobRows(reader, jobId, withHistory)), schedule };
  });
}

/** A job with its log: what the calendar of its recoat windows is made of. */
export function windowRows(
  db: Database,
  actor: Actor,
  jobId: string,
): Promise<PaperRows & { readonly entries: readonly Entry[] }> {
  return readAtOnce(db, actor, async (reader) => {
    const entries = await reader.all('entries', { jobId });
    return { ...(await jobRows(reader, jobId, false, entries)), entries };
  });
}

/** A day somewhere: its date, and the zone where it is one. */
export interface DayAsked {
  readonly date: string;
  readonly zone: string;
  readonly job?: string | undefined;
}

/** When an entry happened, put right where the clock of its device was wrong: as `timeOf` has it. */
const TIME = `case when at ~ '^[0-9]{4}-[0-9]{2}-[0-9]{2}T' then
  at::timestamptz + make_interval(secs => case when abs(clock_skew) > ${CLOCK_TOLERANCE} and abs(clock_skew) <= ${SKEW_LIMIT}
    then clock_skew else 0 end)
  end`;

/** Ids of the entries of a day, with what replaces them, whenever that was: a log of years is not read for one day. */
async function entriesOfDay(
  trx: Database,
  companyId: string,
  { date, zone, job }: DayAsked,
): Promise<string[]> {
  const within = dayIn(zone, date).map((time) => new Date(time));
  const ofJob = job === undefined ? {} : { jobId: job };
  const day = await trx('entry')
    .where({ companyId, ...ofJob })
    .whereRaw(`${TIME} >= ? and ${TIME} < ?`, [within[0] ?? '', within[1] ?? ''])
    .select<{ id: string }[]>('id');
  return withReplacing(
    trx,
    companyId,
    day.map(({ id }) => id),
  );
}

/** Ids of entries, and of those that replace them and each other: what stands in the place of one may have been taken back, and that, too. */
async function withReplacing(trx: Database, companyId: string, ids: readonly string[]): Promise<string[]> {
  const found = new Set(ids);
  for (let last = ids; last.length > 0;) {
    const next = await trx('entry')
      .where({ companyId })
      .whereIn('replaces', last)
      .select<{ id: string }[]>('id');
    last = next.map(({ id }) => id).filter((id) => !found.has(id));
    last.forEach((id) => found.add(id));
  }
  return [...found];
}

/** The files of pictures, by their ids; of those that did not come yet there is none. */
async function pictureFiles(
  trx: Database,
  companyId: string,
  ids: readonly string[],
): Promise<Record<string, Uint8Array>> {
  const rows = await trx('picture')
    .where({ companyId })
    .whereIn('id', ids)
    .select<{ id: string; content: Buffer }[]>('id', 'content');
  return Object.fromEntries(rows.map(({ id, content }) => [id, new Uint8Array(content)]));
}

/** Everything a day of the log is printed from; of one job where that is asked for. */
export async function logRows(db: Database, actor: Actor, day: DayAsked): Promise<LogRows> {
  return readAtOnce(db, actor, async ({ company, all, some, trx }) => {
    const entries = await some('entries', await entriesOfDay(trx, company.id, day));
    const wanted = pictureEntries(entries).map(({ payload }) => payload.pictureId);
    const named = [...new Set(entries.flatMap(({ surfaceId }) => surfaceId ?? []))];
    return {
      company,
      entries,
      pictures: await pictureFiles(trx, company.id, wanted.slice(0, PICTURES_ON_PAPER)),
      morePictures: Math.max(0, wanted.length - PICTURES_ON_PAPER),
      jobs: await all('jobs'),
      surfaces: await some('surfaces', named),
      coatings: await all('coatings'),
      tips: await all('tips'),
      sprayers: await all('sprayers'),
    };
  });
}

/** Every check of the paint, of one job where that is asked for; other kinds of entries are not read. */
export async function viscosityRows(db: Database, actor: Actor, job?: string): Promise<ViscosityRows> {
  return readAtOnce(db, actor, async ({ company, all, some, trx }) => {
    const checks = await trx('entry')
      .where({ companyId: company.id, kind: 'viscosity', ...(job === undefined ? {} : { jobId: job }) })
      .select<{ id: string }[]>('id');
    const ids = await withReplacing(
      trx,
      company.id,
      checks.map(({ id }) => id),
    );
    return {
      company,
      entries: await some('entries', ids),
      ...{ jobs: [], surfaces: [], tips: [], sprayers: [] },
      coatings: await all('coatings'),
    };
  });
}
