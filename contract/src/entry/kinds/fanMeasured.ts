import { GUN_DISTANCE_LIMITS, NOMINAL_DISTANCE } from '@fine-spray/core/tip';
import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { id, numberWithin } from '../../primitives';
import { entryKind } from '../kind';
import { fanWidth, pressure } from '../parts';
import { joined } from '../say';

export const fanMeasured = entryKind({
  name: 'Fan measured',
  payload: () =>
    z
      .object({
        tipId: id,
        width: fanWidth,
        /** From the wall, m. */
        distance: numberWithin(
          'Distance',
          GUN_DISTANCE_LIMITS.min,
          GUN_DISTANCE_LIMITS.max,
          'The gun is between 50 mm and 1 m from the card.',
        ),
        /** At the gun, Pa; null where nobody looked. */
        gun: pressure('Gun pressure').nullable(),
      })
      .strict(),
  // 2: the pressure at the gun.
  older: [(payload) => ({ ...payload, gun: null })],
  words: ({ tipId, width, distance, gun }, { show, tip }) =>
    joined([
      tip(tipId),
      `${show(width, 'fanWidth')} at ${show(distance, 'distance')}`,
      gun !== null && show(gun, 'pressure'),
    ]),
  core: ({ tipId: tip, width, distance }) => ({
    kind: 'fan measured',
    tip,
    // A fan opens in proportion to the distance.
    width: quantity((width * NOMINAL_DISTANCE) / distance),
  }),
});
