import { z } from 'zod';
import { line, oneOf } from '../../primitives';
import { taskId } from '../../schedule';
import { entryKind } from '../kind';
import { joined } from '../say';

export const STEP_STATES = ['started', 'done', 'skipped', 'put back'] as const;
export type StepState = (typeof STEP_STATES)[number];

const WORDS: Readonly<Record<StepState, string>> = {
  started: 'started',
  done: 'done',
  skipped: 'skipped',
  'put back': 'to do again',
};

/** A task of the plan of the days was begun, done, skipped, or is to be done again. */
export const step = entryKind({
  name: 'Step of the plan',
  payload: () =>
    z
      .object({
        task: taskId,
        /** What it was called then. */
        name: line('Name', 300),
        did: oneOf('What was done', STEP_STATES),
      })
      .strict(),
  words: ({ name, did }) => joined([name, WORDS[did]]),
  core: () => undefined,
});
