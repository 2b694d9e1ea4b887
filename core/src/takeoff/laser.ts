import { normal, type Random } from '../random';
import { accept, quantity, refuse, type Length, type Result } from '../units';

/** What a hand-held laser measure of the usual class does: reach and accuracy (2 σ), m; it shows whole millimetres. */
export const LASER = { least: 0.05, most: 50, accuracy: 0.002 } as const;

/**
 * The reading of the simulated laser measure that ships with the product: the distance with its noise, in whole
 * millimetres; refused out of its reach, as a real one would.
 */
export function laserReading(distance: Length, random: Random): Result<Length> {
  if (!(distance >= LASER.least && distance <= LASER.most)) {
    return refuse('laser.reach', 'distance', 'The laser reaches from 0.05 to 50 m. Aim at something nearer.');
  }
  const read = distance + (LASER.accuracy / 2) * normal(random);
  return accept(quantity(Math.round(read * 1000) / 1000));
}
