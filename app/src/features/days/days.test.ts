import { scheduleFields, type Person, type ScheduleFields } from '@fine-spray/contract';
import type { JobToWorkOut, SiteAsked, SitePlanFound, SitePlanned } from '@fine-spray/contract/planning';
import { timesOf } from '@fine-spray/contract/planning';
import { dayEvents, writeCalendar } from '@fine-spray/contract/calendar';
import { csvOf, readTable, daysSheet } from '@fine-spray/contract/formats';
import { act, renderHook } from '@testing-library/react-native';
import { heldWorkers } from '@/testing/heldWorker';
import type { DaysOrder, DaysReport } from '@/workers/days.worker';
import { boardOf, dryAt, draggedRow, draggedTo, partsByDay, xOf } from './boardScale';
import { dayRows } from './dayRows';
import { movedText } from './Changes';
import { fieldsOtherwise } from './OtherWays';
import { beginning, weekdaysText, withoutPerson } from './PlanSettings';
import { withPin, withWish } from './TaskSheet';
import {
  dayText,
  hourText,
  midnightOf,
  minuteOf,
  momentBeside,
  momentOf,
  momentText,
  namesOf,
  usualSchedule,
} from './schedule';
import { useDays } from './useDays';

const H = 60;
const DAY = 24 * H;
const now = new Date(2026, 10, 30, 9, 20);
const JOB = { id: '01930000-0000-7000-8000-000000000068', name: 'Tern', place: 'Lakeside' };
const PEOPLE = [
  { name: 'Ines', role: 'owner' },
  { name: 'Tobi', role: 'lead' },
  { name: 'Wren', role: 'apprentice' },
] as Person[];
const USUAL = usualSchedule(JOB, { people: 2 }, PEOPLE, now);

describe('how the days are planned', () => {
  it('begins with who is on site, from tomorrow, and can be stored as it is', () => {
    expect(USUAL.crew.map(({ name }) => name)).toEqual(['Tobi', 'Wren']);
    expect(USUAL.first).toBe('2026-12-01');
    expect(scheduleFields.safeParse(USUAL).success).toBe(true);
    const alone = usualSchedule(JOB, { people: 2 }, [], now);
    expect(alone.crew.map(({ name }) => name)).toEqual(['Painter 1', 'Painter 2']);
  });

  it('is refused with a sentence where nobody could work by it', () => {
    const said = (part: Partial<ScheduleFields>) =>
      scheduleFields.safeParse({ ...USUAL, ...part }).error?.issues.map(({ message }) => message);
    expect(said({ crew: [] })).toEqual(['Nobody is on the crew: put at least one person on it.']);
    expect(said({ sprayers: 0 })).toEqual(['There is no sprayer: put at least one on the job.']);
    expect(said({ workdays: [] })).toEqual(['There is no working day: choose at least one weekday.']);
    expect(said({ hours: { from: 900, to: 800 } })?.[0]).toMatch(/the end comes after the beginning/);
    expect(said({ breaks: [{ from: 300, to: 330 }] })).toEqual(['A break lies within the working hours.']);
  });

  it('counts minutes from its first midnight, and of today what is left', () => {
    const fields = {
      ...USUAL,
      first: '2026-11-30',
      crew: [
        { name: 'Tobi', away: ['2026-12-02', '2026-11-01'] },
        { name: 'Wren', away: ['2026-12-02'] },
      ],
      closed: [
        { room: 'Boat hall', weekdays: [1], dates: ['2026-12-04'] },
        { room: 'Galley', weekdays: [], dates: [] },
      ],
    };
    const times = timesOf(fields, now);
    expect([times.firstWeekday, times.from, times.people]).toEqual([0, 9 * H + 20, 2]);
    expect(times.away).toEqual({ 2: [0, 1] });
    // Tuesdays, and the Friday
    expect(times.closed['Boat hall']?.slice(0, 2)).toEqual([1, 8]);
    expect(times.closed['Boat hall']?.at(-1)).toBe(4);
    expect(times.closed).not.toHaveProperty('Galley');
    expect(timesOf(USUAL, now).from).toBe(0);
  });

  it('says minutes as days and hours, and knows them again', () => {
    const first = midnightOf(USUAL);
    expect(momentText(first, 2 * DAY + 15 * H + 40)).toBe('Thursday 3 December, 15:40');
    expect(dayText(first, 6)).toBe('Monday 7 December');
    expect(hourText(7 * H + 5)).toBe('7:05');
    expect(momentBeside(first, 8 * H, 7 * H)).toBe('08:00');
    expect(momentBeside(first, DAY + 8 * H, 7 * H)).toBe('Wed 2 Dec, 08:00');
    for (const minute of [-90, 0, 61, 40 * DAY + 12 * H])
      expect(minuteOf(first, momentOf(first, minute))).toBe(minute);
    expect(namesOf(USUAL, [1, 0, 7])).toBe('Wren, Tobi, somebody');
    expect(weekdaysText([4, 0, 1, 2, 3])).toBe('Monday to Friday');
    expect(weekdaysText([2, 0])).toBe('Monday, Wednesday');
  });

  it('is changed by another way, another day, and by somebody less', () => {
    expect(fieldsOtherwise(USUAL, 'one person more')?.crew?.at(-1)?.name).toBe('Painter 3');
    expect(fieldsOtherwise(USUAL, 'another sprayer')).toEqual({ sprayers: 2 });
    expect(fieldsOtherwise(USUAL, 'the other order')?.school).toBe('walls first');
    const put = {
      ...USUAL,
      pins: [
        { task: 'a', start: 480, who: [0] },
        { task: 'b', start: null, who: [1] },
        { task: 'c', start: 500, who: [] },
      ],
      result: {
        ...{ finish: 600, bound: { finish: 600, binds: 'people' as const }, chances: null },
        placed: [{ task: 'b', start: 480, end: 540, people: [1], sprayer: null, setUp: 0 }],
      },
    };
    const less = withoutPerson(put, 0);
    expect(less.pins).toEqual([
      { task: 'a', start: 480, who: [] },
      { task: 'b', start: null, who: [0] },
      { task: 'c', start: 500, who: [] },
    ]);
    expect(less.result?.placed[0]?.people).toEqual([0]);
    // Minutes of another first day are other times
    expect(beginning(put, 1)).toEqual({
      first: '2026-12-02',
      pins: [
        { task: 'a', start: null, who: [0] },
        { task: 'b', start: null, who: [1] },
      ],
      result: null,
    });
    expect(withPin(put.pins, { task: 'a', start: null, who: [] }).map(({ task }) => task)).toEqual([
      'b',
      'c',
    ]);
    expect(withPin(put.pins, { task: 'a', start: 5, who: [] }).at(-1)).toEqual({
      task: 'a',
      start: 5,
      who: [],
    });
    expect(withWish(withWish([], 'a', 'b'), 'a', 'b')).toEqual([{ task: 'a', before: 'b' }]);
  });
});

