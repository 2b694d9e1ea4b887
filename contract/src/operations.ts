import { z } from 'zod';
import { ARCHIVE, archiveQuery } from './archive';
import { calendarLinks, newCalendarBody, newCalendarLink } from './calendars';
import { changes, changesQuery } from './changes';
import { company, companyFields } from './kit';
import { manyEntries, manyEntriesAnswer } from './entry';
import type { Operation } from './operation';
import { jobsOfLog, oldJobsPage, oldJobsQuery } from './oldJobs';
import { dayPaperOptions, paperOptions, recordPaperOptions } from './paper';
import { PICTURE, pictureAnswer } from './pictures';
import { newPasskeyBody, passkeyBody, passkeyOptions, passkeys } from './passkeys';
import {
  chooseBody,
  codeBody,
  devices,
  invitation,
  me,
  companies,
  newCompanyBody,
  ownCompanyBody,
  newPasswordBody,
  passwordBody,
  pinBody,
} from './people';
import { version } from './primitives';
import { RESOURCES, RESOURCE_NAMES, batch, batchAnswer } from './resources';
import { weatherAnswer, weatherQuery } from './standIn';

export const health = z.object({ status: z.literal('ok'), database: z.literal('ok') }).meta({ id: 'Health' });

export const SINGLE_OPERATIONS = {
  getHealth: {
    method: 'get',
    path: '/api/health',
    summary: 'Answers 200 only when the database answers',
    answer: health,
  },
  getMe: { method: 'get', path: '/api/me', summary: 'Who asks, and what they may do', answer: me },
  postCode: {
    method: 'post',
    path: '/api/session/code',
    summary: 'This device becomes somebody’s, by a code that an owner has shown',
    body: codeBody,
    answer: me,
  },
  postPassword: {
    method: 'post',
    path: '/api/session/password',
    summary: 'Sign in with a name and a password',
    body: passwordBody,
    answer: me,
  },
  postPerson: {
    method: 'post',
    path: '/api/session/person',
    summary: 'Somebody else of those that share this device takes over',
    body: chooseBody,
    answer: me,
  },
  deleteSession: { method: 'delete', path: '/api/session', summary: 'Sign this device out' },
  putPassword: {
    method: 'put',
    path: '/api/me/password',
    summary: 'Sign-in name and password of an owner',
    body: newPasswordBody,
  },
  putPin: {
    method: 'put',
    path: '/api/me/pin',
    summary: 'PIN with which one takes over a shared device',
    body: pinBody,
  },
  getPasskeys: { method: 'get', path: '/api/me/passkeys', summary: 'Passkeys of who asks', answer: passkeys },
  postPasskeyOptions: {
    method: 'post',
    path: '/api/me/passkeys/options',
    summary: 'What a browser is asked to make a passkey of an owner with',
    answer: passkeyOptions,
  },
  postPasskey: {
    method: 'post',
    path: '/api/me/passkeys',
    summary: 'A passkey that was made with the options asked for before',
    body: newPasskeyBody,
    answer: passkeys,
  },
  deletePasskey: { method: 'delete', path: '/api/me/passkeys/{id}', summary: 'Forget a passkey' },
  postSessionPasskeyOptions: {
    method: 'post',
    path: '/api/session/passkey/options',
    summary: 'What a browser is asked to sign with a passkey',
    answer: passkeyOptions,
  },
  postSessionPasskey: {
    method: 'post',
    path: '/api/session/passkey',
    summary: 'Sign in with a passkey, by the options asked for before',
    body: passkeyBody,
    answer: me,
  },
  postInvitation: {
    method: 'post',
    path: '/api/people/{id}/invitation',
    summary: 'A code with which a phone becomes this person’s, for ten minutes, once',
    answer: invitation,
  },
  getDevices: { method: 'get', path: '/api/devices', summary: 'Devices that are signed in', answer: devices },
  deleteDevice: {
    method: 'delete',
    path: '/api/devices/{id}',
    summary: 'Sign a device out; it forgets what it keeps',
  },
  postCompany: {
    method: 'post',
    path: '/api/company',
    summary: 'The first company of an empty server, with its owner',
    body: newCompanyBody,
    answer: me,
  },
  getCompanies: {
    method: 'get',
    path: '/api/companies',
    summary: 'Where nobody signs in: the companies there are, and which answers',
    answer: companies,
  },
  postCompanies: {
    method: 'post',
    path: '/api/companies',
    summary: 'Where nobody signs in: one more company, which answers from then on',
    body: ownCompanyBody,
    answer: me,
  },
  getArchive: {
    method: 'get',
    path: '/api/company/archive',
    summary: 'All the company has stored as one ZIP of open files, for owners',
    file: ARCHIVE.type,
  },
  postArchive: {
    method: 'post',
    path: '/api/companies/archive',
    summary: 'Where nobody signs in: a company from such a file, which answers from then on',
    query: archiveQuery,
    takes: ARCHIVE.type,
    answer: me,
  },
  postAnswering: {
    method: 'post',
    path: '/api/companies/{id}/answering',
    summary: 'Where nobody signs in: this company answers from now on',
    answer: me,
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
  getDays: {
    method: 'get',
    path: '/api/jobs/{id}/days.pdf',
    summary: 'The plan of the days that a job is worked by, on paper, a page a day',
    query: paperOptions,
    file: 'application/pdf',
  },
  getCalendars: {
    method: 'get',
    path: '/api/jobs/{id}/calendars',
    summary: 'Calendars of the job that others follow: of what, and when one was last asked for',
    answer: calendarLinks,
  },
  postCalendar: {
    method: 'post',
    path: '/api/jobs/{id}/calendars',
    summary: 'A secret address under which calendar programs follow the job; it is told once',
    body: newCalendarBody,
    answer: newCalendarLink,
  },
  deleteCalendar: {
    method: 'delete',
    path: '/api/calendars/{id}',
    summary: 'An address of a calendar that leads nowhere from now on',
  },
  getCalendar: {
    method: 'get',
    path: '/api/calendar/{secret}',
    summary: 'A calendar by its secret address, for who knows that alone: iCalendar (RFC 5545)',
    file: 'text/calendar',
  },
  getOffer: {
    method: 'get',
    path: '/api/offers/{id}/offer.pdf',
    summary:
      'An offer on paper, for who asked for it: a draft as it would be now, one that was sent as it was sent; for owners',
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
  putPicture: {
    method: 'put',
    path: '/api/pictures/{id}',
    summary:
      'A picture of the log, without the place it was taken at; under an id there is one picture, for good',
    takes: PICTURE.type,
    answer: pictureAnswer,
  },
  getPicture: {
    method: 'get',
    path: '/api/pictures/{id}',
    summary: 'A picture of the log',
    file: PICTURE.type,
  },
  getLogDay: {
    method: 'get',
    path: '/api/log/days/{date}',
    summary: 'A day of the site log on paper',
    query: dayPaperOptions,
    file: 'application/pdf',
  },
  getViscosityRecord: {
    method: 'get',
    path: '/api/log/viscosity.pdf',
    summary: 'The record of viscosity on paper: every check of the paint, coating by coating',
    query: recordPaperOptions,
    file: 'application/pdf',
  },
  getLogJobs: {
    method: 'get',
    path: '/api/log/jobs',
    summary: 'Jobs there is something written for: how much, and when the last of it was stored',
    answer: jobsOfLog,
  },
  getOldJobs: {
    method: 'get',
    path: '/api/log/old-jobs',
    summary: 'Jobs nobody has written for in two months: what all later work needs of their log, in pages',
    query: oldJobsQuery,
    answer: oldJobsPage,
  },
  getChanges: {
    method: 'get',
    path: '/api/changes',
    summary: 'What changed since a cursor, in pages: rows, log entries, and what is left of deleted rows',
    query: changesQuery,
    answer: changes,
  },
  getEvents: {
    method: 'get',
    path: '/api/events',
    summary: 'Server-sent events: "changed" whenever there is something new to ask for',
    file: 'text/event-stream',
  },
  postBatch: {
    method: 'post',
    path: '/api/batch',
    summary: 'Several writes, all or none; repeating the call changes nothing',
    body: batch,
    answer: batchAnswer,
  },
  postEntries: {
    method: 'post',
    path: '/api/entries',
    summary:
      'Log entries that waited on a device, each answered for itself; repeating the call changes nothing',
    body: manyEntries,
    answer: manyEntriesAnswer,
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
  ...RESOURCE_NAMES.flatMap((name) => named(RESOURCES[name].operations, ` ${name}`)),
];
