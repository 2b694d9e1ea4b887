import { explain, given, type Explained, type Input } from '../explain';
import { WEAR } from '../tip';

/** From so much of its life on a tip has a spare with it: it may have been worn before. */
const SPARE_FROM = 0.5;

/** Tips to have besides the one that is fitted, for work that wears so many lives of one, by the short end of a life: none for a little. */
export const sparesFor = (lives: number): number => Math.max(0, Math.ceil(lives - SPARE_FROM));

/** What spraying wears of tips, as lives of one: what a job is charged with, however many are bought for it. */
export function tipWear(
  paint: readonly { readonly name: string; readonly likely: number; readonly life: Input }[],
): Explained {
  const inputs = Object.fromEntries(
    paint.flatMap(({ name, likely, life }, index) => [
      [`paint ${index}`, given(`Paint sprayed, ${name}`, 'volume', likely, 'Likely paint of the job')],
      [`life ${index}`, { ...life, label: `Life of a tip with ${name}` }],
    ]),
  );
  return explain('tip wear', 'tips', inputs, (v) =>
    paint.reduce((sum, _one, index) => sum + (v[`paint ${index}`] ?? 0) / (v[`life ${index}`] ?? 1), 0),
  );
}

/** Share of the extra film of a wearing tip that the hand does not make good by the comb; working judgement. */
export const WEAR_LEFT = { likely: 0.5, low: 0.2, high: 0.8 } as const;

/** Paint sprayed by tips that wear, for what new tips would spray: the part of the extra that the hand leaves in. */
export function withWear(sprayed: number, wear: number, life: number): number {
  return sprayed * (1 + wear * extraByWear(sprayed / life));
}

const { extraFlow: FLOW, narrowing: NARROWING } = WEAR;

/** Mean of the extra from a new tip to a share of its life. */
const meanTo = (share: number) =>
  -FLOW / NARROWING - (1 + FLOW / NARROWING) * (Math.log(1 - NARROWING * share) / (NARROWING * share)) - 1;

const WHOLE_LIFE = meanTo(1);

/**
 * Extra paint of tips that wear while they spray, relative, were the gun speed kept: flow rises to 1.4 and the fan
 * narrows to 0.75 in proportion to the litres of one tip's life, so film goes as (1 + 0.4 x)/(1 − 0.25 x); its mean from a
 * new tip to the share of its life that is sprayed, in closed form. A tip is replaced at the end of its life.
 */
export function extraByWear(lives: number): number {
  if (!(lives > 0)) return 0;
  if (lives <= 1) return meanTo(lives);
  const whole = Math.floor(lives);
  const rest = lives - whole;
  return (whole * WHOLE_LIFE + (rest > 0 ? rest * meanTo(rest) : 0)) / lives;
}
