import {
  comparePlan,
  filmAchieved,
  quantity,
  readRecord,
  tipRecords,
  to,
  type Volume,
} from '@fine-spray/core';
import { coreLog } from '../log';
import { coreTip } from '..';
import { demoCompany } from '../testing/demo';
import { plannedCoats } from '.';

/**
 * Two jobs of the demo by hand: what the log says of paint, film and tips, added up from its entries with a pocket calculator.
 * Litres are as the paint is sold: what went through the gun over one and the thinner that was in it that day.
 */
const { kit, jobs, entries } = demoCompany();
const { coatings, tips } = kit;
const record = readRecord(coreLog(entries));
const OWNED = tips.flatMap(({ id, code, family, litresBefore }) => {
  const tip = coreTip({ code, family });
  return tip ? [{ tip: id, code: tip, before: litresBefore }] : [];
});
const JOBS = {
  isJob: (id: string) => jobs.some(({ job }) => job.id === id),
  jobOfSurface: (surface: string) =>
    jobs.find(({ surfaces }) => surfaces.some(({ id }) => id === surface))?.job.id,
};

const litres = (value: number) => Math.round(to(quantity<Volume>(value), 'L') * 1000) / 1000;
const coatingOf = (id: string) => coatings.find((one) => one.id === id)?.archetype ?? '';

/** Used, delivered and at hand of each coating of a job, litres. */
function paintOf(name: string) {
  const found = jobs.find(({ job }) => job.name === name);
  if (!found) throw new Error(name);
  const { job, surfaces } = found;
  const planned = plannedCoats(surfaces, job, kit);
  return Object.fromEntries(
    comparePlan(planned, record, OWNED, job.id, JOBS)
      .filter(({ used }) => used > 0)
      .map(({ coating, used, delivered, atHand }) => [
        coatingOf(coating),
        [litres(used), litres(delivered ?? NaN), litres(atHand?.value ?? NaN)],
      ]),
  );
}
const film = (job: string, surface: string) => {
  const id = jobs.find((one) => one.job.name === job)?.surfaces.find((one) => one.name === surface)?.id ?? '';
  const byId = Object.fromEntries(coatings.map((one) => [one.id, one]));
  const found = filmAchieved(record, id, byId);
  return Math.round((found?.dry.value ?? NaN) * 1e8) / 100;
};

describe('the demo by hand', () => {
  it('Orchard Row 3: paint used, delivered and at hand', () => {
    expect(paintOf('Orchard Row 3')).toEqual({
      // 3.3 + 1.5 + 2.4, unthinned; one container of 10 went back
      'ceiling-flat': [7.2, 20, 2.8],
      // 6 October with 2 %: 5.1 ÷ 1.02 + 4.9 ÷ 1.02 = 5 + 4.804; 7 October with 3 %: 5.3 ÷ 1.03 + 5.1 ÷ 1.03 = 5.146 + 4.951
      'wall-matt': [19.901, 25, 5.099],
      // 3.2 + 3.4 + 3.3 + 2.7, and 0.2 with the brush
      'wall-satin': [12.8, 15, 2.2],
      // 8 October with 3 %: 2.1 ÷ 1.03 + 0.5 ÷ 1.03 = 2.039 + 0.485; the day after unthinned: 2 + 0.5
      'trim-enamel': [5.024, 7.5, 2.476],
    });
  });

  it('Tern Boathouse: paint used, delivered and at hand', () => {
    expect(paintOf('Tern Boathouse')).toEqual({
      'stain-block': [0.2, 1, 0.8],
      // With 3 %: (5.2 + 5.1) ÷ 1.03 = 10; 60 L were put right to 5.1. With 2 %: (4 + 4.9) ÷ 1.02 = 8.725.
      // Unthinned: 3.6 + 2.4 + 4.3 + 2.2 + 4.2 = 16.7
      'wall-matt': [35.425, 50, 14.575],
      // 1.7 + 2.9 + 1.6
      'ceiling-flat': [6.2, 10, 3.8],
      // 4.2 + 3.4 + 0.9 + 3.6 + 2.9
      'wall-satin': [15, 20, 5],
      'clear-varnish': [11, 15, 4],
      // 1 + 0.8 + 2.3
      'trim-enamel': [4.1, 10, 5.9],
      'exterior-wood-primer': [40.5, 50, 9.5],
    });
  });

  it('film of walls and doors', () => {
    // Combs 112.5, 137.5, 112.5 twice: 120.83 · 0.36 ÷ 1.03 = 42.23 with 3 % in it, then 120.83 · 0.36 = 43.5
    expect(film('Tern Boathouse', 'North wall')).toBeCloseTo(85.73, 1);
    // 129.17 · 0.36 ÷ 1.03 = 45.15, then 120.83 · 0.36 = 43.5
    expect(film('Tern Boathouse', 'South wall')).toBeCloseTo(88.65, 1);
    // (112.5 + 87.5 + 112.5) ÷ 3 · 0.37 ÷ 1.03 = 37.42, then (87.5 + 87.5 + 112.5) ÷ 3 · 0.37 = 35.46
    expect(film('Orchard Row 3', 'Four doors')).toBeCloseTo(72.88, 1);
  });

  it('paint through the tips, with what each had before', () => {
    const found = tipRecords(record, OWNED, Object.fromEntries(coatings.map((one) => [one.id, one])));
    const through = (code: string, family: string) => {
      const tip = tips.find((one) => one.code === code && one.family === family);
      return litres(found.find((one) => one.tip === tip?.id)?.volume ?? NaN);
    };
    // 145 before; matt of both jobs: 5.1 + 4.9 + 5.3 + 5.1 and 5.2 + 5.1 + 4 + 4.9 + 3.6 + 2.4 + 4.3 + 2.2 + 4.2
    expect(through('517', 'standard')).toBe(201.3);
    // 60 before; satin 3.2 + 3.4 + 3.3 + 2.7 and 4.2 + 3.4 + 0.9 + 3.6 + 2.9; what the brush used went through none
    expect(through('515', 'standard')).toBe(87.6);
  });
});
