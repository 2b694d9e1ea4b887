import type { JobToWorkOut, SiteAsked, SitePlanned } from '@fine-spray/contract/planning';
import { readTable, writeDays } from '@fine-spray/contract/formats';
import { renderHook } from '@testing-library/react-native';
import { heldWorkers } from '@/testing/heldWorker';
import type { DaysOrder, DaysReport } from '@/workers/days.worker';
import { dayRows } from './dayRows';
import { settingsOtherwise } from './OtherWays';
import { writePlanCalendar } from './planCalendar';
import { dayText, firstDay, momentOf, momentText, readSettings, timesOf, type DaySettings } from './settings';
import { useDays } from './useDays';

const SETTINGS: DaySettings = {
  ...{ first: '2026-12-01', people: 2, sprayers: 1, school: 'trim first' },
  closed: { 'Boat hall': [0], Galley: [] },
};
const now = new Date(2026, 10, 30, 9, 20);
type Plan = Extract<SitePlanned, { ok: true }>;

describe('how the days are planned', () => {
  it('is read from what was kept, and not where it is none of it', () => {
    expect(readSettings(SETTINGS)).toEqual(SETTINGS);
    for (const wrong of [
      null,
      'x',
      {},
      { ...SETTINGS, people: 0 },
      { ...SETTINGS, school: 'doors first' },
      { ...SETTINGS, first: 'soon' },
      { ...SETTINGS, sprayers: 9 },
    ])
      expect(readSettings(wrong)).toBeUndefined();
    expect(readSettings({ ...SETTINGS, closed: { Hall: [9], Attic: [4] } })?.closed).toEqual({ Attic: [4] });
  });

  it('begins no earlier than today, and of today with what is left of it', () => {
    expect(firstDay('2026-11-02', now).getDate()).toBe(30);
    const today = timesOf({ ...SETTINGS, first: '2026-11-02' }, now);
    expect([today.firstWeekday, today.from]).toEqual([0, 9 * 60 + 20]);
    const later = timesOf(SETTINGS, now);
    // Tuesday; the hall is shut on Mondays: six days later, and each week
    expect([later.firstWeekday, later.from]).toEqual([1, 0]);
    expect(later.closed['Boat hall']?.slice(0, 2)).toEqual([6, 13]);
    expect(later.closed).not.toHaveProperty('Galley');
  });

  it('says minutes as days and hours', () => {
    const first = firstDay('2026-12-01', now);
    expect(momentText(first, 2 * 1440 + 15 * 60 + 40)).toBe('Thursday 3 December, 15:40');
    expect(dayText(first, 6)).toBe('Monday 7 December');
    expect(momentOf(first, 1440 + 60).getHours()).toBe(1);
  });

  it('is changed by another way', () => {
    expect(settingsOtherwise(SETTINGS, 'one person more').people).toBe(3);
    expect(settingsOtherwise(SETTINGS, 'another sprayer').sprayers).toBe(2);
    expect(settingsOtherwise(SETTINGS, 'the other order').school).toBe('walls first');
    expect(settingsOtherwise({ ...SETTINGS, school: 'walls first' }, 'the other order').school).toBe(
      'trim first',
    );
  });
});

describe('the search', () => {
  const asked = { seed: 1, tries: 10, sprayers: 1 } as SiteAsked;
  const planned: SitePlanned = { ok: false, messages: ['No.'] };
  const open = () => {
    const held = heldWorkers((_order: DaysOrder): DaysReport => ({ kind: 'done', planned }));
    const job = {} as JobToWorkOut;
    const hook = renderHook((wish: SiteAsked) => useDays(job, wish, held.startWorker), {
      initialProps: asked,
    });
    return { ...held, ...hook };
  };

  it('tells how far it is, then the plan, then other ways; another wish ends it', () => {
    const { result, rerender, latest, workers } = open();
    expect(result.current.state).toEqual({ kind: 'searching', share: 0 });
    latest().report({ kind: 'searching', share: 0.5, finish: 900 });
    expect(result.current.state).toMatchObject({ share: 0.5, finish: 900 });
    latest().report({ kind: 'done', planned });
    expect(result.current.state).toEqual({ kind: 'done', planned });
    latest().report({ kind: 'others', others: [] });
    expect(result.current.state).toEqual({ kind: 'done', planned, others: [] });
    rerender({ ...asked, sprayers: 2 });
    expect(workers[0]?.ended).toBe(true);
    expect(latest().order?.asked.sprayers).toBe(2);
  });
});

describe('a plan as a table', () => {
  it('has a row for each task in the order they begin, and reads back', () => {
    const day = { from: 480, to: 960 };
    const plan = {
      tasks: [
        { id: 'b', name: '=Hall: coat', room: 'Hall', kind: 'hand', minutes: 60, people: 1, after: [] },
        { id: 'a', name: 'Hall: protect', room: 'Hall', kind: 'hand', minutes: 60, people: 2, after: [] },
      ],
      plan: {
        placed: [
          { task: 'b', start: 930, end: 1440 + 510, setUp: 15 },
          { task: 'a', start: 480, end: 540, setUp: 0 },
        ],
      },
      times: {
        ...{ firstWeekday: 1, from: 0, day, breaks: [], workdays: [0, 1, 2, 3, 4], people: 2 },
        away: {},
        closed: {},
      },
    } as unknown as Plan;
    const table = readTable(new TextEncoder().encode(writeDays(dayRows(firstDay('2026-12-01', now), plan))));
    expect(table.ok && table.value.rows.map(({ cells }) => cells)).toEqual([
      ['2026-12-01', '08:00', '09:00', 'Hall: protect', 'Hall', 'A, B', '0'],
      ['2026-12-01', '15:30', '2026-12-02 08:30', "'=Hall: coat", 'Hall', 'A', '15'],
    ]);
  });
});

describe('a plan as a calendar', () => {
  const first = firstDay('2026-12-01', now);
  const plan = {
    tasks: [{ id: 'r0 protect', name: 'Hall: protect' }],
    plan: { placed: [{ task: 'r0 protect', start: 480, end: 540, setUp: 15 }] },
  } as unknown as Plan;
  const job = { id: 'job', name: 'Tern', place: 'Lakeside' };

  it('has an event for each task with an id that stays, so that a new export moves it', () => {
    const text = writePlanCalendar(job, first, plan, now.getTime());
    expect(text).toContain('UID:job-r0-protect@fine-spray');
    expect(text).toContain('SUMMARY:Hall: protect');
    expect(text).toContain('LOCATION:Lakeside');
    const moved = {
      ...plan,
      plan: { ...plan.plan, placed: [{ ...plan.plan.placed[0], start: 600, end: 660 }] },
    } as Plan;
    const again = writePlanCalendar(job, first, moved, now.getTime());
    expect(again).toContain('UID:job-r0-protect@fine-spray');
    expect(again).not.toBe(text);
  });
});
