import { NOTHING_LEARNED, practiceFields } from '@fine-spray/contract/practice';
import { SKILL_IDS, allDrills } from '@fine-spray/core/practice';
import { Rating, createEmptyCard, fsrs, type Grade } from 'ts-fsrs';
import { SCHEDULER, gradeOf, learned, session, standing, type Done } from './learning';
import { shareText, spreadText } from './words';

const id = (count: number) => `01930000-0000-7000-8000-${String(count).padStart(12, '0')}`;
const START = Date.UTC(2026, 9, 1, 16);
const DAY = 86_400_000;

function answer(count: number, more: Partial<Extract<Done, { kind: 'answer' }>> = {}): Done {
  return {
    id: id(count),
    at: new Date(START + count * 60_000).toISOString(),
    kind: 'answer',
    item: 'three digits',
    skill: 'tip codes',
    right: true,
    seconds: 10,
    ...more,
  };
}

describe('the scheduler', () => {
  it('is FSRS 6 by the vector that is published with it: thirteen ratings, and the days to the next time', () => {
    const { Good, Again } = Rating;
    const ratings: readonly Grade[] = [
      Good,
      Good,
      Good,
      Good,
      Good,
      Good,
      Again,
      Again,
      Good,
      Good,
      Good,
      Good,
      Good,
    ];
    const plain = fsrs({ enable_fuzz: false });
    let now = new Date('2022-11-29T12:30:00Z');
    let card = createEmptyCard(now);
    const days = ratings.map((rating) => {
      ({ card } = plain.next(card, now, rating));
      now = card.due;
      return card.scheduled_days;
    });
    expect(days).toEqual([0, 2, 11, 46, 163, 498, 0, 0, 2, 4, 7, 12, 21]);
  });

  it('is asked through what is kept of a card as if the card had never been put away', () => {
    const rights = [true, true, false, true, true, true];
    let state = NOTHING_LEARNED;
    let card = createEmptyCard(new Date(START));
    rights.forEach((right, index) => {
      const at = new Date(START + index * 3 * DAY);
      state = learned(state, answer(index, { right, at: at.toISOString() }));
      ({ card } = SCHEDULER.next(card, at, gradeOf(right, 10)));
      expect(state.items['three digits']).toMatchObject({
        due: card.due.toISOString(),
        stability: card.stability,
        difficulty: card.difficulty,
        reps: card.reps,
        lapses: card.lapses,
      });
      state = practiceFields.parse(JSON.parse(JSON.stringify(state)));
    });
  });

  it('takes a slow answer as hard, a quick one as easy, a wrong one as forgotten', () => {
    expect([gradeOf(true, 2), gradeOf(true, 10), gradeOf(true, 40), gradeOf(false, 2)]).toEqual([
      Rating.Easy,
      Rating.Good,
      Rating.Hard,
      Rating.Again,
    ]);
  });
});

describe('what is learned', () => {
  it('counts what comes twice once, whatever came between', () => {
    const once = [1, 2, 3].map((count) => answer(count)).reduce(learned, NOTHING_LEARNED);
    const twice = [1, 2, 1, 3, 2, 3].map((count) => answer(count)).reduce(learned, NOTHING_LEARNED);
    expect(twice).toEqual(once);
    expect(once.days).toEqual([{ day: '2026-10-01', skill: 'tip codes', asked: 3, right: 3 }]);
  });

  it('is a row that the server takes, however long somebody practises', () => {
    const drills = allDrills();
    let state = NOTHING_LEARNED;
    for (let count = 0; count < 1500; count += 1) {
      const { item, skill } = drills[count % drills.length] ?? { item: '', skill: 'comb' };
      state = learned(
        state,
        answer(count, { item, skill, right: count % 3 > 0, at: new Date(START + count * DAY).toISOString() }),
      );
      if (count % 3 === 0)
        state = learned(state, {
          id: id(50_000 + count),
          at: new Date(START + count * DAY).toISOString(),
          kind: 'sprayed',
          piece: 'wall',
          points: 50,
          costs: { mean: 3 },
        });
    }
    expect(practiceFields.safeParse(state).success).toBe(true);
    expect(JSON.stringify(state).length).toBeLessThan(250_000);
  });
});

describe('a session', () => {
  const now = new Date(START);

  it('begins with one of each skill for somebody new, and with what their work says', () => {
    const first = session(NOTHING_LEARNED, now);
    expect(first.length).toBeGreaterThan(4);
    expect(new Set(first.map(({ skill }) => skill)).size).toBe(first.length);
    expect(session(NOTHING_LEARNED, now, undefined, ['comb'])[0]?.skill).toBe('comb');
  });

  it('asks what is due, what is likeliest forgotten first, and nothing that is not', () => {
    let state = learned(NOTHING_LEARNED, answer(1, { item: 'three digits', right: true, seconds: 2 }));
    state = learned(state, answer(2, { item: 'four digits', right: false }));
    state = learned(state, answer(3, { item: 'comb: too thin', skill: 'comb', right: true, seconds: 2 }));
    const soon = session(state, new Date(START + 30 * 60_000)).map(({ item }) => item);
    expect(soon[0]).toBe('four digits');
    expect(soon).not.toContain('three digits');
    const later = session(state, new Date(START + 60 * DAY)).map(({ item }) => item);
    expect(later.slice(0, 3)).toEqual(
      expect.arrayContaining(['four digits', 'three digits', 'comb: too thin']),
    );
    expect(later[0]).toBe('four digits');
  });

  it('has something of a skill that is asked for, also where nothing of it is due', () => {
    for (const skill of SKILL_IDS) {
      let state = NOTHING_LEARNED;
      for (const [index, { item }] of allDrills().entries())
        state = learned(state, answer(index, { item, skill, right: true, seconds: 1 }));
      expect(session(state, now).length).toBe(0);
      const asked = session(state, now, skill);
      expect(asked.length).toBeGreaterThan(0);
      expect(asked.every((drill) => drill.skill === skill)).toBe(true);
    }
  });
});

describe('how somebody does', () => {
  it('says how far it may be off, and next to nothing of a few answers', () => {
    const of = (rights: readonly boolean[]) =>
      rights.map((right, count) => answer(count, { right })).reduce(learned, NOTHING_LEARNED);
    expect(shareText(standing(NOTHING_LEARNED, 'comb'))).toBe('new');
    expect(shareText(standing(of([true, true]), 'tip codes'))).toBe('2 answered');
    // Wilson's interval of 8 of 10 at 95 %: 0.490 to 0.943.
    const eight = [...Array.from({ length: 8 }, () => true), false, false];
    expect(shareText(standing(of(eight), 'tip codes'))).toBe('80 % (49 to 94)');
    expect(spreadText([40, 60, 80])).toBe('60 (40 to 80)');
    expect(spreadText([71.4])).toBe('71');
  });
});
