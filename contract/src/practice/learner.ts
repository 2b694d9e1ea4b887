import { z } from 'zod';
import { id, line, stored, text } from '../primitives';

/** As much as a learner's record holds: a few years of a piece and five minutes a day. */
export const LEARNER_LIMITS = { items: 500, days: 4000, sprayed: 300, taken: 400 } as const;

const moment = z.iso.datetime({ error: 'Time is missing.' });
const count = z.int().min(0).max(1e6);

/** What the scheduler knows of one item (FSRS). */
export const itemCard = z.strictObject({
  due: moment,
  stability: z.number().min(0).max(1e6),
  difficulty: z.number().min(0).max(100),
  reps: count,
  lapses: count,
  steps: count,
  state: z.int().min(0).max(3),
  last: moment,
});
export type ItemCard = z.infer<typeof itemCard>;

/** A day of drills in one skill. */
const drilled = z.strictObject({
  day: z.iso.date({ error: 'A day must be written like 2026-01-31.' }),
  skill: line('Skill', 40),
  asked: count,
  right: count,
});

/** A piece that was sprayed: points of a hundred, and what each figure cost. */
const sprayedPiece = z.strictObject({
  at: moment,
  piece: line('Piece', 80),
  points: z.number().min(0).max(100),
  costs: z.record(text('Figure', 40, 1), z.number().min(0).max(100)),
});

/** What somebody has learned so far, in a row under the id of the person. It never goes into the records of a job. */
export const practiceFields = z
  .object({
    items: z
      .record(text('Item', 80, 1), itemCard)
      .refine((all) => Object.keys(all).length <= LEARNER_LIMITS.items, {
        error: 'That is more than can be asked.',
      }),
    days: z.array(drilled).max(LEARNER_LIMITS.days),
    sprayed: z.array(sprayedPiece).max(LEARNER_LIMITS.sprayed),
    /** What is in it already, by its id: what comes twice counts once. */
    taken: z.array(id).max(LEARNER_LIMITS.taken),
  })
  .strict();
export type PracticeFields = z.infer<typeof practiceFields>;

export const practice = practiceFields.safeExtend(stored).meta({ id: 'Practice' });
export type Practice = z.infer<typeof practice>;

export const NOTHING_LEARNED: PracticeFields = { items: {}, days: [], sprayed: [], taken: [] };
