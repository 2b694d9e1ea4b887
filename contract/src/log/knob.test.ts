import { schemaOf, type Entry, type EntryKind } from '../entry';
import { knobAtPlace, knobOf, placeOf } from './knob';

const MARKS = ['lowest', 'half', 'full'];
const SPRAYER = '01930000-0000-7000-8000-000000000010';
let count = 0;

function entry(kind: EntryKind, payload: Record<string, unknown>, schema = schemaOf(kind)): Entry {
  count += 1;
  const at = new Date(Date.UTC(2026, 10, 30, 8, count)).toISOString();
  return {
    id: `01930000-0000-7000-8000-${String(count).padStart(12, '0')}`,
    ...{ kind, schema, at, author: 'TO', payload },
    ...{
      jobId: null,
      surfaceId: null,
      replaces: null,
      version: 1,
      clockSkew: null,
      createdAt: at,
      updatedAt: at,
    },
  };
}
const read = (mark: string, next: string | null, pump: number, sprayerId = SPRAYER) =>
  entry('knob', { sprayerId, at: { mark, next }, pump, by: 'gauge' });
const dialledIn = (over: Record<string, unknown>, schema?: number) =>
  entry(
    'set-up confirmed',
    {
      ...{ coatingId: SPRAYER, tip: { family: 'standard', code: '517' }, tipId: null, sprayerId: SPRAYER },
      ...{ hoseIds: [], thinning: 0, temperature: null, gun: 1.2e7, pump: 1.4e7, expected: 1.2e7 },
      ...{ certainty: 0.9, sure: true, cards: 5, width: null },
      ...over,
    },
    schema,
  );
const sprayer = { id: SPRAYER, knobMarks: MARKS };

describe('what the log says of a knob', () => {
  it('is the readings of this sprayer, at the marks it has now', () => {
    const known = knobOf(
      [
        read('lowest', null, 4e6),
        read('lowest', 'half', 8e6),
        read('half', null, 1.2e7),
        read('half', null, 2e7, '01930000-0000-7000-8000-000000000011'),
        read("7 o'clock", null, 1e7),
        // Not next to each other any more.
        read('lowest', 'full', 1e7),
      ],
      sprayer,
    );
    expect(known.readings.map(({ place, pressure }) => [place, pressure])).toEqual([
      [0, 4e6],
      [0.5, 8e6],
      [1, 1.2e7],
    ]);
    expect(known.otherMarks).toBe(2);
    expect(known.curve?.points).toHaveLength(3);
  });

  it('learns from a dial-in whose pressure was read, less from its cards, and nothing from its own curve', () => {
    const knob = { mark: 'half', next: null };
    const by = (over: Record<string, unknown>) => knobOf([dialledIn({ knob, ...over })], sprayer).readings;
    expect(by({ setBy: 'gauge' })).toMatchObject([{ place: 1, pressure: 1.4e7, by: 'gauge' }]);
    expect(by({ setBy: 'guess' })).toMatchObject([{ by: 'dial-in' }]);
    expect(by({ setBy: 'marks' })).toEqual([]);
    expect(by({ setBy: 'gauge', sure: false })).toEqual([]);
    expect(by({ setBy: 'gauge', knob: null })).toEqual([]);
    // As earlier programs wrote them.
    expect(knobOf([dialledIn({}, 2)], sprayer).readings).toEqual([]);
  });

  it('writes a place down by the names of its marks', () => {
    for (const place of [0, 0.5, 1, 1.5, 2]) expect(placeOf(knobAtPlace(place, MARKS), MARKS)).toBe(place);
    expect(knobAtPlace(0.5, MARKS)).toEqual({ mark: 'lowest', next: 'half' });
  });
});
