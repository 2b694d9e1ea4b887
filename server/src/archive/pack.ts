import {
  ARCHIVE,
  RESOURCE_NAMES,
  kitFileOf,
  logFileOf,
  offersFileOf,
  schedulesFileOf,
  type ArchiveHead,
  type ResourceName,
  type Rows,
  type Unreadable,
} from '@fine-spray/contract';
import { jobFileOf, writeJob } from '@fine-spray/contract/formats';
import { strToU8, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import type { Database } from '../db/database';
import { atOneMoment, inCompany } from '../db/writing';
import { companyOf } from '../resources/company';
import { storeOf } from '../resources/store';

/** Takes a piece of the archive; resolves when there is room for more. */
export type Sink = (piece: Uint8Array) => Promise<void>;

type All = { readonly [Name in ResourceName]: readonly Rows[Name][] };

const README = `All a company has stored in Fine Spray, in open files; each is described in docs/formats.md of the program.

company.json     what this is, when it was made, and how much it holds
kit.json         the company, its people, coatings, sprayers, hoses, tips, gear and coating systems
jobs/            each job with its rooms and surfaces
log.json         the site log
offers.json      offers, those that were sent with their figures
schedules.json   plans of the days
pictures/        pictures of the log, by their ids

Ways in stay behind: passwords, passkeys, devices, and addresses that calendars follow.
Another server takes it in under Settings, or with: npm run company -- in FILE
`;

/** A file name that every system takes, told apart by the end of an id. */
function named(name: string, id: string): string {
  const plain = name.normalize('NFKD').replace(/[^A-Za-z0-9]+/g, '-');
  return `${
    plain
      .replace(/^-+|-+$/g, '')
      .slice(0, 60)
      .toLowerCase() || 'job'
  }-${id.slice(-12)}`;
}

/** All that is stored but the pictures themselves, as it is at one moment. */
const everything = (db: Database, companyId: string) =>
  atOneMoment(db, companyId, async (trx) => {
    const all: Partial<Record<ResourceName, readonly object[]>> = {};
    const leftOut: ArchiveHead['leftOut'] = [];
    for (const resource of RESOURCE_NAMES) {
      const { items, unreadable } = await storeOf(trx, resource).list(companyId);
      all[resource] = items;
      leftOut.push(...unreadable.map(({ id, name, why }: Unreadable) => ({ resource, id, name, why })));
    }
    const company = await companyOf(trx, companyId);
    const pictures = await trx('picture').where({ companyId }).orderBy('id').select<{ id: string }[]>('id');
    return { company, all: all as All, leftOut, pictures };
  });

/**
 * Writes all a company has stored, piece by piece. It is read before it is written: whoever takes it may be slow, and the database waits
 * for nobody. Pictures, which never change, are read one by one.
 * @returns what it holds
 */
export async function packCompany(db: Database, companyId: string, sink: Sink): Promise<ArchiveHead> {
  const { company, all, leftOut, pictures } = await everything(db, companyId);
  const made: Uint8Array[] = [];
  const zip = new Zip((error, piece) => {
    if (error) throw error;
    made.push(piece);
  });
  const flush = async () => {
    for (const piece of made.splice(0)) await sink(piece);
  };
  const add = async (name: string, content: Uint8Array, packed = true) => {
    const file = packed ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name);
    zip.add(file);
    file.push(content, true);
    await flush();
  };
  const json = (name: string, content: object) => add(name, strToU8(`${JSON.stringify(content, null, 1)}\n`));

  const head: ArchiveHead = {
    format: 'fine-spray-company',
    version: ARCHIVE.version,
    company: company.name,
    made: new Date().toISOString(),
    holds: {
      jobs: all.jobs.length,
      surfaces: all.surfaces.length,
      entries: all.entries.length,
      offers: all.offers.length,
      pictures: pictures.length,
    },
    leftOut,
  };
  await json(ARCHIVE.head, head);
  await add('README.txt', strToU8(README));
  await json(ARCHIVE.kit, kitFileOf(company, all));
  for (const job of all.jobs) {
    const mine = <Row extends { readonly jobId: string }>(rows: readonly Row[]) =>
      rows.filter(({ jobId }) => jobId === job.id);
    const file = jobFileOf(job, mine(all.places), mine(all.surfaces), all.coatings);
    await add(`jobs/${named(job.name, job.id)}.job.json`, strToU8(writeJob(file)));
  }
  await json(ARCHIVE.log, logFileOf(inOrder(all.entries)));
  await json(ARCHIVE.offers, offersFileOf(all.offers));
  await json(ARCHIVE.schedules, schedulesFileOf(all.schedules));
  for (const { id } of pictures) {
    const [row] = await inCompany(db, companyId, (trx) =>
      trx('picture').where({ companyId, id }).select<{ content: Buffer }[]>('content'),
    );
    // Pictures are packed already.
    if (row) await add(`pictures/${id}.jpg`, row.content, false);
  }
  zip.end();
  await flush();
  return head;
}

/** As they were stored: what replaces another comes after it. */
const inOrder = (entries: All['entries']) =>
  [...entries].sort((a, b) =>
    a.createdAt === b.createdAt ? (a.at < b.at ? -1 : 1) : a.createdAt < b.createdAt ? -1 : 1,
  );
