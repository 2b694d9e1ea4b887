import { ELEMENTS, SIDES, SURFACE_KIND_IDS, WINDS } from '@fine-spray/core/takeoff';
import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { numberWithin, oneOf } from '../../primitives';
import { entryKind } from '../kind';
import { coatOf, weather } from '../parts';
import { coatName, joined, weatherWords } from '../say';

const area = numberWithin('Area', 0.001, 100_000, 'An area is between 0.001 and 100,000 m².');

export const coatFinished = entryKind({
  name: 'Coat finished',
  payload: z
    .object({
      ...coatOf,
      element: oneOf('Piece', ELEMENTS),
      side: oneOf('Side', SIDES),
      kind: oneOf('Surface', SURFACE_KIND_IDS),
      wind: oneOf('Wind', WINDS),
      /** What was finished of it: net area times texture, m². */
      trueArea: area,
      /** What of its paint soaked in, by the plan, m³. */
      absorbed: numberWithin('What soaked in', 0, 100, 'What soaks in is between 0 and 100,000 litres.'),
      /** All of the coat by the plan, m²; null where there is none. */
      whole: area.nullable(),
      weather,
    })
    .strict(),
  // What was not written down is taken as nothing, as it was then.
  older: [
    (payload) => ({ ...payload, absorbed: 0 }),
    // 3: of how much.
    (payload) => ({ ...payload, whole: null }),
  ],
  words: ({ coatingId, coat, trueArea, weather: then }, { show, coating, system }) =>
    joined([coatName(coat), coating(coatingId), show(trueArea, 'area'), weatherWords(then, system)]),
  core: (
    { coatingId: coating, coat, element, side, wind, trueArea, absorbed, whole, weather: then },
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
          // A film dries as fast as the colder of the two lets it.
          temperature: quantity(Math.min(then.air, then.surface ?? then.air)),
          humidity: quantity(then.humidity),
        },
});
