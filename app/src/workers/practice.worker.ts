import {
  adviceText,
  advise,
  filmText,
  scored,
  targetOf,
  usualHand,
  yardstickOf,
  type Corrected,
  type Mark,
  type Recording,
} from '@fine-spray/core/practice';
import { seeded } from '@fine-spray/core/random';
import type { SetupRequest } from '@fine-spray/core/setup';
import type { UnitSystem } from '@fine-spray/core/units';
import { filmBands, type FilmPictureData } from './filmBands';

/** What somebody sprayed on a piece, to be judged. */
export interface PracticeOrder {
  readonly request: SetupRequest;
  readonly recording: Recording;
  readonly system: UnitSystem;
}

/** How it went. */
export interface Judgement {
  readonly points: number;
  readonly marks: readonly Mark[];
  readonly wanted: number;
  /** What a usual hand comes to on this piece. */
  readonly usual: number;
  readonly corrected: readonly Corrected[];
  readonly first: Corrected | undefined;
  /** The one thing to change first, and what the film looks like, in sentences. */
  readonly advice: string;
  readonly looks: string;
  readonly film: FilmPictureData;
}

export type PracticeReport =
  | { readonly kind: 'done'; readonly judgement: Judgement }
  | { readonly kind: 'refused'; readonly message: string };

/** A usual hand is the same each time. */
const USUAL = 20;

function judged({ request, recording, system }: PracticeOrder): PracticeReport {
  const refused = (message: string): PracticeReport => ({ kind: 'refused', message });
  const target = targetOf(request, system);
  if (!target.ok) return refused(target.message);
  const yardstick = yardstickOf(target.value);
  if (!yardstick.ok) return refused(yardstick.message);
  const advice = advise(target.value, recording, yardstick.value);
  if (!advice.ok) return refused(advice.message);
  const usual = scored(target.value, usualHand(target.value, seeded(USUAL)), yardstick.value);
  const { score, corrected, first } = advice.value;
  const { minimum, sagLimit } = target.value.wall.job.limits;
  const { wanted } = target.value;
  return {
    kind: 'done',
    judgement: {
      points: score.points,
      marks: score.marks,
      wanted,
      usual: usual.ok ? usual.value.points : 100,
      corrected,
      first,
      advice: adviceText(advice.value, target.value, system),
      looks: filmText(advice.value, target.value, system),
      film: filmBands(score.result, { minimum, sagLimit, wanted }),
    },
  };
}

const worker = globalThis as unknown as {
  onmessage: ((event: { data: PracticeOrder }) => void) | null;
  postMessage: (report: PracticeReport) => void;
};

worker.onmessage = ({ data }) => worker.postMessage(judged(data));
