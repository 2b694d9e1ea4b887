import { setupCard, type SetupRequest } from '../setup';
import { simulateAll, wallRequest } from '../testing';
import { of } from '../units';
import { wallFilm } from '.';

describe('the film of a surface by its card', () => {
  const request = (extra: Partial<SetupRequest> = {}) =>
    wallRequest({ hoses: [{ length: of(15, 'm'), bore: of(3 / 8, 'in') }], ...extra });
  const filmOf = (extra: Partial<SetupRequest> = {}, seed?: number) => {
    const card = setupCard(request(extra));
    if (!card.ok) throw new Error(card.message);
    const film = wallFilm(request(extra), card.value, seed);
    if (!film.ok) throw new Error(film.message);
    const result = simulateAll(film.value.job);
    if (!result.ok) throw new Error(result.message);
    return { card: card.value, film: film.value, result: result.value };
  };

  it('lays the wet film of the card, evenly, with no holidays', () => {
    const { card, film, result } = filmOf();
    expect(result.statistics.mean / card.wetFilm.value).toBeGreaterThan(0.97);
    expect(result.statistics.mean / card.wetFilm.value).toBeLessThan(1.08);
    expect(result.statistics.variation).toBeLessThan(0.15);
    expect(result.statistics.holidays).toEqual([]);
    expect(result.statistics.shareOverSag).toBe(0);
    expect(film.plan.reason).toMatch(/top to bottom/);
  });

  it('varies more with a usual hand, the same for the same seed', () => {
    const [steady, one, again, other] = [filmOf(), filmOf({}, 1), filmOf({}, 1), filmOf({}, 2)];
    expect(one.result.statistics).toEqual(again.result.statistics);
    expect(one.result.statistics).not.toEqual(other.result.statistics);
    expect(one.result.statistics.variation).toBeGreaterThan(steady.result.statistics.variation);
  });

  it('runs across the sight on ceilings, along doors, and lays ceilings at once', () => {
    const ceiling = filmOf({
      element: 'ceiling',
      coating: { name: 'C', archetype: 'ceiling-flat', overrides: {} },
    });
    expect(ceiling.film.plan.angle).toBeCloseTo(Math.PI / 2, 12);
    for (const { points } of ceiling.film.job.strokes) {
      expect(points[0]?.x).toBe(points[points.length - 1]?.x);
      expect(points[0]?.orientation).toBe(0);
    }
    const door = filmOf({
      element: 'door',
      coating: { name: 'E', archetype: 'trim-enamel', overrides: {} },
      geometry: { shape: 'rectangle', width: 0.9, height: 2.1, count: 1, openings: [] },
    });
    expect(door.film.plan.angle).toBeCloseTo(Math.PI / 2, 12);
  });
});
