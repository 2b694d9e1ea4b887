import { readFileSync } from 'node:fs';
import path from 'node:path';
import { logFile } from '@fine-spray/contract';
import { demoMove } from './demoMove';

const { entries } = logFile.parse(
  JSON.parse(readFileSync(path.join(__dirname, '../../../demo/millrace.log.json'), 'utf8')),
);
const moments = entries.map(({ at }) => at);

describe('the log of the demo', () => {
  it('lies in working hours of working days, whatever hour and day it is loaded, and before that', () => {
    for (let day = 1; day <= 14; day += 1)
      for (const hour of [0, 3, 7, 12, 13, 18, 23]) {
        const now = new Date(2026, 10, day, hour, 40);
        const { moment } = demoMove(moments, now);
        const moved = moments.map((at) => new Date(moment(at)));
        expect(Math.max(...moved.map(Number))).toBeLessThan(now.getTime());
        // Not long before: the day it is loaded or the working day before
        expect(now.getTime() - Math.max(...moved.map(Number))).toBeLessThan(4 * 86_400_000);
        const wrong = moved.filter((at) => at.getDay() % 6 === 0 || at.getHours() < 6 || at.getHours() >= 16);
        expect([now, wrong]).toEqual([now, []]);
      }
  });

  it('keeps its order, and how many working days lie between', () => {
    const { moment, date } = demoMove(
      ['2026-11-20T07:00:00Z', '2026-11-24T12:00:00Z'],
      new Date(2026, 11, 2, 18, 0),
    );
    // Tuesday the 24th to Wednesday the 2nd; the Friday before was two working days earlier
    expect(date('2026-11-24')).toBe('2026-12-02');
    expect(date('2026-11-20')).toBe('2026-11-30');
    expect(new Date(moment('2026-11-20T07:00:00Z')).getHours()).toBe(7);
    const sorted = [...moments].sort();
    const moved = sorted.map(demoMove(moments, new Date(2026, 11, 2, 18, 0)).moment);
    expect([...moved].sort()).toEqual(moved);
  });
});
