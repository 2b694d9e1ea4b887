import { readRecord } from '@fine-spray/core/record';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import {
  ENTRY_KINDS,
  entriesOfKind,
  entryFields,
  entriesInForce,
  isEntry,
  isReadable,
  logFile,
  schemaOf,
  timeOf,
  upgraded,
  type Entry,
  type EntryKind,
} from '..';
import { csvOf } from '../formats/csv';
import {
  coreLog,
  entryWords,
  journal,
  journalLine,
  logNames,
  roughly,
  skewWords,
  weatherWords,
  journalSheet,
  viscosityLines,
  viscositySheet,
} from '.';

const demo = logFile.parse(
  JSON.parse(readFileSync(path.join(__dirname, '../../../demo/millrace.log.json'), 'utf8')),
);
const STORED = { version: 1, createdAt: '2026-01-01T00:00:00Z', updatedAt: '2026-01-01T00:00:00Z' };
const ENTRIES: readonly Entry[] = demo.entries.map((entry) => ({ ...STORED, ...entry }));
const NAMES = logNames({
  jobs: [{ id: '01930000-0000-7000-8000-000000000038', name: 'Tern Boathouse' }],
  surfaces: [{ id: '01930000-0000-7000-8000-000000000039', name: 'North wall', room: 'Boat hall' }],
  coatings: [{ id: '01930000-0000-7000-8000-000000000002', name: 'Interior wall matt' }],
  tips: [{ id: '01930000-0000-7000-8000-000000000018', family: 'standard', code: '517' }],
  sprayers: [],
});
const OPTIONS = { names: NAMES, system: 'metric', offsetAt: () => 0 } as const;

let next = 0;
function entry(kind: EntryKind, payload: Record<string, unknown>, extra: Partial<Entry> = {}): Entry {
  next += 1;
  return {
    ...STORED,
    id: `01930000-0000-7000-8000-00000001${String(next).padStart(4, '0')}`,
    kind,
    schema: schemaOf(kind),
    at: '2026-11-25T08:00:00.000Z',
    author: 'WR',
    jobId: null,
    surfaceId: null,
    replaces: null,
    clockSkew: null,
    payload,
    ...extra,
  };
}
const note = (text: string, extra: Partial<Entry> = {}) => entry('note', { text }, extra);

describe('a coat that dries', () => {
  const dries = (weather: object) => {
    const sample = ENTRIES.find(({ kind, surfaceId }) => kind === 'coat finished' && surfaceId !== null);
    if (!sample) throw new Error('no coat');
    const given = { source: 'by hand', air: 291, surface: null, humidity: 0.5, wind: null, rain: null };
    const [read] = coreLog([
      { ...sample, payload: { ...sample.payload, weather: { ...given, ...weather } } },
    ]);
    return read?.kind === 'coat finished' ? read.temperature : undefined;
  };
  it('dries as fast as the colder of air and surface lets it', () => {
    expect(dries({ surface: null })).toBe(291);
    expect(dries({ surface: 279 })).toBe(279);
    expect(dries({ surface: 303 })).toBe(291);
  });
});

