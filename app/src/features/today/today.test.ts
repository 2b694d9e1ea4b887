import type { Surface } from '@fine-spray/contract';
import type { JobTask, SitePlanFound } from '@fine-spray/contract/planning';
import type { CaptureContext } from '@/features/log';
import { litresEntries, stepEntries } from './stepEntries';
import { likelyToday } from './useTodayJobs';
import { setUpWords, sprayedBefore, whatNow } from './whatNow';

const H = 60;
const DAY = 24 * H;
const COATING = '01930000-0000-7000-8000-000000000002';
const task = (id: string, part: Partial<JobTask> = {}): JobTask => ({
  ...{ id, name: id, room: 'Hall', kind: 'hand', minutes: 60, people: 1, after: [], what: 'protect' },
  surfaces: [],
  ...part,
});
const coat = (id: string, part: Partial<JobTask> = {}): JobTask =>
  task(id, {
    ...{ kind: 'spray', what: 'coat', surfaces: ['s1', 's2'] },
    coat: { coatingId: COATING, coat: 1, part: 0, parts: 1 },
    fluid: { coating: COATING, base: 'water' },
    ...part,
  });
const found = (tasks: readonly JobTask[], starts: readonly (readonly [string, number, number, number?])[]) =>
  ({
    ...{ ok: true, tasks },
    plan: {
      placed: starts.map(([id, start, person, setUp = 0]) => ({
        ...{ task: id, start, end: start + H, people: [person], setUp },
        ...(tasks.find((one) => one.id === id)?.kind === 'spray' ? { sprayer: 0 } : {}),
      })),
    },
  }) as unknown as SitePlanFound;

describe('what is now', () => {
  const tasks = [
    task('protect', { running: true }),
    coat('ceiling', { after: [{ task: 'protect', least: 0 }] }),
    task('loft', { room: 'Loft' }),
    coat('second', { notBefore: 15 * H }),
    task('tomorrow', { after: [{ task: 'loft', least: 0 }] }),
  ];
  const plan = found(tasks, [
    ['protect', 8 * H, 0],
    ['ceiling', 9 * H + 15, 0, 15],
    ['loft', 9 * H, 1],
    ['second', 15 * H, 0],
    ['tomorrow', DAY + 8 * H, 1],
  ]);
  const ids = (all: readonly { readonly task: JobTask }[]) => all.map((one) => one.task.id);

  it('is what runs, what can be begun, and what waits until it is dry', () => {
    const now = whatNow(plan, 8 * H + 30);
    expect(ids(now.running)).toEqual(['protect']);
    // The ceiling waits for the protecting, the second coat for the first
    expect(ids(now.ready)).toEqual(['loft']);
    expect(ids(now.today)).toEqual(['protect', 'loft', 'ceiling', 'second']);
    expect(now.drying.map(({ task: one, until }) => [one.id, until])).toEqual([['second', 15 * H]]);
    expect([now.later?.day, ids(now.later?.doing ?? [])]).toEqual([1, ['tomorrow']]);
    expect(ids(whatNow(plan, 15 * H).ready)).toEqual(['loft', 'second']);
  });

  it('dries nothing on the day before the first', () => {
    const fresh = whatNow(found([task('protect')], [['protect', 8 * H, 0]]), -10 * H);
    expect([fresh.drying, ids(fresh.ready)]).toEqual([[], ['protect']]);
  });

  it('is of one person where one is chosen, and what is begun is today, whenever it was to be', () => {
    expect(ids(whatNow(plan, 8 * H, 1).today)).toEqual(['loft']);
    expect(ids(whatNow(plan, DAY + 7 * H).today)).toEqual(['protect', 'tomorrow']);
  });

  it('says what is done with the sprayer before', () => {
    const of = (id: string) => {
      const one = plan.plan.placed.find((each) => each.task === id);
      const own = tasks.find((each) => each.id === id);
      if (!one || !own) throw new Error(id);
      return { task: own, one };
    };
    const names = (id: string) => (id === COATING ? 'matt' : 'enamel');
    expect(sprayedBefore(plan, of('second'))?.id).toBe('ceiling');
    expect(setUpWords(of('ceiling'), undefined, names)).toBe('First set up the sprayer for matt: 15 min.');
    expect(setUpWords(of('second'), of('ceiling').task, names)).toBeUndefined();
    const other = coat('enamel', {
      ...{ room: 'Loft', coat: { coatingId: 'x', coat: 1, part: 0, parts: 1 } },
      fluid: { coating: 'x', base: 'water' },
    });
    const later = { task: other, one: { ...of('second').one, setUp: 35 } };
    expect(setUpWords(later, of('ceiling').task, names)).toBe(
      'First flush matt out and load enamel, and move the sprayer to Loft: 35 min.',
    );
    const solvent = { ...later, task: { ...other, fluid: { coating: 'x', base: 'solvent' as const } } };
    expect(setUpWords(solvent, of('ceiling').task, names)).toMatch(
      /^First change from matt to enamel, which is another base/,
    );
  });
});

