import { RELIEVE_AFTER, type RecoatClock } from '@fine-spray/core/record';
import { schemaOf, upgraded, type Entry, type EntryKind } from '../entry';
import type { Surface } from '../job';
import { demoCompany } from '../testing/demo';
import { remindersOf, type Reminder, type RemindersAsked } from './reminders';

const HOUR = 3_600_000;
const NOON = Date.parse('2026-11-30T12:00:00Z');
const JOB = '01930000-0000-7000-8000-00000000aa01';
const VAN = '01930000-0000-7000-8000-000000000010';
const HANDY = '01930000-0000-7000-8000-000000000011';
const PAINT = '01930000-0000-7000-8000-000000000002';
const WALL = '01930000-0000-7000-8000-00000000aa02';
const demo = demoCompany();
const sample = demo.entries.find(({ kind }) => kind === 'coat finished');
const FINISHED = sample ? upgraded(sample).payload : {};
let count = 0;

/** An entry so many hours before noon. */
function entry(
  kind: EntryKind,
  before: number,
  payload: Record<string, unknown>,
  over: Partial<Entry> = {},
): Entry {
  count += 1;
  const at = new Date(NOON - before * HOUR).toISOString();
  return {
    id: `01930000-0000-7000-8000-${String(count).padStart(12, '0')}`,
    ...{
      kind,
      schema: schemaOf(kind),
      at,
      author: 'TO',
      payload,
      jobId: JOB,
      surfaceId: WALL,
      replaces: null,
    },
    ...{ version: 1, clockSkew: null, createdAt: at, updatedAt: at },
    ...over,
  };
}
const sprayed = (before: number, litres: number) =>
  entry('sprayed', before, {
    coatingId: PAINT,
    coat: 1,
    tipId: null,
    volume: litres / 1000,
    abrasion: null,
    counted: true,
  });
const care = (what: string, before: number, sprayerId: string | null = VAN) =>
  entry('care', before, { what, sprayerId });
const coat = (from: number, to: number, number = 1, author = 'TO') => [
  entry('coat started', from, { coatingId: PAINT, coat: number, weather: null }, { author }),
  entry('coat finished', to, { ...FINISHED, coatingId: PAINT, coat: number }, { author }),
];
const due = (entries: readonly Entry[], over: Partial<RemindersAsked> = {}): readonly Reminder[] =>
  remindersOf({
    ...{ entries, surfaces: [], clocks: [], author: 'TO', now: NOON, isBreak: false, system: 'metric' },
    jobs: [{ id: JOB, name: 'A house', sprayerId: VAN }],
    sprayers: [
      { id: VAN, name: 'Van' },
      { id: HANDY, name: 'Handy' },
    ],
    ...over,
  });
const about = (entries: readonly Entry[], over?: Partial<RemindersAsked>) =>
  due(entries, over).map((one) => one.about);

