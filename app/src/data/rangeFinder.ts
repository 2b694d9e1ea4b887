import { laserReading } from '@fine-spray/core/takeoff';
import { seeded } from '@fine-spray/core/random';
import { quantity, type Length, type Result } from '@fine-spray/core/units';

/** A laser measure, real or simulated: it answers a press with the distance it reads. */
export interface RangeFinder {
  readonly name: string;
  /** Takes one reading; the way a press on the device arrives. */
  readonly press: () => Result<Length>;
}

/** The stand-in that ships with the product: aimed at a distance, it reads it with the noise of a real one. */
export interface SimulatedRangeFinder extends RangeFinder {
  readonly aim: (distance: number) => void;
}

/** A simulated laser measure; the same seed gives the same readings. */
export function simulatedRangeFinder(seed: number, aimedAt: number): SimulatedRangeFinder {
  const random = seeded(seed);
  let distance = aimedAt;
  return {
    name: 'Simulated laser measure',
    aim: (to) => {
      distance = to;
    },
    press: () => laserReading(quantity(distance), random),
  };
}
