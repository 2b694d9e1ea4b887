import { KINDS, schemaOf, type Entry, type EntryKind, type Weather } from '@fine-spray/contract';
import { logNames } from '@fine-spray/contract/log';
import { quantity, of } from '@fine-spray/core';
import { fireEvent, screen } from '@testing-library/react-native';
import { recordOf, type SiteLog } from '@/data/record';
import { coatingRow, row, sprayerRow } from '@/testing/rows';
import { renderPart } from '@/testing/render';
import { CombPicture } from './CombPicture';
import {
  coatOptions,
  litresLeft,
  usualCoat,
  usualWeather,
  type CaptureContext,
  finishedOf,
} from './defaults';
import { WRITTEN, firstPayload, writtenKind } from './kinds';
import { knownPlace, usualPlace } from './place';

const ID = (end: number) => `01930000-0000-7000-8000-0000000000${end}`;
const [JOB, WALL, MATT, TIP, SPRAYER] = [10, 11, 12, 13, 14].map(ID) as [
  string,
  string,
  string,
  string,
  string,
];
const job = {
  ...row,
  id: JOB,
  name: 'Hall',
  place: '',
  note: '',
  status: 'in progress',
  sprayerId: SPRAYER,
  hoseIds: [],
  lift: 0,
  surfaceCount: 1,
} as const;
const wall = {
  ...row,
  id: WALL,
  jobId: JOB,
  placeId: null,
  name: 'North wall',
  room: 'Hall',
  position: 0,
  element: 'wall',
  side: 'inside',
  kind: 'smooth-board',
  condition: 'sealed',
  wind: 'calm',
  geometry: { shape: 'rectangle', width: 8, height: 2.5, count: 1, openings: [] },
  coatingId: MATT,
  coats: 2,
  thinning: 0,
  under: [],
  tip: null,
} as const;

let next = 0;
function entry(kind: EntryKind, payload: Record<string, unknown>, extra: Partial<Entry> = {}): Entry {
  next += 1;
  return {
    ...row,
    id: `01930000-0000-7000-8000-00000000a${String(next).padStart(3, '0')}`,
    kind,
    schema: schemaOf(kind),
    at: `2026-11-25T08:${String(next).padStart(2, '0')}:00.000Z`,
    author: '',
    jobId: JOB,
    surfaceId: WALL,
    replaces: null,
    clockSkew: null,
    payload,
    ...extra,
  };
}
const weather = { source: 'station', air: 290, surface: 289, humidity: 0.6, wind: null, rain: null } as const;
const finished = (coat: number, area = 20, laid: Weather = { ...weather, source: 'by hand' }) =>
  entry('coat finished', {
    coatingId: MATT,
    coat,
    element: 'wall',
    side: 'inside',
    kind: 'smooth-board',
    wind: 'calm',
    trueArea: area,
    absorbed: 0,
    whole: 20,
    over: null,
    weather: laid,
  });
const sprayed = (coat: number, litres: number) =>
  entry('sprayed', { coatingId: MATT, coat, tipId: TIP, volume: litres / 1000, abrasion: 1, counted: true });

function site(entries: readonly Entry[]): CaptureContext {
  const kit = {
    coatings: [coatingRow(MATT, 'Matt', 'wall-matt')],
    sprayers: [sprayerRow(SPRAYER, 'Van', 'mid electric')],
    hoses: [],
    tips: [
      { ...row, id: TIP, family: 'standard' as const, code: '517', litresBefore: 0, price: null, note: '' },
    ],
  };
  const names = logNames({ jobs: [job], surfaces: [wall], ...kit });
  const log = {
    entries,
    old: new Map(),
    record: recordOf(entries, new Map()),
    names,
    jobs: [job],
    surfaces: [wall],
    kit,
  } as unknown as SiteLog;
  return {
    log,
    job,
    surface: wall as unknown as NonNullable<CaptureContext['surface']>,
    station: undefined,
    cardOf: () => undefined,
    system: 'metric',
  } as unknown as CaptureContext;
}

