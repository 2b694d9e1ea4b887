import {
  STATES,
  TIMED_WORK,
  WORK_RATES,
  isMending,
  kindOfWorkName,
  workCountedIn,
  type WorkRate,
} from '@fine-spray/core/quantities';
import { z } from 'zod';
import { numberWithin, oneOf } from '../../primitives';
import { entryKind } from '../kind';
import { joined } from '../say';

/** Nobody works longer in one go, s. */
const LONGEST = 24 * 3600;

const AMOUNTS = {
  run: 'How much it was is between 0.01 and 100,000 metres.',
  area: 'How much it was is between 0.01 and 100,000 m².',
  count: 'How many it were is between 1 and 100,000.',
} as const;

/** Some work besides spraying: how much of it was done, by how many and how long. Minutes are learned from it. */
export const worked = entryKind({
  name: 'Work done',
  payload: () =>
    z
      .object({
        rate: oneOf('Work', TIMED_WORK as [WorkRate, ...WorkRate[]]),
        /** m, m² or pieces, as the work is counted. */
        amount: numberWithin('How much', 0.01, 100_000, AMOUNTS.area),
        /** By the clock, s. */
        time: numberWithin('Time', 30, LONGEST, 'Time is between half a minute and 24 hours.'),
        people: numberWithin('People', 1, 20, 'One to twenty people work on it.').int({
          error: 'People come in whole numbers.',
        }),
        /** How the surface was, where the time hangs on it. */
        state: oneOf('State', STATES).nullable(),
      })
      .strict()
      .superRefine(({ rate, amount, state }, context) => {
        const refuse = (path: string, message: string) =>
          context.addIssue({ code: 'custom', path: [path], message });
        if (isMending(rate) && state === null)
          refuse('state', `${WORK_RATES[rate].name} takes longer on a poor surface: say how it was.`);
        if (!isMending(rate) && state !== null) refuse('state', 'This work does not hang on the state.');
        if (workCountedIn(rate) === 'count' && amount < 1) refuse('amount', AMOUNTS.count);
      }),
  words: ({ rate, amount, time, people, state }, { show }) => {
    const counted = workCountedIn(rate) ?? 'count';
    return joined([
      kindOfWorkName({ rate, state: state ?? undefined }),
      `${show(amount, counted)} in ${show(time, 'minutes')}${people > 1 ? ` by ${people}` : ''}`,
    ]);
  },
  core: ({ rate, amount, time, people, state }, surface) => ({
    kind: 'worked',
    surface,
    rate,
    amount,
    time: time * people,
    state: state ?? undefined,
  }),
});
