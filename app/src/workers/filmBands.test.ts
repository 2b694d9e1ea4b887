import { createGrid, filmStatistics, of, type SimulationResult } from '@fine-spray/core';
import { BANDS, filmBands } from './filmBands';

/** A wall of ten by ten cells of 100 mm, its film in μm by row from the bottom. */
function simulated(rows: readonly number[]): SimulationResult {
  const grid = createGrid(of(1, 'm'), of(1, 'm'), of(0.1, 'm'));
  if (!grid.ok) throw new Error(grid.message);
  grid.value.film.forEach(
    (_, index) => (grid.value.film[index] = (rows[Math.floor(index / 10)] ?? 0) * 1e-6),
  );
  const statistics = filmStatistics(grid.value, { minimum: of(80, 'μm'), sagLimit: of(200, 'μm') });
  if (!statistics.ok) throw new Error(statistics.message);
  return {
    grid: grid.value,
    statistics: statistics.value,
    paint: { sprayed: 0, onPiece: 0, beside: 0, overspray: 0 },
  };
}
const limits = { minimum: 80e-6, wanted: 100e-6, sagLimit: 200e-6 };

/** Lowest and highest y of a path. */
function heights(path: string): [number, number] {
  const ys = [...path.matchAll(/[ML]([\d.]+) ([\d.]+)/g)].map(([, , y]) => Number(y));
  return [Math.min(...ys), Math.max(...ys)];
}

describe('the bands of a film', () => {
  it('are one for each threshold, thinnest first, in metres from the floor', () => {
    // Bare below half a metre, on target above
    const { bands, width, height } = filmBands(simulated([0, 0, 0, 0, 0, 100, 100, 100, 100, 100]), limits);
    expect(bands.map(({ band }) => band)).toEqual(BANDS.slice(1));
    expect([width, height]).toEqual([1, 1]);
    const [low, high] = heights(bands[1]?.path ?? '');
    // The path is drawn downwards from the top: the film ends near half of the height
    expect(low).toBeLessThan(0.06);
    expect(high).toBeGreaterThan(0.44);
    expect(high).toBeLessThan(0.56);
  });

  it('leave out what is nowhere on the wall', () => {
    const even = filmBands(simulated(Array.from({ length: 10 }, () => 100)), limits).bands;
    expect(even.map(({ band, path }) => [band, path !== ''])).toEqual([
      ['thin', true],
      ['on target', true],
      ['heavy', false],
      ['over the sag limit', false],
    ]);
    const thick = filmBands(simulated(Array.from({ length: 10 }, () => 250)), limits).bands;
    expect(thick.every(({ path }) => path !== '')).toBe(true);
  });
});
