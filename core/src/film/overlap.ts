import { explain, workingDefault, type Explained, type Input } from '../explain';
import { accept, refuse, type Result } from '../units';
import type { FanProfile } from './profile';
import { HAND_SCATTER, expectedVariation } from './variation';

/** The two schools of overlap. */
export const OVERLAP_SCHOOLS = [
  { share: 1 / 2, name: 'one half' },
  { share: 1 / 3, name: 'one third' },
] as const;

export type OverlapSchool = (typeof OVERLAP_SCHOOLS)[number]['name'];

export interface OverlapVerdict {
  readonly share: number;
  readonly name: OverlapSchool;
  /** Mean film variation of the chosen school and of the other. */
  readonly variation: number;
  readonly otherVariation: number;
}

/**
 * Decides between the half and the third school: the smaller mean variation with the width misjudged by ±10 % and the
 * hand's scatter. A school asked for is taken, with its variation beside the other's.
 * @param visible share of the support that the eye takes for the width, as the simulation has it
 */
export function betterOverlap(profile: FanProfile, asked?: OverlapSchool, visible = 1): OverlapVerdict {
  const [half, third] = OVERLAP_SCHOOLS.map((school) => ({
    ...school,
    variation: expectedVariation(profile, school.share, HAND_SCATTER, visible),
  }));
  if (!half || !third) throw new Error('betterOverlap: both schools are needed');
  const halfIsBest = asked === undefined ? half.variation <= third.variation : asked === half.name;
  const [best, other] = halfIsBest ? [half, third] : [third, half];
  return { ...best, otherVariation: other.variation };
}

/** Overlaps looked at: beyond one half every further pass costs more paint and time than it evens out. */
const WIDEST = 0.5;
const STEP = 0.02;

export interface OverlapAdvice {
  readonly verdict: OverlapVerdict;
  /** The overlap with the least variation between the schools, and its variation. */
  readonly best: Explained;
  readonly bestVariation: number;
  /** Overlap against expected variation, to draw. */
  readonly curve: readonly { readonly overlap: number; readonly variation: number }[];
}

const hand = (): Input =>
  workingDefault('Scatter of the hand', 'percent', HAND_SCATTER, 0.03, 0.08, 'Share of the fan width');

/** Variation of any overlap up to one half, the best one, and the verdict between the schools. */
export function overlapAdvice(profile: FanProfile, asked?: OverlapSchool, visible = 1): OverlapAdvice {
  const curve = Array.from({ length: Math.round(WIDEST / STEP) + 1 }, (_, index) => {
    const overlap = index * STEP;
    return { overlap, variation: expectedVariation(profile, overlap, HAND_SCATTER, visible) };
  });
  const [first] = curve;
  if (!first) throw new Error('overlapAdvice: the curve is empty');
  const best = curve.reduce((least, point) => (point.variation < least.variation ? point : least), first);
  const nearly = curve
    .filter(({ variation }) => variation <= best.variation * 1.1)
    .map(({ overlap }) => overlap);
  return {
    verdict: betterOverlap(profile, asked, visible),
    best: {
      ...explain('best overlap', 'percent', { hand: hand() }, () => best.overlap),
      low: Math.min(...nearly),
      high: Math.max(...nearly),
    },
    bestVariation: best.variation,
    curve,
  };
}

/** Film variation expected of one overlap, as the schools are compared by it. Refuses an overlap that is none. */
export function variationOf(profile: FanProfile, overlap: number, visible = 1): Result<Explained> {
  if (!(overlap >= 0 && overlap <= 0.95)) {
    return refuse(
      'overlap',
      'overlap',
      'The overlap is a share of the fan from 0 to 95 %: at 100 % every pass lies on the one before.',
    );
  }
  return accept(
    explain('film variation', 'percent', { hand: hand() }, (v) =>
      expectedVariation(profile, overlap, v.hand, visible),
    ),
  );
}