describe('what a crew is reminded of', () => {
  it('is nothing where nothing was sprayed', () => {
    expect(due([])).toEqual([]);
    expect(due([entry('note', 1, { text: 'Rain' })])).toEqual([]);
  });

  it('is a machine that was sprayed with and is not known to be relieved: after a while, in a break at once', () => {
    const minutes = (ago: number) => [sprayed(ago / 60, 2)];
    expect(about(minutes(10))).toEqual([]);
    expect(about(minutes(10), { isBreak: true })).toEqual(['relieved']);
    expect(about(minutes(RELIEVE_AFTER / 60_000 + 1))).toEqual(['relieved']);
    expect(about([sprayed(0.5, 2), care('relieved', 0.4)])).toEqual([]);
    // Taken up again since.
    expect(about([sprayed(2, 2), care('relieved', 1.5), sprayed(0.6, 2)])).toEqual(['relieved']);
    const shut = entry('machine', 0.4, {
      sprayerId: VAN,
      holds: 'storage',
      coatingId: null,
      procedure: 'shut-down',
    });
    expect(about([sprayed(0.5, 2), shut])).toEqual([]);
    // That was yesterday.
    expect(about([sprayed(20, 2)])).toEqual([]);
    // The other machine is another.
    expect(about([sprayed(0.5, 2), care('relieved', 0.4, HANDY)])).toEqual(['relieved']);
  });

  it('is strainer and lubricant by what went through the pump since, on the day it is used', () => {
    const off = care('relieved', 0.1);
    expect(about([sprayed(1, 19), off])).toEqual([]);
    expect(about([sprayed(2, 12), sprayed(1, 9), off])).toEqual(['strainer']);
    expect(about([sprayed(2, 30), sprayed(1, 12), off])).toEqual(['strainer', 'lubricant']);
    expect(about([sprayed(3, 30), care('strainer', 2), care('lubricant', 2), sprayed(1, 12), off])).toEqual(
      [],
    );
    // A start-up has both as its steps.
    const start = entry('machine', 2, {
      sprayerId: VAN,
      holds: 'storage',
      coatingId: null,
      procedure: 'start-up',
    });
    expect(about([sprayed(3, 45), start, sprayed(1, 5), off])).toEqual([]);
    expect(about([sprayed(40, 45)])).toEqual([]);
    expect(due([sprayed(1, 25), off])[0]).toMatchObject({
      words: '25 L through Van since; usual every 10 L to 30 L. Its manual takes precedence.',
      done: { what: 'strainer', sprayerId: VAN },
    });
  });

  it('is the filter of one’s own mask by the hours of coats', () => {
    const off = care('relieved', 0.01);
    const coats = [...coat(30, 26.5, 1), ...coat(26, 23, 2), ...coat(3, 1, 3)];
    expect(about([...coats, off])).toEqual(['filter']);
    expect(due([...coats, off])[0]?.words).toMatch(/^9 h sprayed and no change written down/);
    expect(about([...coats, off], { author: 'WR' })).toEqual([]);
    expect(about([...coats, care('filter', 24, null), off])).toEqual([]);
    // Somebody forgot to write its end: it is not taken for a night.
    expect(about([...coat(40, 1, 1), off])).toEqual([]);
  });

  it('is a coat that has come dry and has another to follow', () => {
    const surface = demo.jobs
      .flatMap(({ surfaces }) => surfaces)
      .find(({ coats, under }) => coats === 2 && under.length === 0) as Surface;
    const clock = (opened: number, number = 1) =>
      ({
        ...{
          surface: surface.id,
          coating: surface.coatingId,
          coat: number,
          job: surface.jobId,
          entry: 'e',
          words: '',
        },
        ...{
          finished: NOON - 5 * HOUR,
          state: 'may be ready',
          moments: { recoat: { from: NOON - opened * HOUR } },
        },
      }) as unknown as RecoatClock;
    const said = (clocks: RecoatClock[], entries: Entry[] = []) =>
      about(entries, { clocks, surfaces: [surface] });
    expect(said([clock(0.5)])).toEqual(['dry']);
    expect(said([clock(-0.5)])).toEqual([]);
    expect(said([clock(3)])).toEqual([]);
    // The last coat has none to follow; and the next is begun already.
    expect(said([clock(0.5, 2)])).toEqual([]);
    const begun = entry(
      'coat started',
      0.1,
      { coatingId: surface.coatingId, coat: 2, weather: null },
      { surfaceId: surface.id },
    );
    expect(said([clock(0.5)], [begun])).toEqual([]);
  });

  it('names a thing the same until it is done, and what is dangerous first', () => {
    const entries = [sprayed(1, 45)];
    const [first, second] = [due(entries), due(entries, { now: NOON + 60_000 })];
    expect(first.map(({ about: one }) => one)).toEqual(['relieved', 'strainer', 'lubricant']);
    expect(second.map(({ id }) => id)).toEqual(first.map(({ id }) => id));
  });
});