describe('what a tap writes', () => {
  const surfaces = [{ id: 's1' }, { id: 's2' }, { id: 's3' }] as Surface[];
  /** A log in which the coat of some surfaces is begun or finished. */
  const contextOf = (known: Readonly<Record<string, { readonly finished: boolean }>>) => (surface: Surface) =>
    ({
      surface,
      log: {
        ...{ entries: [], kit: { tips: [], coatings: [] }, names: {} },
        record: {
          coatOf: ({ surface: id }: { readonly surface: string }) => known[id],
          coatsOf: () => [],
        },
      },
      station: { source: 'station', air: 293, surface: 293, humidity: 0.5, wind: 0, rain: 0 },
      cardOf: () => undefined,
    }) as unknown as CaptureContext;
  const kinds = (one: JobTask, did: 'started' | 'done' | 'skipped' | 'put back', known = {}) =>
    stepEntries(one, did, 'job', surfaces, contextOf(known)).map(({ kind, surfaceId }) =>
      [kind, surfaceId].filter(Boolean).join(' '),
    );

  it('is the step, and the coat of each of its surfaces that is not there yet', () => {
    expect(kinds(coat('a'), 'started')).toEqual(['step', 'coat started s1', 'coat started s2']);
    expect(kinds(coat('a'), 'done', { s1: { finished: false }, s2: { finished: true } })).toEqual([
      'step',
      'coat finished s1',
    ]);
    expect(kinds(coat('a'), 'started', { s1: { finished: false } })).toEqual(['step', 'coat started s2']);
    for (const did of ['skipped', 'put back'] as const) expect(kinds(coat('a'), did)).toEqual(['step']);
    expect(kinds(task('protect'), 'done')).toEqual(['step']);
  });

  it('begins a coat in parts with the first and finishes it with the last', () => {
    const part = (at: number) => coat('a', { coat: { coatingId: COATING, coat: 1, part: at, parts: 2 } });
    expect(kinds(part(0), 'started')).toHaveLength(3);
    expect(kinds(part(0), 'done')).toEqual(['step']);
    expect(kinds(part(1), 'started')).toEqual(['step']);
    expect(kinds(part(1), 'done')).toHaveLength(3);
  });

  it('shares litres as they were planned, and all of them', () => {
    const shares = [
      { surface: surfaces[0] as Surface, planned: 0.002 },
      { surface: surfaces[1] as Surface, planned: 0.006 },
    ];
    const written = litresEntries(coat('a'), 0.01, 'job', shares, contextOf({}));
    expect(written.map(({ surfaceId }) => surfaceId)).toEqual(['s1', 's2']);
    const volumes = written.map(({ payload }) => (payload as { volume: number }).volume);
    expect(volumes[0]).toBeCloseTo(0.0025, 12);
    expect(volumes.reduce((sum, one) => sum + one, 0)).toBeCloseTo(0.01, 12);
    expect(litresEntries(task('protect'), 0.01, 'job', shares, contextOf({}))).toEqual([]);
  });
});

it('jobs in progress come first, then what changed last', () => {
  const job = (name: string, status: string, updatedAt: string) => ({ name, status, updatedAt });
  const jobs = [
    job('old estimate', 'estimate', '2026-01-01'),
    job('done', 'finished', '2026-12-01'),
    job('on site', 'in progress', '2026-02-01'),
    job('new estimate', 'estimate', '2026-03-01'),
  ] as never;
  expect(likelyToday(jobs).map(({ name }) => name)).toEqual([
    'on site',
    'new estimate',
    'old estimate',
    'done',
  ]);
});
