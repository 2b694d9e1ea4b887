import { z } from 'zod';
import { entry, entryFields } from './entry';
import { job, jobFields, surface, surfaceFields } from './job';
import {
  coating,
  coatingFields,
  company,
  companyFields,
  gear,
  gearFields,
  hose,
  hoseFields,
  sprayer,
  sprayerFields,
  tip,
  tipFields,
} from './kit';
import { dayPaperOptions, paperOptions } from './paper';
import { place, placeFields } from './place';
import { id, version } from './primitives';
import { weatherAnswer, weatherQuery } from './standIn';
import { system, systemFields } from './system';

/** One call of the API: the table below is what the server mounts, the client calls and the OpenAPI document lists. */
export interface Operation {
  readonly method: 'get' | 'put' | 'post' | 'delete';
  /** Express and OpenAPI path: parameters in braces. */
  readonly path: string;
  readonly summary: string;
  /** What may stand in the query. */
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  readonly answer?: z.ZodType;
  /** Media type of an answer that is a file. */
  readonly file?: string;
}

function resource<Fields extends z.ZodObject, Row extends z.ZodObject>(
  path: string,
  one: string,
  fields: Fields,
  row: Row,
  listPath = path,
) {
  const item = `${path}/{id}`;
  return {
    list: {
      method: 'get',
      path: listPath,
      summary: `All ${one}s`,
      answer: z.object({ items: z.array(row) }),
    },
    get: { method: 'get', path: item, summary: `One ${one}`, answer: row },
    put: {
      method: 'put',
      path: item,
      summary: `Store a ${one}: version 0 makes it; repeating the call changes nothing`,
      body: fields.safeExtend({ version }),
      answer: row,
    },
    remove: { method: 'delete', path: item, summary: `Delete a ${one}; repeating the call changes nothing` },
  } as const satisfies Record<string, Operation>;
}

export const RESOURCES = {
  coatings: resource('/api/coatings', 'coating', coatingFields, coating),
  sprayers: resource('/api/sprayers', 'sprayer', sprayerFields, sprayer),
  hoses: resource('/api/hoses', 'hose', hoseFields, hose),
  tips: resource('/api/tips', 'tip', tipFields, tip),
  gear: resource('/api/gear', 'piece of gear', gearFields, gear),
  entries: resource('/api/entries', 'log entry', entryFields, entry),
  systems: resource('/api/systems', 'system', systemFields, system),
  jobs: resource('/api/jobs', 'job', jobFields, job),
  places: resource('/api/places', 'place', placeFields, place, '/api/jobs/{jobId}/places'),
  surfaces: resource('/api/surfaces', 'surface', surfaceFields, surface, '/api/jobs/{jobId}/surfaces'),
} as const;

export type ResourceName = keyof typeof RESOURCES;

function write<Name extends ResourceName, Body extends z.ZodType>(resourceName: Name, body: Body) {
  return z.object({ resource: z.literal(resourceName), id, content: body.nullable() }).strict();
}

/** Writes of a batch at most: a job of a thousand surfaces with its places. */
export const BATCH_LIMIT = 2500;

/** Several writes that are done together or not at all, in their order; `content` null deletes. */
export const batch = z
  .object({
    writes: z
      .array(
        z.discriminatedUnion('resource', [
          write('coatings', RESOURCES.coatings.put.body),
          write('sprayers', RESOURCES.sprayers.put.body),
          write('hoses', RESOURCES.hoses.put.body),
          write('tips', RESOURCES.tips.put.body),
          write('gear', RESOURCES.gear.put.body),
          write('systems', RESOURCES.systems.put.body),
          write('jobs', RESOURCES.jobs.put.body),
          write('places', RESOURCES.places.put.body),
          write('surfaces', RESOURCES.surfaces.put.body),
        ]),
      )
      .max(BATCH_LIMIT, { error: `${BATCH_LIMIT.toLocaleString('en')} writes at once at most.` }),
  })
  .strict();
export type BatchWrite = z.infer<typeof batch>['writes'][number];

export const health = z.object({ status: z.literal('ok'), database: z.literal('ok') }).meta({ id: 'Health' });

export const SINGLE_OPERATIONS = {
  getHealth: {
    method: 'get',
    path: '/api/health',
    summary: 'Answers 200 only when the database answers',
    answer: health,
  },
  getCompany: { method: 'get', path: '/api/company', summary: 'The company', answer: company },
  putCompany: {
    method: 'put',
    path: '/api/company',
    summary: 'Name, rates and prices of the company',
    body: companyFields.safeExtend({ version }),
    answer: company,
  },
  getJobSheet: {
    method: 'get',
    path: '/api/jobs/{id}/job-sheet.pdf',
    summary: 'The job on paper: quantities, set-up cards, areas, cautions',
    query: paperOptions,
    file: 'application/pdf',
  },
  getBuyList: {
    method: 'get',
    path: '/api/jobs/{id}/buy-list.pdf',
    summary: 'What to buy for the job, on paper',
    query: paperOptions,
    file: 'application/pdf',
  },
  getGauge: {
    method: 'get',
    path: '/api/stand-ins/gauge',
    summary:
      'Simulated gauge at pump and gun, as server-sent events: "reading" with tick, pump and gun in Pa',
    query: z.object({ order: z.string() }).strict(),
    file: 'text/event-stream',
  },
  getWeather: {
    method: 'get',
    path: '/api/stand-ins/weather',
    summary: 'Simulated weather station: what it reads at an hour of a scripted day, and its forecast',
    query: weatherQuery,
    answer: weatherAnswer,
  },
  getLogDay: {
    method: 'get',
    path: '/api/log/days/{date}',
    summary: 'A day of the site log on paper',
    query: dayPaperOptions,
    file: 'application/pdf',
  },
  postBatch: {
    method: 'post',
    path: '/api/batch',
    summary: 'Several writes, all or none; repeating the call changes nothing',
    body: batch,
    answer: z.object({
      rows: z.array(z.union([coating, sprayer, hose, tip, gear, system, job, place, surface]).nullable()),
    }),
  },
} as const satisfies Record<string, Operation>;

interface NamedOperation extends Operation {
  readonly name: string;
}

const named = (operations: Readonly<Record<string, Operation>>, suffix = ''): NamedOperation[] =>
  Object.entries(operations).map(([name, operation]) => ({ ...operation, name: `${name}${suffix}` }));

/** Every operation, for the OpenAPI document. */
export const ALL_OPERATIONS: readonly NamedOperation[] = [
  ...named(SINGLE_OPERATIONS),
  ...Object.entries<Readonly<Record<string, Operation>>>(RESOURCES).flatMap(([resourceName, operations]) =>
    named(operations, ` ${resourceName}`),
  ),
];
