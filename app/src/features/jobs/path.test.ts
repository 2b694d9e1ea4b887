import { jobPath, nextStage, type JobStands } from './path';

const EMPTY: JobStands = {
  ...{ surfaces: 0, rooms: 0, refused: 0, coatings: 0, paint: undefined, planned: undefined, delivered: 0 },
  offers: { all: 0, sent: 0, accepted: 0 },
  coats: { done: 0, all: 0 },
};
const MEASURED: JobStands = {
  ...EMPTY,
  ...{ surfaces: 9, rooms: 3, coatings: 2, paint: '40 L of paint, likely' },
  coats: { done: 0, all: 18 },
};
const next = (stands: JobStands) => nextStage(jobPath(stands), stands);
const text = (stands: JobStands, stage: string) => jobPath(stands).find((one) => one.stage === stage)?.text;

describe('the path of a job', () => {
  it('begins with measuring, and the rest waits for it', () => {
    expect(next(EMPTY)).toBe('measure');
    const others = jobPath(EMPTY).slice(1);
    expect(others.every(({ state }) => state === 'waits')).toBe(true);
  });

  it('goes on with what is open, in the order people work', () => {
    expect(next({ ...MEASURED, refused: 2 })).toBe('systems');
    expect(text({ ...MEASURED, refused: 1 }, 'systems')).toBe('1 surface has no set-up: look at them.');
    expect(next(MEASURED)).toBe('order');
    const sent = { ...MEASURED, offers: { all: 1, sent: 1, accepted: 0 } };
    expect(text(sent, 'order')).toBe('Sent, not answered yet');
    const accepted = { ...MEASURED, offers: { all: 1, sent: 0, accepted: 1 } };
    expect(next(accepted)).toBe('days');
    const planned = { ...accepted, planned: 'By plan done Mon 7 Dec, 09:45' };
    expect(next(planned)).toBe('buy');
    expect(next({ ...planned, delivered: 2 })).toBe('site');
  });

  it('is on site as long as coats are sprayed, whatever was left out before, and ends with what it came to', () => {
    expect(next({ ...MEASURED, coats: { done: 4, all: 18 } })).toBe('site');
    const all = { ...MEASURED, coats: { done: 18, all: 18 } };
    expect(jobPath(all).find(({ stage }) => stage === 'actual')?.state).toBe('done');
    const whole = {
      ...all,
      ...{ planned: 'x', delivered: 1, offers: { all: 1, sent: 0, accepted: 1 } },
    };
    expect(next(whole)).toBeUndefined();
  });

  it('says nothing of offers to whom prices are none of their business', () => {
    expect(jobPath({ ...MEASURED, offers: undefined }).some(({ stage }) => stage === 'order')).toBe(false);
  });
});
