import { WEAR } from '../tip';

/** Share of the extra film of a wearing tip that the hand does not make good by the comb; working judgement. */
export const WEAR_LEFT = { likely: 0.5, low: 0.2, high: 0.8 } as const;

/** Paint sprayed by tips that wear, for what new tips would spray: the part of the extra that the hand leaves in. */
export function withWear(sprayed: number, { wear, life }: { wear: number; life: number }): number {
  return sprayed * (1 + wear * extraByWear(sprayed / life));
}

/**
 * Extra paint of tips that wear while they spray, relative, were the gun speed kept: flow rises to 1.4 and the fan
 * narrows to 0.75 in proportion to the litres of one tip's life, so film goes as (1 + 0.4 x)/(1 − 0.25 x); its mean from a
 * new tip to the share of its life that is sprayed, in closed form. A tip is replaced at the end of its life.
 */
export function extraByWear(lives: number): number {
  if (!(lives > 0)) return 0;
  const { extraFlow: a, narrowing: b } = WEAR;
  const meanTo = (x: number) => -a / b - (1 + a / b) * (Math.log(1 - b * x) / (b * x)) - 1;
  if (lives <= 1) return meanTo(lives);
  const whole = Math.floor(lives);
  const rest = lives - whole;
  return (whole * meanTo(1) + (rest > 0 ? rest * meanTo(rest) : 0)) / lives;
}