describe('the search', () => {
  const asked = { seed: 1, tries: 10, sprayers: 1 } as SiteAsked;
  const planned: SitePlanned = { ok: false, done: false, messages: ['No.'] };
  const open = () => {
    const held = heldWorkers((_order: DaysOrder): DaysReport => ({ kind: 'done', planned }));
    const job = {} as JobToWorkOut;
    const hook = renderHook((wish: SiteAsked) => useDays(job, wish, true, held.startWorker), {
      initialProps: asked,
    });
    return { ...held, ...hook };
  };

  it('tells how far it is, then the plan, then other ways; another wish ends it, and what was found stays in sight', () => {
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
    expect(result.current.last).toBe(planned);
    expect(latest().order).toMatchObject({ others: true, asked: { sprayers: 2 } });
  });

  it('is said to have failed where the worker did, and is tried again when somebody says so', () => {
    const { result, latest, workers } = open();
    act(() => latest().onerror?.());
    expect(result.current.state).toEqual({ kind: 'failed' });
    act(() => result.current.again());
    expect(workers).toHaveLength(2);
    expect(result.current.state).toEqual({ kind: 'searching', share: 0 });
    latest().report({ kind: 'done', planned });
    expect(result.current.state).toEqual({ kind: 'done', planned });
  });
});

const FOUND = {
  ok: true,
  tasks: [
    { id: 'b', name: '=Hall: coat', room: 'Hall', kind: 'spray', minutes: 60, people: 1, after: [] },
    {
      ...{ id: 'a', name: 'Hall: protect', room: 'Hall', kind: 'hand', minutes: 60, people: 2 },
      after: [{ task: 'b', least: 4 * H }],
    },
  ],
  plan: {
    placed: [
      { task: 'b', start: 930, end: DAY + 510, people: [0], setUp: 15 },
      { task: 'a', start: 480, end: 540, people: [0, 1], setUp: 0 },
    ],
    finish: DAY + 510,
  },
  times: { day: { from: 480, to: 960 } },
} as unknown as SitePlanFound;

