import { combReading, type CombInterval } from '@fine-spray/core/film';
import { ELEMENTS } from '@fine-spray/core/takeoff';
import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { refusalIssue, tipChoice } from '../../kit';
import { numberWithin, oneOf } from '../../primitives';
import { entryKind } from '../kind';
import { coatOf, fraction } from '../parts';
import { coatName, joined } from '../say';

/** The interval of a tooth; the payload has seen to it that the comb has the tooth and a higher one. */
function intervalOf(lastWet: number | null, teeth: readonly number[]): CombInterval {
  let index = -1;
  if (lastWet !== null)
    while (index + 1 < teeth.length && (teeth[index + 1] ?? 0) <= lastWet + 1e-9) index += 1;
  return { low: quantity(index < 0 ? 0 : (teeth[index] ?? 0)), high: quantity(teeth[index + 1] ?? 0) };
}

const speed = (label: string) =>
  numberWithin(label, 0.02, 5, 'A gun moves between 0.02 and 5 m/s.').nullable();

/** Comb readings by the last wetted tooth of a comb; null: no tooth was wet. Film in m, speed in m/s. */
export const comb = entryKind({
  name: 'Comb read',
  payload: () =>
    z
      .object({
        ...coatOf,
        teeth: z.array(z.number()).min(2).max(40),
        lastWet: z
          .array(z.number().nullable())
          .min(1, { error: 'Take one reading at least.' })
          .max(60, { error: 'Sixty readings at most.' }),
        thinner: fraction('Thinner'),
        element: oneOf('Piece', ELEMENTS).nullable(),
        tip: tipChoice.nullable(),
        target: numberWithin('Film wanted', 5e-6, 3e-3, 'A wet film is between 5 and 3,000 μm.').nullable(),
        /** As it was timed; null where nobody did. And as the card has it. */
        speed: speed('Gun speed'),
        cardSpeed: speed('Gun speed of the card'),
      })
      .strict()
      .superRefine(({ teeth, lastWet }, context) => {
        const all = teeth.map((tooth) => quantity<never>(tooth));
        lastWet.forEach((tooth, index) => {
          const wet = tooth === null ? undefined : quantity<never>(tooth);
          const reading = combReading(wet, all, 'metric', `lastWet.${index}`);
          if (!reading.ok) refusalIssue(context, reading);
        });
      }),
  // 2: a speed is one that was timed. Forms before opened on the card's: where it is that very one, nobody did.
  older: [(payload) => (payload['speed'] === payload['cardSpeed'] ? { ...payload, speed: null } : payload)],
  words: ({ coatingId, coat, lastWet, target }, { show, planned, coating }) =>
    joined([
      lastWet.map((tooth) => (tooth === null ? 'none wet' : show(tooth, 'wetFilm'))).join(' · '),
      target !== null && `wanted ${planned(target, 'wetFilm')}`,
      coatName(coat).toLowerCase(),
      coating(coatingId),
    ]),
  core: ({ coatingId: coating, coat, teeth, lastWet, thinner, element, tip, ...held }, surface) =>
    surface === undefined
      ? undefined
      : {
          kind: 'comb',
          surface,
          coating,
          coat,
          readings: lastWet.map((tooth) => intervalOf(tooth, teeth)),
          thinner: quantity(thinner),
          element: element ?? undefined,
          family: tip?.family,
          target: held.target === null ? undefined : quantity(held.target),
          speed: held.speed === null ? undefined : quantity(held.speed),
          cardSpeed: held.cardSpeed === null ? undefined : quantity(held.cardSpeed),
        },
});
