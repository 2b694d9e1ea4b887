import { simulateAll } from '../simulation';
import { wallRequest } from '../testing';
import { of } from '../units';
import { targetOf } from './target';
import { HOUSE_CELLS, handFilm, handJob, wrongShare } from './house';

const hoses = [{ length: of(15, 'm'), bore: of(1 / 4, 'in') }];
const sized = (width: number, height: number) =>
  wallRequest({ hoses, geometry: { shape: 'rectangle', width, height, count: 1, openings: [] } });

describe('what a usual hand lays on a surface', () => {
  it('is worked out on as many cells for a door as for a gable, with the limits and the film of its card', () => {
    for (const [width, height] of [
      [0.8, 2],
      [6, 2.6],
      [12, 4],
    ] as const) {
      const [made, target] = [handJob(sized(width, height)), targetOf(sized(width, height))];
      if (!made.ok || !target.ok) throw new Error('no film');
      const { job, wanted, passes } = made.value;
      expect((job.width * job.height) / job.cell ** 2 / HOUSE_CELLS).toBeCloseTo(1, 6);
      expect([wanted, job.limits]).toEqual([target.value.wanted, target.value.wall.job.limits]);
      expect(passes).toBe(target.value.wall.plan.passes.length);
    }
  });

  it('is what the simulation says of all its strokes, the same each time, and strays more than a steady hand', () => {
    const request = sized(4, 2.4);
    const [film, again, made, target] = [
      handFilm(request),
      handFilm(request),
      handJob(request),
      targetOf(request),
    ];
    if (!film.ok || !made.ok || !target.ok) throw new Error('no film');
    expect(again).toEqual(film);
    const laid = simulateAll(made.value.job);
    const steady = simulateAll({ ...target.value.wall.job, cell: made.value.job.cell });
    if (!laid.ok || !steady.ok) throw new Error('not laid');
    const { mean, variation, shareUnderMinimum, shareOverSag } = laid.value.statistics;
    expect(film.value).toMatchObject({ mean, variation, thin: shareUnderMinimum, over: shareOverSag });
    expect(wrongShare(film.value)).toBeCloseTo(shareUnderMinimum + shareOverSag, 12);
    expect(variation).toBeGreaterThan(steady.value.statistics.variation);
  });

  it('is none where the surface has no card', () => {
    expect(handFilm({ ...sized(4, 2.4), coats: 0 }).ok).toBe(false);
  });
});
