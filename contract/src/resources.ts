import { numberText } from '@fine-spray/core/units';
import { z } from 'zod';
import { entry, entryFields, upgraded } from './entry';
import { SURFACES_PER_JOB, job, jobFields, surface, surfaceFields } from './job';
import {
  coating,
  coatingFields,
  gear,
  gearFields,
  hose,
  hoseFields,
  sprayer,
  sprayerFields,
  tip,
  tipFields,
} from './kit';
import { offer, offerFields } from './offer';
import { person, personFields } from './people';
import { place, placeFields } from './place';
import { practice, practiceFields } from './practice/learner';
import { resource, write } from './resource';
import { schedule, scheduleFields } from './schedule';
import { system, systemFields } from './system';

/**
 * Everything a company stores in rows. A field is a line in its schema and a migration; a new resource is an entry here and
 * a migration. Table and columns, batch, API, checks, client types and query keys follow.
 */
export const RESOURCES = {
  people: resource('people', { one: 'person', table: 'person', writtenBy: 'people' }, personFields, person),
  practices: resource(
    'practices',
    { one: 'record of practice', table: 'practice', writtenBy: 'log', own: true },
    practiceFields,
    practice,
  ),
  coatings: resource(
    'coatings',
    { one: 'coating', table: 'coating', writtenBy: 'kit' },
    coatingFields,
    coating,
  ),
  sprayers: resource(
    'sprayers',
    { one: 'sprayer', table: 'sprayer', writtenBy: 'kit' },
    sprayerFields,
    sprayer,
  ),
  hoses: resource('hoses', { one: 'hose', table: 'hose', writtenBy: 'kit' }, hoseFields, hose),
  tips: resource('tips', { one: 'tip', table: 'tip', writtenBy: 'kit' }, tipFields, tip),
  gear: resource('gear', { one: 'piece of gear', table: 'gear', writtenBy: 'kit' }, gearFields, gear),
  entries: resource(
    'entries',
    {
      one: 'log entry',
      table: 'entry',
      writtenBy: 'log',
      appendOnly: true,
      paged: true,
      beside: ['clockSkew', 'personId'],
      byServer: ['author'],
    },
    entryFields,
    entry,
    upgraded,
  ),
  systems: resource(
    'systems',
    {
      one: 'system',
      table: 'system',
      writtenBy: 'kit',
      references: [{ at: 'layers.*.coatingId', to: 'coatings', of: 'one of your coating systems' }],
    },
    systemFields,
    system,
  ),
  jobs: resource(
    'jobs',
    {
      one: 'job',
      table: 'job',
      writtenBy: 'plans',
      references: [{ at: 'hoseIds.*', to: 'hoses', of: 'a job' }],
      counts: { surfaceCount: { of: 'surfaces', by: 'jobId' } },
    },
    jobFields,
    job,
  ),
  places: resource(
    'places',
    { one: 'place', table: 'place', writtenBy: 'plans', ofJob: true },
    placeFields,
    place,
  ),
  offers: resource(
    'offers',
    {
      one: 'offer',
      table: 'offer',
      ofJob: true,
      writtenBy: 'money',
      seenBy: 'money',
      unique: {
        fields: ['number', 'edition'],
        sentence: 'There is an offer of this number and edition already. Give it another number.',
      },
      fixed: {
        unless: { field: 'state', is: 'draft' },
        but: ['state', 'answered', 'taken'],
        sentence: 'This offer was sent and stays as it was. Make a new edition of it.',
      },
    },
    offerFields,
    offer,
  ),
  schedules: resource(
    'schedules',
    {
      one: 'plan of the days',
      table: 'schedule',
      ofJob: true,
      writtenBy: 'plans',
      unique: { fields: ['jobId'], sentence: 'This job has its plan of the days already.' },
    },
    scheduleFields,
    schedule,
  ),
  surfaces: resource(
    'surfaces',
    {
      one: 'surface',
      table: 'surface',
      writtenBy: 'plans',
      ofJob: true,
      references: [{ at: 'under.*.coatingId', to: 'coatings', of: 'a job' }],
      unique: {
        fields: ['placeId', 'element', 'part'],
        sentence: 'This room or elevation has such a surface already.',
      },
      limit: {
        within: 'jobId',
        most: SURFACES_PER_JOB,
        sentence: `A job holds ${numberText(SURFACES_PER_JOB)} surfaces at most. Make a second job for the rest.`,
      },
    },
    surfaceFields,
    surface,
  ),
} as const;

export type ResourceName = keyof typeof RESOURCES;
export const RESOURCE_NAMES = Object.keys(RESOURCES) as ResourceName[];

/** A row of each resource, as the API gives it. */
export type Rows = { readonly [Name in ResourceName]: z.infer<(typeof RESOURCES)[Name]['row']> };
/** The content of a row, as a write has it. */
export type Contents = { readonly [Name in ResourceName]: z.infer<(typeof RESOURCES)[Name]['fields']> };

/** Resources whose rows are listed for a job, and the others. */
export type OfJob = {
  readonly [Name in ResourceName]: (typeof RESOURCES)[Name]['ofJob'] extends true ? Name : never;
}[ResourceName];

/** Resources whose rows change; the log's do not. */
export type Changing = Exclude<ResourceName, 'entries'>;
const CHANGING = RESOURCE_NAMES.filter((name) => !RESOURCES[name].appendOnly);

/** Writes of a batch at most: a job of a thousand surfaces with its places. */
export const BATCH_LIMIT = 2500;

/** One write of a batch; `content` null deletes the version that is named. */
export type BatchWrite =
  | {
      readonly [Name in Changing]: {
        readonly resource: Name;
        readonly id: string;
        readonly content: z.infer<(typeof RESOURCES)[Name]['body']>;
      };
    }[Changing]
  | Deletion;
export interface Deletion {
  readonly resource: Changing;
  readonly id: string;
  readonly content: null;
  readonly version: number;
}

const writes = CHANGING.map((name) => write(name, RESOURCES[name].body as z.ZodType));
type Write = (typeof writes)[number];

/** Several writes that are done together or not at all, in their order. */
export const batch = z
  .object({
    writes: z
      .array(
        z.discriminatedUnion('resource', writes as [Write, ...Write[]]) as unknown as z.ZodType<BatchWrite>,
      )
      .max(BATCH_LIMIT, { error: `${numberText(BATCH_LIMIT)} writes at once at most.` }),
  })
  .strict();

/** The rows a batch has stored, in the order of its writes; null where one was deleted. */
export const batchAnswer = z.object({
  rows: z.array(z.union(CHANGING.map((name) => RESOURCES[name].row as z.ZodType)).nullable()),
});
