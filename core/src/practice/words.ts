import { showText, type UnitSystem } from '../units';
import type { Advice, Correction } from './advice';
import type { Judged, Mark } from './score';
import type { PracticeTarget } from './target';

/** What a mark is called. */
export const MARK_NAMES: Readonly<Record<Judged, string>> = {
  mean: 'Mean film',
  evenness: 'Varies by',
  thin: 'Too thin',
  sag: 'Over the sag limit',
  missed: 'Missed',
  beside: 'Beside the piece',
  triggers: 'Trigger on the piece',
  time: 'Time',
};

/** Why a mark counts, in a sentence. */
export const MARK_REASONS: Readonly<Record<Judged, string>> = {
  mean: 'The film all over the piece against the one wanted.',
  evenness: 'Standard deviation of the film over its mean: thick beside thin shows as stripes.',
  thin: 'Share of the piece under four fifths of the film wanted: it grins through.',
  sag: 'Share of the piece that runs.',
  missed: 'Spots with next to nothing on them, as a share of the piece.',
  beside: 'Share of the paint that landed next to the piece.',
  triggers: 'Pulled or let go over the piece, for each pass: every one leaves a blob.',
  time: 'From the first move to the last, over the time of the planned passes.',
};

/** A share as one says it: never nothing for a little. */
export const littleText = (share: number, system: UnitSystem): string =>
  share > 0 && share < 0.005 ? 'under 1 %' : showText(share, 'percent', system);

/** The figure of a mark as people say it. */
export function markText(
  { of, value }: Pick<Mark, 'of' | 'value'>,
  wanted: number,
  system: UnitSystem,
): string {
  switch (of) {
    case 'mean':
      return showText(value * wanted, 'wetFilm', system);
    case 'triggers':
      return `${(Math.round(value * 10) / 10).toFixed(1)} a pass`;
    case 'time':
      return `${(Math.round(value * 10) / 10).toFixed(1)} of the plan`;
    default:
      return littleText(value, system);
  }
}

/** A mean film this near the planned one is right: what is wrong with the speed is that it changes. */
const EVEN = 0.05;

/** What to do about a correction, where the film shows which way. */
function doWhat(
  correction: Correction,
  { score }: Advice,
  { settings }: PracticeTarget,
  system: UnitSystem,
): string {
  const mark = (of: Judged) => score.marks.find((one) => one.of === of);
  const mean = mark('mean');
  const off = (mean?.value ?? 1) - (mean?.planned ?? 1);
  const how =
    off > EVEN ? 'Move faster and evenly' : off < -EVEN ? 'Move more slowly and evenly' : 'Move evenly';
  switch (correction) {
    case 'speed':
      return `${how}: ${showText(settings.gunSpeed, 'speed', system)} all along the pass.`;
    case 'spacing':
      return `Lay the passes evenly: ${showText(settings.fanWidth * (1 - settings.overlap), 'fanWidth', system)} from one to the next, from edge to edge.`;
    case 'distance':
      return `Hold the gun ${showText(settings.distance, 'distance', system)} from the piece.`;
    case 'trigger':
      return 'Pull and let go beside the piece: move before the trigger, let go before the stop.';
    case 'tilt':
      return 'Lock the wrist: the gun square to the piece, the body goes along.';
  }
}

/** The one thing to change first, in a sentence; says so where nothing alone would raise the score. */
export function adviceText(advice: Advice, target: PracticeTarget, system: UnitSystem): string {
  const { first, score } = advice;
  if (first)
    return `${doWhat(first.correction, advice, target, system)} That alone would bring it from ${Math.round(score.points)} to ${Math.round(first.points)}.`;
  return score.points >= 80
    ? 'No one thing would make it better: go on like this.'
    : 'No one thing by itself would make it better: spray it again, slowly, along the ghost.';
}

/** What a film looks like, for whoever does not see it. */
export function filmText({ score }: Advice, { wanted }: PracticeTarget, system: UnitSystem): string {
  const percent = (share: number) => showText(share, 'percent', system);
  const { statistics } = score.result;
  const { shareUnderMinimum, shareOverSag, holidays, mean, variation } = statistics;
  const missed =
    holidays.length === 0
      ? 'nothing missed'
      : `${holidays.length} missed ${holidays.length === 1 ? 'spot' : 'spots'}`;
  return `Mean film ${showText(mean, 'wetFilm', system)} of ${showText(wanted, 'wetFilm', system)}, varying by ${percent(variation)}. ${percent(shareUnderMinimum)} is thin, ${percent(shareOverSag)} over the sag limit, ${missed}.`;
}