describe('every kind of entry', () => {
  it.each(ENTRY_KINDS)('%s says something a person can read, in both unit systems', (kind) => {
    const sample =
      ENTRIES.find((one) => one.kind === kind) ??
      entry(kind, {
        ...{ tipId: 'x', tip: { family: 'standard', code: '517' }, why: 'Worn' },
        ...{ pictureId: 'x', of: null, words: '', width: 16, height: 16, bytes: 1 },
        ...{ coatingId: 'x', element: 'wall', scores: { mist: 2 } },
      });
    for (const system of ['metric', 'us'] as const) {
      const words = entryWords(sample, NAMES, system);
      expect(words).not.toMatch(/undefined|NaN|\[object/);
      if (kind !== 'withdrawn') expect(words.length).toBeGreaterThan(2);
    }
  });

  it('says of what is gone that it was deleted', () => {
    const nowhere = entry(
      'sprayed',
      { coatingId: 'gone', coat: 1, tipId: 'gone', volume: 0.003 },
      { surfaceId: 'gone', jobId: 'gone' },
    );
    expect(entryWords(nowhere, NAMES, 'metric')).toBe(
      '3 L a coating that was deleted, first coat, a tip that was deleted',
    );
    expect(journal([nowhere], OPTIONS)[0]?.lines[0]?.place).toBe('A surface that was deleted');
  });

  it('writes weather as one says it', () => {
    const weather = {
      source: 'station',
      air: 288.15,
      surface: 287.15,
      humidity: 0.6,
      wind: 3,
      rain: 1e-6,
    } as const;
    const said = '15 °C, surface 14 °C, 60 % humidity, wind 3 m/s, rain';
    expect(weatherWords({ ...weather, source: 'by hand' }, 'metric')).toBe(said);
    // What nobody measured says so.
    expect(weatherWords(weather, 'metric')).toBe(`${said} (made up by the simulated station)`);
    expect(weatherWords({ ...weather, source: 'last entry' }, 'metric')).toMatch(
      /\(as at the coat before\)$/,
    );
    expect(weatherWords({ ...weather, source: 'assumed' }, 'metric')).toMatch(/\(not measured\)$/);
  });
});

describe('the core’s log', () => {
  it('has the coats of the demo, with what was taken back left out', () => {
    const record = readRecord(coreLog(ENTRIES));
    const north = record.coatsOf('01930000-0000-7000-8000-000000000039');
    expect(north.map(({ coat, finished, readings }) => [coat, finished !== undefined, readings])).toEqual([
      [1, true, 3],
      [2, true, 3],
    ]);
    expect(Math.max(...record.coats.map(({ volume }) => volume))).toBeLessThan(0.05);
  });

  it('puts a wrong device clock right, and leaves a right one alone', () => {
    const year = 365 * 24 * 3600;
    expect(timeOf(note('x', { clockSkew: 60 }))).toBe(Date.parse('2026-11-25T08:00:00Z'));
    expect(timeOf(note('x', { clockSkew: year }))).toBe(Date.parse('2027-11-25T08:00:00Z'));
    expect(skewWords(note('x', { clockSkew: 60 }))).toBeUndefined();
    expect(skewWords(note('x', { clockSkew: -year }))).toMatch(/1 year fast/);
    expect([roughly(90_000), roughly(3 * 3600_000), roughly(40 * 86_400_000)]).toEqual([
      '2 minutes',
      '3 hours',
      '1 month',
    ]);
  });

  it('brings fans to 305 mm and reads combs by their teeth', () => {
    const where = { surfaceId: 's', jobId: 'j' };
    const comb = entry(
      'comb',
      {
        coatingId: '01930000-0000-7000-8000-000000000002',
        coat: 1,
        teeth: [5e-5, 1e-4, 1.5e-4, 2e-4],
        lastWet: [1e-4, null],
        thinner: 0,
        element: null,
        tip: null,
        target: null,
        speed: null,
        cardSpeed: null,
      },
      where,
    );
    const fan = entry('fan measured', {
      tipId: '01930000-0000-7000-8000-000000000018',
      width: 0.125,
      distance: 0.1524,
      gun: null,
    });
    const [first, second] = coreLog([comb, fan]);
    expect(first).toMatchObject({
      kind: 'comb',
      readings: [
        { low: 1e-4, high: 1.5e-4 },
        { low: 0, high: 5e-5 },
      ],
    });
    expect(second?.kind === 'fan measured' && second.width).toBeCloseTo(0.25, 9);
  });

  it('leaves out what a newer program wrote, and what that replaces', () => {
    const old = entry('sprayed', { coatingId: 'c', coat: 1, tipId: null, volume: 0.003 }, { surfaceId: 's' });
    const newer = { ...old, id: 'newer', schema: 9, replaces: old.id };
    expect(readRecord(coreLog([old, newer])).coats).toEqual([]);
    expect(entriesInForce([old, newer])).toEqual([]);
  });
});

describe('older forms', () => {
  const old = {
    ...note('x'),
    kind: 'fan measured' as const,
    schema: 1,
    payload: { tipId: '01930000-0000-7000-8000-000000000018', width: 0.2, distance: 0.3 },
  };
  it('are brought up step by step, and what is of today stays as it is', () => {
    expect(upgraded(old)).toMatchObject({ schema: 2, payload: { gun: null, width: 0.2 } });
    expect(upgraded(upgraded(old))).toEqual(upgraded(old));
    expect(entriesOfKind([old], 'fan measured')[0]?.payload.gun).toBeNull();
  });

  it('are taken by the contract in their own form, and newer ones are not', () => {
    const { id: _i, version: _v, createdAt: _c, updatedAt: _u, clockSkew: _s, ...fields } = old;
    expect(entryFields.safeParse(fields).success).toBe(true);
    expect(entryFields.safeParse({ ...fields, schema: 3 }).success).toBe(false);
  });
});

describe('the journal', () => {
  const early = note('Early', { at: '2026-11-24T23:30:00.000Z' });
  const log = [
    note('Rain on the scaffold'),
    early,
    entry('clog', { where: 'tip', tipId: null, cure: 'Turned it' }),
  ];

  it('is days, the latest first, in the order things happened, where the reader is', () => {
    expect(journal(log, OPTIONS).map(({ day, lines }) => [day, lines.length])).toEqual([
      ['2026-11-25', 2],
      ['2026-11-24', 1],
    ]);
    const east = journal(log, { ...OPTIONS, offsetAt: () => 60 });
    expect(east.map(({ day }) => day)).toEqual(['2026-11-25']);
    expect(east[0]?.lines[0]?.clock).toBe('00:30');
  });

  it('is searched by every word, and filtered by kind and job', () => {
    const count = (filter: Parameters<typeof journal>[2]) =>
      journal(log, OPTIONS, filter).reduce((sum, { lines }) => sum + lines.length, 0);
    expect(count({ text: 'scaffold RAIN' })).toBe(1);
    expect(count({ text: 'scaffold snow' })).toBe(0);
    expect(count({ kinds: ['clog'] })).toBe(1);
    expect(count({ jobId: 'none' })).toBe(0);
  });

  it('keeps what was replaced in sight, and says by what', () => {
    const wrong = note('Wrong');
    const right = note('Right', { replaces: wrong.id });
    const lines = journal([wrong, right], OPTIONS)[0]?.lines ?? [];
    expect(lines.map(({ words, replacedBy }) => [words, replacedBy?.id])).toEqual([
      ['Wrong', right.id],
      ['Right', undefined],
    ]);
  });

  it('says what was written in either unit, and rounds it no further', () => {
    const words = (kind: EntryKind, payload: Record<string, unknown>, system: 'metric' | 'us') =>
      entryWords({ ...note(''), kind, schema: schemaOf(kind), payload }, NAMES, system);
    const sprayed = (volume: number, system: 'metric' | 'us') =>
      words(
        'sprayed',
        {
          coatingId: '01930000-0000-7000-8000-000000000002',
          coat: 1,
          tipId: null,
          volume,
          abrasion: null,
          counted: true,
        },
        system,
      )
        .split(' ')
        .slice(0, 2)
        .join(' ');
    // 10 L are 2.642 gal; to the quarter of a gallon they would be 2.75.
    expect(sprayed(0.01, 'metric')).toBe('10 L');
    expect(sprayed(0.01, 'us')).toBe('2.64 gal');
    expect(sprayed(0.0044, 'metric')).toBe('4.4 L');
    expect(sprayed(0.01275, 'metric')).toBe('12.75 L');
    // 2.7 gal as somebody typed them
    expect(sprayed(2.7 * 0.003785411784, 'us')).toBe('2.7 gal');
    const all = ENTRIES.flatMap((one) =>
      (['metric', 'us'] as const).map((system) => entryWords(one, NAMES, system)),
    );
    expect(all.filter((text) => text.includes('..'))).toEqual([]);
    expect(
      words('incident', { level: 'near miss', what: 'Ladder slipped.', done: 'Tied it.' }, 'metric'),
    ).toBe('Near miss: Ladder slipped. Done: Tied it.');
    expect(words('fault', { what: 'Spits.', cure: 'strained the paint', sprayerId: null }, 'metric')).toBe(
      'Spits; cured by: strained the paint',
    );
  });

  it('comes with its values beside the words, as they are stored', () => {
    const entry = ENTRIES.find(({ kind }) => kind === 'sprayed');
    if (!entry) throw new Error('no litres');
    const [, row = ''] = csvOf(journalSheet(journal([entry], OPTIONS))).split('\r\n');
    expect(row).toContain(JSON.stringify(entry.payload).replaceAll('"', '""'));
  });

  it('goes out as CSV with its ids, and text that looks like a formula is made harmless', () => {
    const text = csvOf(journalSheet(journal([note('=2+2', { author: '@x' })], OPTIONS)));
    const [header, row] = text.replace(/^\uFEFF/, '').split('\r\n');
    expect(header).toBe('Day,Time,Kind,Place,What,Who,Replaced by,Id,Replaces,"Values (SI, JSON)"');
    expect(row).toMatch(/^2026-11-25,08:00,Note,Without a job,"?'=2\+2/);
  });

  it('has the viscosity records as a sheet of their own', () => {
    const checks = viscosityLines(ENTRIES, NAMES, () => 60);
    const lines = csvOf(viscositySheet(checks, 'us')).trim().split('\r\n');
    expect(lines[0]).toMatch(/^.?Coating,Batch,New container,Shift,Who,Date,Time,Paint \(°F\),Cup,Before/);
    expect(lines.length).toBe(1 + entriesOfKind(ENTRIES, 'viscosity').length);
    // Local time, by the coating and then as it was done; each says who.
    const sample = entriesOfKind(ENTRIES, 'viscosity')[0];
    const first = checks.find(({ payload }) => payload === sample?.payload);
    expect(first && `${first.date}T${first.time}`).toBe(
      new Date(timeOf(sample?.entry as Entry) + 3_600_000).toISOString().slice(0, 16),
    );
    expect(checks.every(({ who }) => who !== '')).toBe(true);
    expect(checks.map(({ coating }) => coating)).toEqual(checks.map(({ coating }) => coating).sort());
  });
});

describe('an entry whose payload is not as its kind says', () => {
  it('is a line that says so, counts nowhere, and takes nothing with it', () => {
    const sound = entriesInForce(ENTRIES).find(({ kind }) => kind === 'sprayed');
    if (!sound) throw new Error('nothing sprayed');
    const broken = { ...sound, id: '01930000-0000-7000-8000-0000000000ff', payload: { volume: 'a lot' } };
    const all = [...ENTRIES, broken];
    expect([isEntry(broken), isReadable(broken)]).toEqual([true, false]);
    expect(coreLog(all)).toEqual(coreLog(ENTRIES));
    expect(entriesInForce(all)).toHaveLength(entriesInForce(ENTRIES).length);
    const line = journalLine(broken, OPTIONS);
    expect(line.words).toMatch(/cannot be read/);
  });

  it.each([
    ['no id', { id: undefined }],
    ['no time', { at: 'noon' }],
    ['a number for its author', { author: 7 }],
    ['no payload', { payload: null }],
    ['a text for its clock', { clockSkew: 'slow' }],
  ])('with %s is no entry', (_what, change) => {
    const [first] = ENTRIES;
    expect(isEntry(first)).toBe(true);
    expect(isEntry({ ...first, ...change })).toBe(false);
  });
});
