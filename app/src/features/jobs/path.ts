import { counted } from '@fine-spray/core/units';

/** Where a job stands, counted: what the stages of its path are told from. */
export interface JobStands {
  readonly surfaces: number;
  readonly rooms: number;
  /** Surfaces that have no set-up: their coating or machine is missing, or they are refused. */
  readonly refused: number;
  /** Missing while they are worked out. */
  readonly coatings: number | undefined;
  /** Likely paint in words; missing where there is none. */
  readonly paint: string | undefined;
  /** Offers by how they stand; missing for whom prices are none of their business. */
  readonly offers: { readonly all: number; readonly sent: number; readonly accepted: number } | undefined;
  /** When it is done by its plan, in words; missing where it is worked by none. */
  readonly planned: string | undefined;
  /** Deliveries written down. */
  readonly delivered: number;
  readonly coats: { readonly done: number; readonly all: number };
}

export const STAGES = ['measure', 'systems', 'quantities', 'order', 'buy', 'days', 'site', 'actual'] as const;
export type Stage = (typeof STAGES)[number];

export interface StageStands {
  readonly stage: Stage;
  readonly title: string;
  /** How it stands, or what is missing. */
  readonly text: string;
  readonly state: 'done' | 'open' | 'waits';
}

const stage = (name: Stage, title: string, state: StageStands['state'], text: string): StageStands => ({
  stage: name,
  title,
  state,
  text,
});

const WORKING = 'Being worked out …';

/** The stages of a job in the order people work. One waits where an earlier one has nothing for it yet. */
export function jobPath(stands: JobStands): readonly StageStands[] {
  const { surfaces, rooms, refused, coatings, paint, offers, planned, delivered, coats } = stands;
  const measured = surfaces > 0;
  const begun = coats.done > 0;
  const finished = coats.all > 0 && coats.done >= coats.all;
  const later = 'Measure something first.';
  return [
    stage(
      'measure',
      'Measure',
      measured ? 'done' : 'open',
      measured
        ? `${counted(surfaces, 'surface')} in ${counted(rooms, 'room')}`
        : 'Nothing is measured yet: a room gives its walls and ceiling.',
    ),
    stage(
      'systems',
      'Coating systems',
      !measured || coatings === undefined ? 'waits' : refused > 0 ? 'open' : 'done',
      !measured
        ? later
        : coatings === undefined
          ? WORKING
          : refused > 0
            ? `${counted(refused, 'surface has', 'surfaces have')} no set-up: look at them.`
            : counted(coatings, 'coating'),
    ),
    stage(
      'quantities',
      'What to buy',
      !measured || coatings === undefined ? 'waits' : coatings > 0 ? 'done' : 'open',
      !measured ? later : coatings === undefined ? WORKING : (paint ?? 'Nothing to buy yet.'),
    ),
    ...(offers
      ? [
          stage(
            'order',
            'Offers',
            !measured ? 'waits' : offers.accepted > 0 ? 'done' : 'open',
            !measured
              ? later
              : offers.accepted > 0
                ? 'Accepted'
                : offers.sent > 0
                  ? 'Sent, not answered yet'
                  : offers.all > 0
                    ? 'A draft, not sent yet'
                    : 'No offer yet',
          ),
        ]
      : []),
    stage(
      'days',
      'Plan the days',
      !measured ? 'waits' : planned === undefined ? 'open' : 'done',
      !measured ? later : (planned ?? 'Not planned yet'),
    ),
    stage(
      'buy',
      'Take along',
      !measured ? 'waits' : delivered > 0 ? 'done' : 'open',
      !measured
        ? later
        : delivered > 0
          ? `${counted(delivered, 'delivery', 'deliveries')} written down`
          : 'No delivery is written down yet.',
    ),
    stage(
      'site',
      'On site',
      !measured ? 'waits' : finished ? 'done' : 'open',
      !measured ? later : `${coats.done} of ${counted(coats.all, 'coat')} done`,
    ),
    stage(
      'actual',
      'Plan against actual',
      begun ? (finished ? 'done' : 'open') : 'waits',
      begun ? (finished ? 'All coats are in it.' : 'So far, by the log') : 'Nothing is sprayed yet.',
    ),
  ];
}

/** The one next thing: the first stage that is open; of a job that is being sprayed, the site. */
export function nextStage(
  path: readonly StageStands[],
  { coats }: Pick<JobStands, 'coats'>,
): Stage | undefined {
  const site = path.find(({ stage: name }) => name === 'site');
  if (coats.done > 0 && site?.state === 'open') return 'site';
  return path.find(({ state }) => state === 'open')?.stage;
}