describe('a plan as a table and as a calendar', () => {
  it('has a row for each task in the order they begin, and reads back', () => {
    const table = readTable(new TextEncoder().encode(csvOf(daysSheet(dayRows(USUAL, FOUND)))));
    expect(table.ok && table.value.rows.map(({ cells }) => cells)).toEqual([
      ['2026-12-01', '08:00', '09:00', 'Hall: protect', 'Hall', 'Tobi, Wren', '0'],
      ['2026-12-01', '15:30', '2026-12-02 08:30', "'=Hall: coat", 'Hall', 'Tobi', '15'],
    ]);
  });

  it('has an event for each task with an id that stays, for all or for one person', () => {
    const calendarOf = (found: SitePlanFound, person?: number) =>
      writeCalendar(
        'Tern',
        dayEvents(
          JOB,
          { first: USUAL.first, version: 4 },
          found.plan,
          new Map(found.tasks.map((one) => [one.id, one])),
          () => 60,
          'https://x.example/days',
          person,
        ),
        now.getTime(),
      );
    const text = calendarOf(FOUND);
    // 8:00 on the wall, an hour east of UTC.
    expect(text).toContain('DTSTART:20261201T070000Z');
    expect(text).toContain('SEQUENCE:4');
    expect(text).toContain('URL:https://x.example/days');
    expect(text).toContain(`UID:${JOB.id}-a@fine-spray`);
    expect(text).toContain('SUMMARY:Hall: protect');
    expect(text).toContain('LOCATION:Lakeside');
    const wrens = calendarOf(FOUND, 1);
    expect(wrens.match(/BEGIN:VEVENT/g)).toHaveLength(1);
    expect(wrens).toContain('Hall: protect');
    const [b, a] = FOUND.plan.placed;
    const moved = {
      ...FOUND,
      plan: { ...FOUND.plan, placed: [b, { ...a, start: 600, end: 660 }] },
    } as SitePlanFound;
    const again = calendarOf(moved);
    expect(again).toContain(`UID:${JOB.id}-a@fine-spray`);
    expect(again).not.toBe(text);
  });
});

describe('a plan as a board', () => {
  it('has a block for each person, day by day, and what dries by rooms', () => {
    const people = boardOf(FOUND, 'people', ['Tobi', 'Wren']);
    expect(people.blocks.map(({ row, from, to }) => [row, from, to])).toEqual([
      // Into the evening, and from the next morning
      [0, 930, 960],
      [0, DAY + 480, DAY + 510],
      [0, 480, 540],
      [1, 480, 540],
    ]);
    expect(people.blocks.map(({ setUpFrom }) => setUpFrom)).toEqual([915, undefined, undefined, undefined]);
    expect(people.ribbons).toEqual([]);
    const rooms = boardOf(FOUND, 'rooms', ['Tobi', 'Wren']);
    expect(rooms.rows).toEqual(['Hall']);
    expect(rooms.ribbons).toEqual([{ row: 0, from: DAY + 510, to: DAY + 510 + 4 * H, task: 'b' }]);
    expect(rooms.days).toEqual([0, 1]);
    expect(partsByDay({ start: 100, end: 200 }, { from: 480, to: 960 })).toEqual([[100, 200]]);
    const [b] = FOUND.plan.placed;
    expect(b && dryAt(FOUND.tasks, b)).toBe(DAY + 510 + 4 * H);
  });

  it('is to scale, and a drag is a quarter of an hour and a row', () => {
    expect(xOf(DAY + 6 * H, 1, 20)).toBe(120);
    expect(draggedTo(480, 20, 20)).toBe(540);
    expect(draggedTo(480, 3, 20)).toBe(495);
    expect(draggedRow(0, 70, 64, 2)).toBe(1);
    expect(draggedRow(1, 400, 64, 2)).toBe(1);
    expect(draggedRow(0, -400, 64, 2)).toBe(0);
  });

  it('says what has moved', () => {
    const [from] = FOUND.plan.placed;
    if (!from) throw new Error('nothing placed');
    expect(movedText(USUAL, { task: 'b', from, to: { ...from, start: DAY + 480, people: [1] } })).toBe(
      'Wed 2 Dec, 08:00 instead of Tue 1 Dec, 15:30, Wren instead of Tobi',
    );
    expect(movedText(USUAL, { task: 'b', from, to: { ...from, people: [1] } })).toBe('Wren instead of Tobi');
  });
});
