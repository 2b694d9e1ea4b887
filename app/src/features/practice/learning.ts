import { LEARNER_LIMITS, type ItemCard, type PracticeFields } from '@fine-spray/contract/practice';
import { allDrills, type Drill, type Skill } from '@fine-spray/core/practice';
import { Rating, State, createEmptyCard, fsrs, type Card, type Grade } from 'ts-fsrs';

/** Something that was done in practice; what is learned is a fold over these. */
export type Done = { readonly id: string; readonly at: string } & (
  | {
      readonly kind: 'answer';
      readonly item: string;
      readonly skill: string;
      readonly right: boolean;
      readonly seconds: number;
    }
  | {
      readonly kind: 'sprayed';
      readonly piece: string;
      readonly points: number;
      readonly costs: Readonly<Record<string, number>>;
    }
);

/**
 * The scheduler: the Free Spaced Repetition Scheduler as the package ts-fsrs has it, with its published parameters. Nine of ten are to be
 * known when they are asked; no chance in it, so that the same answers give the same days.
 */
export const SCHEDULER = fsrs({ request_retention: 0.9, enable_fuzz: false, enable_short_term: true });

/** Slower than this is hard, faster is easy, s (judgement). */
const PACE = { hard: 25, easy: 4 } as const;

export function gradeOf(right: boolean, seconds: number): Grade {
  if (!right) return Rating.Again;
  if (seconds > PACE.hard) return Rating.Hard;
  return seconds < PACE.easy ? Rating.Easy : Rating.Good;
}

const STATES = [State.New, State.Learning, State.Review, State.Relearning] as const;

function cardOf(kept: ItemCard | undefined, now: Date): Card {
  if (!kept) return createEmptyCard(now);
  const { due, stability, difficulty, reps, lapses, steps, state, last } = kept;
  return {
    ...createEmptyCard(new Date(last)),
    due: new Date(due),
    stability,
    difficulty,
    reps,
    lapses,
    learning_steps: steps,
    state: STATES[state] ?? State.New,
    last_review: new Date(last),
  };
}

const keptCard = (card: Card, at: Date): ItemCard => ({
  due: card.due.toISOString(),
  stability: card.stability,
  difficulty: card.difficulty,
  reps: card.reps,
  lapses: card.lapses,
  steps: card.learning_steps,
  state: card.state,
  last: at.toISOString(),
});

/** What is learned with one thing more; what is in it already changes nothing. */
export function learned(before: PracticeFields, done: Done): PracticeFields {
  if (before.taken.includes(done.id)) return before;
  const taken = [...before.taken, done.id].slice(-LEARNER_LIMITS.taken);
  if (done.kind === 'sprayed') {
    const { at, piece, points, costs } = done;
    const sprayed = [...before.sprayed, { at, piece, points, costs }];
    return { ...before, taken, sprayed: sprayed.slice(-LEARNER_LIMITS.sprayed) };
  }
  const at = new Date(done.at);
  const { card } = SCHEDULER.next(cardOf(before.items[done.item], at), at, gradeOf(done.right, done.seconds));
  const day = done.at.slice(0, 10);
  const isOf = (one: PracticeFields['days'][number]) => one.day === day && one.skill === done.skill;
  const had = before.days.find(isOf) ?? { day, skill: done.skill, asked: 0, right: 0 };
  const now = { ...had, asked: had.asked + 1, right: had.right + (done.right ? 1 : 0) };
  return {
    ...before,
    taken,
    items: { ...before.items, [done.item]: keptCard(card, at) },
    days: [...before.days.filter((one) => !isOf(one)), now].slice(-LEARNER_LIMITS.days),
  };
}

/** How likely an item is known now, 0 to 1; nothing where it was never asked. */
export function known({ items }: PracticeFields, item: string, now: Date): number | undefined {
  const kept = items[item];
  return kept && SCHEDULER.get_retrievability(cardOf(kept, now), now, false);
}

/** So many are asked in five minutes. */
const SESSION = 12;
/** Of these so many are new at most, so that what was begun is not left. */
const NEW = 6;

/**
 * What is asked now: what is due, what is likely forgotten first; then what was never asked, in the order of skills that are wanted most.
 * @param only one skill, or all of them
 * @param wanted skills that somebody's own work says to practise
 */
export function session(
  state: PracticeFields,
  now: Date,
  only?: Skill,
  wanted: readonly Skill[] = [],
): readonly Drill[] {
  const drills = allDrills().filter(({ skill }) => only === undefined || skill === only);
  const due = drills
    .filter(({ item }) => {
      const kept = state.items[item];
      return kept !== undefined && new Date(kept.due) <= now;
    })
    .sort((a, b) => (known(state, a.item, now) ?? 0) - (known(state, b.item, now) ?? 0));
  const rank = ({ skill }: Drill) => (wanted.includes(skill) ? wanted.indexOf(skill) : wanted.length);
  const fresh = turnAbout(drills.filter(({ item }) => !(item in state.items))).sort(
    (a, b) => rank(a) - rank(b),
  );
  const first = due.slice(0, SESSION);
  const next = fresh.slice(0, Math.min(only ? SESSION : NEW, SESSION - first.length));
  const rest =
    only && first.length + next.length === 0
      ? [...drills]
          .sort((a, b) => (known(state, a.item, now) ?? 0) - (known(state, b.item, now) ?? 0))
          .slice(0, SESSION)
      : [];
  return [...first, ...next, ...rest];
}

/** One of each skill, then another of each: nobody is asked twelve tip codes in a row. */
function turnAbout(drills: readonly Drill[]): Drill[] {
  const of = new Map<Skill, Drill[]>();
  for (const drill of drills) of.set(drill.skill, [...(of.get(drill.skill) ?? []), drill]);
  const rows = [...of.values()];
  const longest = Math.max(0, ...rows.map(({ length }) => length));
  return Array.from({ length: longest }, (_unused, index) => rows.flatMap((row) => row[index] ?? [])).flat();
}

/** How somebody does in a skill. */
export interface Standing {
  readonly asked: number;
  /** Share that was right of the last ones, with its 95 % interval (Wilson 1927); nothing where nothing was asked. */
  readonly share: { readonly value: number; readonly low: number; readonly high: number } | undefined;
}

/** Days that count for how somebody does now. */
const LAST_DAYS = 10;

export function standing({ days }: PracticeFields, skill: Skill): Standing {
  const own = days
    .filter((one) => one.skill === skill)
    .sort((a, b) => (a.day < b.day ? 1 : -1))
    .slice(0, LAST_DAYS);
  const asked = own.reduce((sum, one) => sum + one.asked, 0);
  if (asked === 0) return { asked, share: undefined };
  const p = own.reduce((sum, one) => sum + one.right, 0) / asked;
  const z = 1.96;
  const middle = (p + (z * z) / (2 * asked)) / (1 + (z * z) / asked);
  const half = (z / (1 + (z * z) / asked)) * Math.sqrt((p * (1 - p)) / asked + (z * z) / (4 * asked * asked));
  return { asked, share: { value: p, low: Math.max(0, middle - half), high: Math.min(1, middle + half) } };
}
