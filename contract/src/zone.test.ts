import { dayIn, offsetIn } from './zone';

const iso = (time: number) => new Date(time).toISOString();

it('knows the offset of a moment, summer time counted', () => {
  const berlin = offsetIn('Europe/Berlin');
  expect(berlin(Date.parse('2026-10-25T00:59:59Z'))).toBe(120);
  expect(berlin(Date.parse('2026-10-25T01:00:00Z'))).toBe(60);
  expect(offsetIn('America/Los_Angeles')(Date.parse('2026-07-01T00:00:00Z'))).toBe(-420);
  expect(offsetIn('UTC')(0)).toBe(0);
});

it('has each moment on one day, 25 hours where the clocks go back and 23 where they go on', () => {
  expect(dayIn('Europe/Berlin', '2026-10-24').map(iso)).toEqual([
    '2026-10-23T22:00:00.000Z',
    '2026-10-24T22:00:00.000Z',
  ]);
  expect(dayIn('Europe/Berlin', '2026-10-25').map(iso)).toEqual([
    '2026-10-24T22:00:00.000Z',
    '2026-10-25T23:00:00.000Z',
  ]);
  expect(dayIn('Europe/Berlin', '2026-03-29').map(iso)).toEqual([
    '2026-03-28T23:00:00.000Z',
    '2026-03-29T22:00:00.000Z',
  ]);
  for (const zone of ['Europe/Berlin', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'UTC']) {
    let [, before] = dayIn(zone, '2025-12-31');
    for (let day = 0; day < 366; day += 1) {
      const date = iso(Date.UTC(2026, 0, 1 + day)).slice(0, 10);
      const [from, until] = dayIn(zone, date);
      expect([zone, date, from]).toEqual([zone, date, before]);
      before = until;
    }
  }
});
