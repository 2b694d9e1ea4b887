import { MOST_PEOPLE } from '@fine-spray/core/sequence';
import { SCRIPTED_DAY_IDS } from '@fine-spray/core/weather';
import { z } from 'zod';
import { id, line, numberWithin, oneOf, stored, text } from './primitives';

/** In which order a room is sprayed; ceilings come first in both. */
export const SCHOOLS = ['trim first', 'walls first'] as const;
export type School = (typeof SCHOOLS)[number];

/** What makes a plan end no earlier. */
export const BINDS = ['drying and order', 'sprayer', 'people'] as const;

/** A day has so many minutes; plans look so many days ahead. */
const DAY = 1440;
const LAST = 400 * DAY;

const date = z.iso.date({ error: 'A day must be written like 2026-01-31.' });
const dates = z.array(date).max(200, { error: 'Two hundred days at most.' });
const weekdays = z.array(z.int().min(0).max(6)).max(7);
const ofDay = (label: string) =>
  z
    .int({ error: `${label} is a time of day.` })
    .min(0, { error: `${label} is a time of day.` })
    .max(DAY, { error: `${label} is a time of day.` });
/** Minutes from the first midnight of a plan, by the clock on the wall. */
const minute = z.int().min(-LAST).max(LAST);

/** A task of a job by its id: ids are made from what it is, so that they stay. */
export const taskId = text('Task', 300, 1);
const person = z
  .int()
  .min(0)
  .max(MOST_PEOPLE - 1);

const span = (label: string) =>
  z
    .object({ from: ofDay(label), to: ofDay(label) })
    .strict()
    .refine(({ from, to }) => from < to, {
      error: `${label}: the end comes after the beginning.`,
      path: ['to'],
    });

/** A plan as it was found and taken. */
const result = z
  .object({
    /** Where each task stands. */
    placed: z
      .array(
        z
          .object({
            task: taskId,
            start: minute,
            end: minute,
            people: z.array(person).max(MOST_PEOPLE),
            sprayer: z.int().min(0).max(9).nullable(),
            setUp: z.int().min(0).max(DAY),
          })
          .strict(),
      )
      .max(5000),
    finish: minute,
    bound: z.object({ finish: minute, binds: oneOf('What binds', BINDS) }).strict(),
    /** By when it is done 4 times in 5, and 19 times in 20; null where that could not be said. */
    chances: z.object({ likely: minute, safe: minute }).strict().nullable(),
  })
  .strict();
export type ScheduleResult = z.infer<typeof result>;

export const scheduleFields = z
  .object({
    jobId: id,
    /** The day minutes are counted from; nothing is planned before it. */
    first: date,
    crew: z
      .array(z.object({ name: line('Name', 60), away: dates }).strict())
      .min(1, { error: 'Nobody is on the crew: put at least one person on it.' })
      .max(MOST_PEOPLE, { error: `${MOST_PEOPLE} people at most.` }),
    sprayers: z
      .int()
      .min(1, { error: 'There is no sprayer: put at least one on the job.' })
      .max(4, { error: 'Four sprayers at most.' }),
    school: oneOf('Order in a room', SCHOOLS),
    hours: span('Working hours'),
    breaks: z.array(span('Break')).max(6, { error: 'Six breaks a day at most.' }),
    workdays: weekdays.min(1, { error: 'There is no working day: choose at least one weekday.' }),
    /** When nobody may be in a room. */
    closed: z.array(z.object({ room: text('Room', 120, 1), weekdays, dates }).strict()).max(200),
    /** Weather that coats are taken to dry in. */
    drying: z
      .object({
        air: numberWithin('Air', 263.15, 323.15, 'Air is between -10 and 50 °C.'),
        humidity: numberWithin('Humidity', 0.05, 1, 'Humidity is between 5 and 100 %.'),
      })
      .strict(),
    /** Days of the simulated station that are to come, from the first, over and over; none: it stays dry. */
    outside: z.array(oneOf('Weather', SCRIPTED_DAY_IDS)).max(14),
    /** Where somebody put a task. */
    pins: z
      .array(
        z.object({ task: taskId, start: minute.nullable(), who: z.array(person).max(MOST_PEOPLE) }).strict(),
      )
      .max(500),
    /** What is to come before what, besides what has to. */
    wishes: z.array(z.object({ task: taskId, before: taskId }).strict()).max(500),
    seed: z.int().min(0).max(2_147_483_647),
    result: result.nullable(),
  })
  .strict()
  .superRefine(({ hours, breaks }, context) => {
    breaks.forEach(({ from, to }, index) => {
      if (from < hours.from || to > hours.to)
        context.addIssue({
          code: 'custom',
          path: ['breaks', index, 'from'],
          message: 'A break lies within the working hours.',
        });
    });
  });

export const schedule = scheduleFields.safeExtend(stored).meta({ id: 'Schedule' });
export type Schedule = z.infer<typeof schedule>;
export type ScheduleFields = z.infer<typeof scheduleFields>;
