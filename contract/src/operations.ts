import { z } from 'zod';
import { job, jobFields, surface, surfaceFields } from './job';
import {
  coating,
  coatingFields,
  company,
  companyFields,
  hose,
  hoseFields,
  sprayer,
  sprayerFields,
  tip,
  tipFields,
} from './kit';
import { version } from './primitives';

/** One call of the API: the table below is what the server mounts, the client calls and the OpenAPI document lists. */
export interface Operation {
  readonly method: 'get' | 'put' | 'delete';
  /** Express and OpenAPI path: parameters in braces. */
  readonly path: string;
  readonly summary: string;
  readonly body?: z.ZodType;
  readonly answer?: z.ZodType;
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
  jobs: resource('/api/jobs', 'job', jobFields, job),
  surfaces: resource('/api/surfaces', 'surface', surfaceFields, surface, '/api/jobs/{jobId}/surfaces'),
} as const;

export type ResourceName = keyof typeof RESOURCES;

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
    summary: 'Rename the company',
    body: companyFields.safeExtend({ version }),
    answer: company,
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
