import { ARCHETYPE_IDS } from '@fine-spray/core/coating';
import { z } from 'zod';
import { jobFields, surfaceFields } from './job';
import { clockSkewSchema, entryFields, type Entry } from './entry';
import { coatingFields, companyFields, gearFields, hoseFields, sprayerFields, tipFields } from './kit';
import { offerFields } from './offer';
import { personFields } from './people';
import { placeFields } from './place';
import { practiceFields } from './practice/learner';
import { id, line, oneOf } from './primitives';
import { scheduleFields } from './schedule';
import { systemFields } from './system';

/** What of a company's rows its kit file holds, in the order they are read in: a system names coatings. */
export const KIT_RESOURCES = [
  'people',
  'practices',
  'coatings',
  'sprayers',
  'hoses',
  'tips',
  'gear',
  'systems',
] as const;

/** The kit of a company as an open file. Lengths m, pressures Pa, volumes m³. */
export const kitFile = z
  .object({
    format: z.literal('fine-spray-kit'),
    version: z.literal(1),
    company: companyFields.safeExtend({ id }),
    people: z.array(personFields.safeExtend({ id })).default([]),
    /** What people have learned in practice, under the ids of the people. */
    practices: z.array(practiceFields.safeExtend({ id })).default([]),
    coatings: z.array(coatingFields.safeExtend({ id })),
    sprayers: z.array(sprayerFields.safeExtend({ id })),
    hoses: z.array(hoseFields.safeExtend({ id })),
    tips: z.array(tipFields.safeExtend({ id })),
    gear: z.array(gearFields.safeExtend({ id })),
    systems: z.array(systemFields.safeExtend({ id })),
  })
  .strict();

/** Entries of the site log as an open file. */
export const logFile = z
  .object({
    format: z.literal('fine-spray-log'),
    version: z.literal(1),
    /** `clockSkew` as an entry has it: server clock less device clock, s. */
    entries: z.array(entryFields.safeExtend({ id, clockSkew: clockSkewSchema.default(null) })),
  })
  .strict();

/** Offers of a company as an open file, those that were sent with their figures. */
export const offersFile = z
  .object({
    format: z.literal('fine-spray-offers'),
    version: z.literal(1),
    offers: z.array(offerFields.safeExtend({ id })),
  })
  .strict();

/** Plans of the days as an open file: how they are to be planned, with or without what was found. */
export const schedulesFile = z
  .object({
    format: z.literal('fine-spray-schedules'),
    version: z.literal(1),
    schedules: z.array(scheduleFields.safeExtend({ id })),
  })
  .strict();

/** What the server adds to a row. */
const BY_SERVER: ReadonlySet<string> = new Set(['version', 'createdAt', 'updatedAt', 'surfaceCount']);

/** A stored row as an open file has it: its id and its content. */
export const fileRow = (row: object): Readonly<Record<string, unknown>> =>
  Object.fromEntries(Object.entries(row).filter(([name]) => !BY_SERVER.has(name)));

/** A company with its kit as an open file. */
export const kitFileOf = (
  company: object,
  rows: Readonly<Record<(typeof KIT_RESOURCES)[number], readonly object[]>>,
): KitFile =>
  kitFile.parse({
    format: 'fine-spray-kit',
    version: 1,
    company: fileRow(company),
    ...Object.fromEntries(KIT_RESOURCES.map((name) => [name, rows[name].map(fileRow)])),
  });

/** Offers as an open file. */
export const offersFileOf = (offers: readonly object[]): OffersFile =>
  offersFile.parse({ format: 'fine-spray-offers', version: 1, offers: offers.map(fileRow) });

/** Plans of the days as an open file. */
export const schedulesFileOf = (schedules: readonly object[]): SchedulesFile =>
  schedulesFile.parse({ format: 'fine-spray-schedules', version: 1, schedules: schedules.map(fileRow) });

/** Entries as an open file: their authors by initials, without what only this server knows of them. */
export const logFileOf = (entries: readonly Entry[]): LogFile =>
  logFile.parse({
    format: 'fine-spray-log',
    version: 1,
    entries: entries.map(
      ({ version: _version, createdAt: _made, updatedAt: _changed, personId: _person, ...one }) => one,
    ),
  });

/** A coating that a job names, as far as another kit can find its own for it. */
export const namedCoating = z
  .object({ id, name: line('Coating name', 120), archetype: oneOf('Kind of coating', ARCHETYPE_IDS) })
  .strict();

/** Version of the job file this program writes; it reads that and older ones (`formats/olderJob.ts`). */
export const JOB_FILE_VERSION = 2;

/** A job with its places and surfaces as an open file; the coatings it names stand in it, with their ids in the kit. */
export const jobFile = z
  .object({
    format: z.literal('fine-spray-job'),
    version: z.literal(JOB_FILE_VERSION),
    coatings: z.array(namedCoating),
    job: jobFields.safeExtend({ id }),
    places: z.array(placeFields.safeExtend({ id })),
    surfaces: z.array(surfaceFields.safeExtend({ id })),
  })
  .strict()
  .superRefine(({ job, places, surfaces }, context) => {
    const known = new Set(places.map((place) => place.id));
    const refuse = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message });
    places.forEach(({ jobId }, index) => {
      if (jobId !== job.id) refuse(['places', index, 'jobId'], 'This place belongs to another job.');
    });
    surfaces.forEach(({ jobId, placeId }, index) => {
      if (jobId !== job.id) refuse(['surfaces', index, 'jobId'], 'This surface belongs to another job.');
      if (placeId !== null && !known.has(placeId)) {
        refuse(['surfaces', index, 'placeId'], 'This surface follows from a place that is not in the file.');
      }
    });
  });

export type SchedulesFile = z.infer<typeof schedulesFile>;
export type OffersFile = z.infer<typeof offersFile>;
export type LogFile = z.infer<typeof logFile>;
export type KitFile = z.infer<typeof kitFile>;
export type JobFile = z.infer<typeof jobFile>;
