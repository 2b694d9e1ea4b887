import { forgetChanges, noteChange, withNewer } from './newer';

beforeEach(forgetChanges);

const row = (id: string, version: number, more: object = {}) => ({ id, version, ...more });
const changed = (resource: 'tips' | 'surfaces', now: { id: string }) =>
  noteChange({ resource, id: now.id, row: now });

describe('a list that was asked for before a change', () => {
  it('is the same list where nothing of it changed', () => {
    const list = [row('a', 1), row('b', 2)];
    expect(withNewer('tips', list)).toBe(list);
    changed('tips', row('a', 1));
    expect(withNewer('tips', list)).toBe(list);
  });

  it('has what was changed, made and deleted since, and never anything older', () => {
    changed('tips', row('a', 3, { note: 'worn' }));
    changed('tips', row('a', 2));
    changed('tips', row('c', 1));
    noteChange({ resource: 'tips', id: 'b', gone: { id: 'b', version: 4, deletedAt: '' } });
    const list = [row('a', 1), row('b', 3), row('d', 9)];
    expect(withNewer('tips', list)).toEqual([row('a', 3, { note: 'worn' }), row('d', 9), row('c', 1)]);
    // Read later, it has something newer still; and one that was brought back over what was left of it.
    expect(withNewer('tips', [row('a', 4), row('b', 5), row('c', 1)])).toEqual([
      row('a', 4),
      row('b', 5),
      row('c', 1),
    ]);
  });

  it('of a job has those of that job: one that was moved is in the other list', () => {
    changed('surfaces', row('a', 2, { jobId: 'two' }));
    expect(withNewer('surfaces', [row('a', 1, { jobId: 'one' })], 'one')).toEqual([]);
    expect(withNewer('surfaces', [], 'two')).toEqual([row('a', 2, { jobId: 'two' })]);
    expect(withNewer('surfaces', [])).toEqual([row('a', 2, { jobId: 'two' })]);
  });
});
