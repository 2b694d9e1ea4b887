import type { PracticeFields } from '@fine-spray/contract/practice';
import type { Standing } from './learning';

/** How somebody does in a skill, with how far it may be off: a few answers say little. */
export function shareText({ asked, share }: Standing): string {
  if (!share) return 'new';
  const percent = (value: number) => Math.round(value * 100);
  return asked < 5
    ? `${asked} answered`
    : `${percent(share.value)} % (${percent(share.low)} to ${percent(share.high)})`;
}

/** Points of what was sprayed last on a piece, so many of them, the newest last. */
export const lastPoints = ({ sprayed }: PracticeFields, piece: string, count: number): readonly number[] =>
  sprayed
    .filter((one) => one.piece === piece)
    .slice(-count)
    .map(({ points }) => points);

export const meanOf = (points: readonly number[]): number =>
  points.reduce((sum, one) => sum + one, 0) / Math.max(1, points.length);

/** So many of the last ones count. */
const LAST = 5;

/** Points of the last films, from the least to the most of them. */
export function spreadText(points: readonly number[]): string {
  const last = points.slice(-LAST);
  const round = (value: number) => Math.round(value);
  const mean = meanOf(last);
  return last.length < 2
    ? String(round(mean))
    : `${round(mean)} (${round(Math.min(...last))} to ${round(Math.max(...last))})`;
}
