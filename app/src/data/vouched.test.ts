import { RESOURCES, kindOf, isReadable, type Entry } from '@fine-spray/contract';
import { call } from './api';
import { entriesAmong } from './entries';
import { filledRow, fillRowsBy, soundRows } from './sound';
import { allVouched, isVouched, vouchAlike, vouchFor } from './vouched';

/** What this program was built with, as its page says; nothing leaves it out. */
function built(contract: string | undefined): void {
  const meta = { content: contract ?? '' };
  (globalThis as { document?: unknown }).document = { querySelector: () => meta };
}
const had = (globalThis as { document?: unknown }).document;
const fetched = globalThis.fetch;
afterEach(() => {
  (globalThis as { document?: unknown }).document = had;
  globalThis.fetch = fetched;
});

const answer = (contract: string | undefined, body: unknown) => {
  const headers = { get: (name: string) => (name === 'Contract' ? (contract ?? null) : null) };
  const response = { status: 200, ok: true, headers, json: () => Promise.resolve(body) };
  globalThis.fetch = jest.fn(() => Promise.resolve(response)) as unknown as typeof fetch;
};

const row = () => ({ id: 'a', nothing: 'as any schema has it' });

describe('rows of an answer', () => {
  it.each([
    ['the same contract', 'one', 'one', true],
    ['another contract', 'one', 'two', false],
    ['no contract said', 'one', undefined, false],
    ['a program that was not built', undefined, undefined, false],
    ['a program that was not built, of a server that was', undefined, 'one', false],
  ] as const)('%s', async (_what, ours, theirs, expected) => {
    built(ours);
    const [item, changed, written, sent] = [row(), row(), row(), row()];
    const body = {
      items: [item, { resource: 'jobs', id: 'a', row: changed }],
      rows: [written, null],
      results: [{ row: sent }, { problem: {} }],
    };
    answer(theirs, body);
    await call('GET', '/api/jobs');
    expect([body, item, changed, written, sent].map(isVouched)).toEqual(Array(5).fill(expected));
  });

  it('are the same where they stand for others that say the same', () => {
    const [one, other] = [row(), row()];
    vouchFor([one]);
    const next = [row(), row()];
    vouchAlike([one, other], next);
    expect(next.map(isVouched)).toEqual([true, false]);
    expect([allVouched(next), allVouched([next[0]]), allVouched(next[0])]).toEqual([false, true, true]);
    // Lists of other lengths say nothing of each other.
    const longer = [row(), row(), row()];
    vouchAlike([one, other], longer);
    expect(longer.some(isVouched)).toBe(false);
  });
});

it('rows that are vouched for are neither checked nor filled in once more; all others are', () => {
  const fill = jest.fn((_name: string, one: object) => ({ ...one, filled: true }));
  fillRowsBy(fill);
  const [theirs, ours] = [row(), row()];
  vouchFor([theirs]);
  expect(soundRows('jobs', [theirs, ours], 'jobs under test')).toEqual([theirs]);
  expect([filledRow('jobs', theirs), filledRow('jobs', ours)]).toEqual([theirs, { ...ours, filled: true }]);
});

describe('entries', () => {
  const entry = (payload: object): Entry => ({
    id: 'a',
    kind: 'note',
    schema: 1,
    at: '2026-11-01T08:00:00.000Z',
    author: '',
    jobId: null,
    surfaceId: null,
    replaces: null,
    payload: { ...payload },
    version: 1,
    createdAt: '2026-11-01T08:00:00.000Z',
    updatedAt: '2026-11-01T08:00:00.000Z',
    clockSkew: null,
    personId: null,
  });

  it('of the same contract are readable without a look at what they say', () => {
    const [checked, unchecked] = [entry({}), entry({})];
    vouchFor([checked]);
    expect(entriesAmong([checked, unchecked])).toEqual([checked, unchecked]);
    expect([isReadable(checked), isReadable(unchecked)]).toEqual([true, false]);
  });

  it('are checked with all they say by who vouches for them: the schema of the server’s list has their payload', () => {
    const { row: schema } = RESOURCES.entries;
    const good = { text: 'Primer is on the van.' };
    expect(kindOf('note').payload.safeParse(good).success).toBe(true);
    const id = '01930000-0000-7000-8000-000000000001';
    expect([good, {}].map((payload) => schema.safeParse({ ...entry(payload), id }).success)).toEqual([
      true,
      false,
    ]);
  });
});