describe('what a form opens on', () => {
  it('is the coat that is begun, else the next, else the last', () => {
    const coat = (entries: readonly Entry[]) => usualCoat(coatOptions(site(entries)))?.planned.coat;
    expect(coat([])).toBe(1);
    expect(coat([finished(1)])).toBe(2);
    expect(coat([finished(1), sprayed(2, 1)])).toBe(2);
    expect(coat([finished(1), finished(2)])).toBe(2);
  });

  it('is what is left of the coat by the plan and by what the job took, to half a litre', () => {
    const left = (entries: readonly Entry[]) => {
      const context = site(entries);
      const option = usualCoat(coatOptions(context));
      return option ? litresLeft(context, option) * 1000 : NaN;
    };
    // 20 m² · 111 μm ÷ 0.82 are 2.7 L
    expect(left([])).toBe(2.5);
    expect(left([sprayed(1, 1)])).toBe(1.5);
    expect(left([sprayed(1, 9)])).toBe(0.5);
    expect(left([sprayed(1, 4), finished(1)])).toBeGreaterThan(2.5);
  });

  it('is what another has not finished of a coat, else all of it', () => {
    const first = (entries: readonly Entry[]) => {
      const context = site(entries);
      const [option] = coatOptions(context);
      return finishedOf(context, option);
    };
    expect(first([])).toMatchObject({ trueArea: 20, whole: 20 });
    expect(first([finished(1, 12)]).trueArea).toBeCloseTo(8, 9);
    expect(first([finished(1, 12), finished(1, 8)]).trueArea).toBe(20);
    expect(first([finished(1, 19.5)]).trueArea).toBe(20);
  });

  it('is never what has to be counted or measured: nobody learns from what a form opened on', () => {
    const context = site([]);
    expect(firstPayload('sprayed', context)).not.toHaveProperty('volume');
    expect(firstPayload('comb', context)).toMatchObject({ speed: null });
  });

  it('is a comb of paint thinned as it was checked last that day', () => {
    const check = (hoursAgo: number) =>
      entry(
        'viscosity',
        {
          ...{ coatingId: MATT, batch: '', newContainer: true, shift: 'morning', cup: 'dip-5' },
          ...{ temperature: 293, before: [60], target: 50, thinnerBefore: 0, container: 0.01 },
          ...{ addedWhat: 'Clean water', added: 0.0005, after: [50] },
          ...{ viscosityBefore: null, viscosityAfter: null },
        },
        { at: new Date(Date.now() - hoursAgo * 3600_000).toISOString() },
      );
    expect(firstPayload('comb', site([check(1)]))).toMatchObject({ thinner: 0.05 });
    expect(firstPayload('comb', site([check(20)]))).toMatchObject({ thinner: 0 });
  });

  it('is the weather of the station, else of the last coat that was measured, else the usual, and says which', () => {
    expect(usualWeather({ ...site([finished(1)]), station: weather }).source).toBe('station');
    expect(usualWeather(site([finished(1)]))).toMatchObject({ source: 'last entry', air: 290 });
    // What a stand-in made up is not carried on as if somebody had measured it.
    const [measured, madeUp] = [finished(1), finished(2, 20, { ...weather, air: 280 })];
    expect(usualWeather(site([measured, madeUp]))).toMatchObject({ source: 'last entry', air: 290 });
    expect(usualWeather(site([madeUp])).source).toBe('assumed');
    expect(usualWeather(site([])).source).toBe('assumed');
  });

  it.each(WRITTEN)('%s: the contract takes it, or says only what has to be typed', (kind) => {
    const checked = KINDS[kind].payload.safeParse(firstPayload(kind, site([finished(1)])));
    const typed = [
      'text',
      'what',
      'why',
      'readings',
      'lastWet',
      'volume',
      'rate',
      'amount',
      'time',
      'scores',
    ];
    for (const issue of checked.error?.issues ?? []) expect(typed).toContain(String(issue.path[0]));
    expect(writtenKind(kind)?.tile.label).toBeTruthy();
  });
});

describe('where one is', () => {
  it('is where the last entry on a surface that is still there was made', () => {
    const { log } = site([sprayed(1, 1), entry('note', { text: 'x' }, { surfaceId: ID(99) })]);
    expect(usualPlace(log)).toEqual({ jobId: JOB, surfaceId: WALL });
    expect(usualPlace(site([]).log)).toEqual({ jobId: JOB, surfaceId: null });
  });

  it('is no place any more once it was deleted', () => {
    expect(knownPlace(site([]).log, { jobId: ID(98), surfaceId: ID(99) })).toEqual({
      job: undefined,
      surface: undefined,
    });
    expect(knownPlace(site([]).log, { jobId: null, surfaceId: WALL }).job?.id).toBe(JOB);
  });
});

describe('the comb', () => {
  it('gives the tooth that is tapped, marks the one to aim at, and takes that none is wet', () => {
    const taps: (number | null)[] = [];
    const teeth = [25, 50, 75, 100, 125, 150, 175].map((microns) => of(microns, 'μm'));
    renderPart(<CombPicture teeth={teeth} target={quantity(1.1e-4)} onTap={(tooth) => taps.push(tooth)} />);
    fireEvent.press(screen.getByLabelText('Tooth 100 μm, the one to aim at'));
    fireEvent.press(screen.getByLabelText('Tooth 175 μm'));
    fireEvent.press(screen.getByText('No tooth is wet'));
    expect(taps).toEqual([of(100, 'μm'), of(175, 'μm'), null]);
  });
});
