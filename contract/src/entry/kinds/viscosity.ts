import { CUPS } from '@fine-spray/core/coating';
import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { CUP_CHOICES, OWN_CUP } from '../../kit';
import { id, line, numberWithin, oneOf } from '../../primitives';
import { entryKind } from '../kind';
import { batch, fraction, paintTemperature } from '../parts';
import { meanOf, thinnerAfter } from '../readings';
import { joined } from '../say';

/** Shifts of a working day, as a viscosity record has them. */
export const SHIFTS = ['morning', 'afternoon', 'evening'] as const;

const seconds = () =>
  z
    .array(numberWithin('Cup time', 2, 600, 'A cup time is between 2 and 600 s.'))
    .max(9, { error: 'Nine readings at most.' });
const reading = () => numberWithin('Viscosity', 1e-4, 50, 'Viscosity must be between 0.0001 and 50 Pa·s.');

/** A check of the paint: before, what was added, after. */
export const viscosity = entryKind({
  name: 'Paint checked',
  byTool: true,
  payload: () =>
    z
      .object({
        coatingId: id,
        batch,
        newContainer: z.boolean(),
        shift: oneOf('Shift', SHIFTS),
        cup: oneOf('Cup', CUP_CHOICES),
        temperature: paintTemperature,
        /** Cup times before anything was added. */
        before: seconds().min(1, { error: 'Take one cup time at least.' }),
        /** Seconds wanted with this cup. */
        target: numberWithin('Wanted cup time', 2, 600, 'A cup time is between 2 and 600 s.'),
        /** Thinner in it before, per volume of paint. */
        thinnerBefore: fraction('Thinner in it'),
        /** Paint in the container, m³. */
        container: numberWithin('Container', 1e-4, 1.2, 'A container holds between 0.1 and 1,200 litres.'),
        /** What was added: water, or the thinner by name. */
        addedWhat: line('What was added', 60, 0),
        /** Thinner added now, m³. */
        added: numberWithin('Added', 0, 0.6, 'What is added is between 0 and 600 litres.'),
        after: seconds(),
        /** Pa·s by the cup, where its standard converts these seconds. */
        viscosityBefore: reading().nullable(),
        viscosityAfter: reading().nullable(),
      })
      .strict()
      .superRefine(({ added, container }, context) => {
        if (added > container) {
          context.addIssue({
            code: 'custom',
            path: ['added'],
            message: 'More thinner than paint: check the unit.',
          });
        }
      }),
  words: ({ coatingId, cup, before, after, added, addedWhat, temperature }, { show, coating }) =>
    joined([
      coating(coatingId),
      `${cup === OWN_CUP ? 'Own cup' : CUPS[cup].name} ${show(meanOf(before), 'time')} at ${show(temperature, 'temperature')}`,
      added > 0 && `${show(added, 'millilitres')} ${addedWhat || 'thinner'}`,
      after.length > 0 && `then ${show(meanOf(after), 'time')}`,
    ]),
  core: ({
    coatingId,
    cup,
    before,
    after,
    added,
    temperature,
    viscosityBefore,
    viscosityAfter,
    ...paint
  }) => ({
    kind: 'viscosity',
    coating: coatingId,
    cup,
    // What was read before thinner went in is not what was sprayed.
    seconds: after.length > 0 ? meanOf(after) : added > 0 ? undefined : meanOf(before),
    thinner: quantity(thinnerAfter(paint, added)),
    reads: [
      { viscosity: viscosityBefore, thinner: paint.thinnerBefore },
      { viscosity: viscosityAfter, thinner: thinnerAfter(paint, added) },
    ].flatMap(({ viscosity: read, thinner }) =>
      read === null
        ? []
        : [{ viscosity: quantity(read), temperature: quantity(temperature), thinner: quantity(thinner) }],
    ),
  }),
});
