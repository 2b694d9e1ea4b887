import {
  ARCHIVE,
  archiveHead,
  fieldProblems,
  jobFile,
  kitFile,
  logFile,
  offersFile,
  readJpeg,
  schedulesFile,
  whatIsWrong,
  type ArchiveHead,
  type JobFile,
  type KitFile,
  type LogFile,
  type OffersFile,
  type SchedulesFile,
} from '@fine-spray/contract';
import { newestJob } from '@fine-spray/contract/formats';
import { strFromU8, unzipSync } from 'fflate';
import type { z } from 'zod';
import { ProblemError } from '../http/problems';

/** A company as its archive has it, every file checked. */
export interface Unpacked {
  readonly head: ArchiveHead;
  readonly kit: KitFile;
  readonly jobs: readonly JobFile[];
  readonly log: LogFile['entries'];
  readonly offers: OffersFile['offers'];
  readonly schedules: SchedulesFile['schedules'];
  readonly pictures: ReadonlyMap<string, Uint8Array>;
}

const refused = (message: string, field = ''): ProblemError =>
  new ProblemError('bad-body', message, [{ field, message, code: 'archive' }]);

function unzipped(bytes: Uint8Array): Readonly<Record<string, Uint8Array>> {
  let size = 0;
  try {
    return unzipSync(bytes, {
      filter: ({ originalSize }) => {
        size += originalSize;
        if (size > ARCHIVE.unpacked) throw refused('Unpacked, this file would be larger than 2 GB.');
        return true;
      },
    });
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    throw refused('This is no ZIP file, or only a part of one.');
  }
}

function parsed(files: Readonly<Record<string, Uint8Array>>, name: string): unknown {
  const file = files[name];
  if (!file)
    throw refused(`${name} is missing: this is no company of Fine Spray, or only a part of one.`, name);
  try {
    return JSON.parse(strFromU8(file));
  } catch {
    throw refused(`${name} is not readable as JSON.`, name);
  }
}

function checked<Schema extends z.ZodType>(name: string, schema: Schema, file: unknown): z.output<Schema> {
  const read = schema.safeParse(file);
  if (read.success) return read.data;
  throw new ProblemError(
    'bad-body',
    `${name}: ${whatIsWrong(read.error)}`,
    fieldProblems(read.error).map((one) => ({ ...one, field: `${name}: ${one.field}` })),
  );
}

/**
 * Reads an archive: all of it, or what is wrong and nothing.
 * @throws a problem whose sentence names the file
 */
export function unpackCompany(bytes: Uint8Array): Unpacked {
  const files = unzipped(bytes);
  const read = <Schema extends z.ZodType>(name: string, schema: Schema) =>
    checked(name, schema, parsed(files, name));
  const head = read(ARCHIVE.head, archiveHead);
  if (head.version > ARCHIVE.version)
    throw refused(
      `This archive is of version ${head.version}; this program reads up to version ${ARCHIVE.version}. Update this program to open it.`,
      ARCHIVE.head,
    );
  const kit = read(ARCHIVE.kit, kitFile);
  const jobs = Object.keys(files)
    .filter((name) => ARCHIVE.jobs.test(name))
    .map((name) => checked(name, jobFile, newestJob(parsed(files, name))));
  const pictures = new Map(
    Object.entries(files).flatMap(([name, content]): [string, Uint8Array][] => {
      const [, id] = ARCHIVE.pictures.exec(name) ?? [];
      if (id === undefined) return [];
      const picture = readJpeg(content);
      if (!picture.ok) throw refused(`${name}: ${picture.message}`, name);
      return [[id, content]];
    }),
  );
  const all: Unpacked = {
    head,
    kit,
    jobs,
    log: read(ARCHIVE.log, logFile).entries,
    offers: read(ARCHIVE.offers, offersFile).offers,
    schedules: read(ARCHIVE.schedules, schedulesFile).schedules,
    pictures,
  };
  checkWhole(all);
  return all;
}

/** Refuses an archive that lacks some of what it says it holds, or has nobody to answer for it. */
function checkWhole({ head: { holds }, kit, jobs, log, offers, pictures }: Unpacked): void {
  const found: ArchiveHead['holds'] = {
    jobs: jobs.length,
    surfaces: jobs.reduce((sum, job) => sum + job.surfaces.length, 0),
    entries: log.length,
    offers: offers.length,
    pictures: pictures.size,
  };
  for (const name of Object.keys(found) as (keyof typeof found)[])
    if (found[name] < holds[name])
      throw refused(
        `The archive holds ${holds[name]} ${name}, and ${found[name]} were found: some is missing.`,
      );
  if (!kit.people.some(({ role, active }) => role === 'owner' && active))
    throw refused('Nobody in it is an owner: a company has one at least.', ARCHIVE.kit);
}
