import { ELEMENTS, SIDES, SURFACE_KIND_IDS, WINDS } from '@fine-spray/core/takeoff';
import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { numberWithin, oneOf } from '../../primitives';
import { entryKind } from '../kind';
import { coatOf, weather } from '../parts';
import { coatName, joined, weatherWords } from '../say';

const area = () => numberWithin('Area', 0.001, 100_000, 'An area is between 0.001 and 100,000 m².');

export const coatFinished = entryKind({
  name: 'Coat finished',
  payload: () =>
    z
      .object({
        ...coatOf,
        element: oneOf('Piece', ELEMENTS),
        side: oneOf('Side', SIDES),
        kind: oneOf('Surface', SURFACE_KIND_IDS),
        wind: oneOf('Wind', WINDS),
        /** What was finished of it: net area times texture, m². */
        trueArea: area(),
        /** What of its paint soaked in, by the plan, m³. */
        absorbed: numberWithin('What soaked in', 0, 100, 'What soaks in is between 0 and 100,000 litres.'),
        /** All of the coat by the plan, m²; null where there is none. */
        whole: area().nullable(),
        /** Share of the fan that was over it, by the plan; null where there is none. */
        over: numberWithin(
          'Share of the fan over it',
          0.01,
          1,
          'The share of the fan over a piece is 1 to 100 %.',
        ).nullable(),
        weather,
      })
      .strict(),
  // What was not written down is taken as nothing, as it was then.
  older: [
    (payload) => ({ ...payload, absorbed: 0 }),
    // 3: of how much.
    (payload) => ({ ...payload, whole: null }),
    // 4: how much of the fan was over it.
    (payload) => ({ ...payload, over: null }),
  ],
  words: ({ coatingId, coat, trueArea, weather: then }, { show, coating, system }) =>
    joined([coatName(coat), coating(coatingId), show(trueArea, 'area'), weatherWords(then, system)]),
  core: (
    { coatingId: coating, coat, element, side, wind, trueArea, absorbed, whole, over, weather: then },
    surface,
  ) =>
    surface === undefined
      ? undefined
      : {
          kind: 'coat finished',
          surface,
          coating,
          coat,
          element,
          side,
          wind,
          trueArea,
          absorbed: quantity(absorbed),
          whole: whole ?? undefined,
          over: over === null ? undefined : quantity(over),
          // A film dries as fast as the colder of the two lets it.
          temperature: quantity(Math.min(then.air, then.surface ?? then.air)),
          humidity: quantity(then.humidity),
        },
});
