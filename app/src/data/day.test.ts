import { dayOf, dayOfEntry } from './day';

describe('the day of an entry', () => {
  // Half an hour before midnight where the tests run, whatever their time zone.
  const late = new Date(2026, 10, 25, 23, 30).toISOString();

  it('is the one of the user, not the one of Greenwich', () => {
    expect(dayOfEntry({ at: late, clockSkew: null })).toBe('2026-11-25');
    expect(dayOf(new Date(2026, 10, 26, 0, 30).getTime())).toBe('2026-11-26');
  });

  it('is put right by what the clock of the device was wrong', () => {
    expect(dayOfEntry({ at: late, clockSkew: 3600 })).toBe('2026-11-26');
    expect(dayOfEntry({ at: late, clockSkew: 60 })).toBe('2026-11-25');
  });
});
