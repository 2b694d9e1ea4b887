import { comparePlan, readRecord } from '@fine-spray/core';
import { schemaOf, type Entry, type OfferFigures } from '..';
import { coreLog } from '../log';
import { STORED } from '../testing/demo';
import { cameTo } from '.';

const JOB = '01930000-0000-7000-8000-0000000000b1';
const MATT = '01930000-0000-7000-8000-0000000000b2';
const PRIMER = '01930000-0000-7000-8000-0000000000b3';
const WALL = '01930000-0000-7000-8000-0000000000b4';

let count = 0;
const entry = (kind: Entry['kind'], payload: object, at: string, surfaceId: string | null = null): Entry =>
  ({
    ...STORED,
    ...{ id: `01930000-0000-7000-8000-0000000001${String((count += 1)).padStart(2, '0')}`, kind, at },
    ...{ schema: schemaOf(kind), author: 'TO', jobId: JOB, surfaceId, replaces: null, payload },
    ...{ clockSkew: null, personId: null },
  }) as Entry;

const range = (likely: number) => ({ low: 0.8 * likely, likely, high: 1.3 * likely });
const FIGURES: OfferFigures = {
  ...{ currency: 'EUR', numbers: 'en', tax: 0.2, lines: [], options: [], notCounted: [] },
  inside: {
    cost: { paint: range(100), consumables: range(30), labour: range(400), total: range(530) },
    hours: { masking: range(4 * 3600), spraying: range(6 * 3600) },
    ...{ days: 2, hour: 40 },
    paint: [{ coatingId: MATT, name: 'Matt', volume: 0.02, cost: 100 }],
  },
};

it('holds paint and hours that were written down against what was offered, by hand', () => {
  const weather = { source: 'by hand', air: 293, surface: null, humidity: 0.5, wind: null, rain: null };
  const coat = { coatingId: MATT, coat: 1 };
  const done = {
    ...{ ...coat, element: 'wall', side: 'inside', kind: 'smooth-board', wind: 'calm' },
    ...{ trueArea: 40, absorbed: 0, whole: null, over: null, weather },
  };
  const log = [
    entry(
      'worked',
      { rate: 'maskingLine', amount: 90, time: 5400, people: 2, state: null },
      '2026-10-05T08:00:00Z',
    ),
    entry('coat started', { ...coat, weather: null }, '2026-10-05T09:00:00Z', WALL),
    entry(
      'sprayed',
      { ...coat, tipId: null, abrasion: 1, counted: true, volume: 0.012 },
      '2026-10-05T10:00:00Z',
      WALL,
    ),
    entry('coat finished', done, '2026-10-05T11:00:00Z', WALL),
    entry('touch-up', { coatingId: PRIMER, volume: 0.0005, why: 'Knock' }, '2026-10-05T12:00:00Z', WALL),
  ];
  const record = readRecord(coreLog(log));
  const jobs = { isJob: (job: string) => job === JOB, jobOfSurface: () => JOB };
  const planned = {
    ...{ surface: WALL, coating: MATT, coat: 1, trueArea: 40, wet: 1e-4, thinning: 0, time: 3600 },
    volume: {
      ...{ value: 0.01, low: 0.009, high: 0.011, kind: 'volume' as const, formula: 'learned value' as const },
      ...{ inputs: [], basis: 'default' as const },
    },
  };
  const compared = comparePlan([planned], record, [], JOB, jobs);
  const came = cameTo(FIGURES, 800, JOB, record, compared);
  // 12 L at 100 for 20 L: 60. Masking 1.5 h of two people, and 2 h of the coat: 5 h at 40 are 200. Of 800: 800 − 60 − 200 − 30
  expect(came.paint).toEqual({ offered: 100, came: expect.closeTo(60, 9) as number });
  expect(came.hours).toEqual({ offered: 36_000, came: 18_000 });
  expect(came.labour.came).toBeCloseTo(200, 9);
  expect(came.left).toEqual({ offered: 270, came: expect.closeTo(510, 9) as number });
  expect(came.unpriced).toEqual([{ coating: PRIMER, volume: expect.closeTo(0.0005, 12) as number }]);
});
