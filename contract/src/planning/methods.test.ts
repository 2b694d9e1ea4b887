import { demoCompany, demoFile, STORED } from '../testing/demo';
import { USUAL_BOOK, jobFile } from '..';
import { PRICED_AT, methodsByRoom, workOutJob } from '.';

const { kit, jobs } = demoCompany();
const kiln = jobs.find(({ job }) => job.name.startsWith('Kiln House'));
if (!kiln) throw new Error('no Kiln House');
const places = jobFile.parse(demoFile('kiln-house.job.json')).places.map((one) => ({ ...one, ...STORED }));
const { work } = workOutJob({
  ...{ job: kiln.job, surfaces: kiln.surfaces, kit, places, book: { ...USUAL_BOOK, hour: 40 } },
  ...PRICED_AT,
});
if (!work) throw new Error('no work');
const all = methodsByRoom(work);

describe('Kiln House, sprayed or rolled', () => {
  const [whole, ...rooms] = all;

  it('is told for the job and for each room; area and paint that stays on add up', () => {
    expect(all.map(({ room }) => room)).toEqual([undefined, 'Hall', 'Front room', 'Back room']);
    const sum = rooms.reduce((area, one) => area + one.area, 0);
    expect(whole?.area).toBeCloseTo(sum, 6);
    // Walls and ceilings of two coats: twice the net areas of the take-off
    expect(whole?.area).toBeGreaterThan(100);
  });

  it('takes less paint rolled, and hours by its own rates', () => {
    for (const { answers, area, cost } of all) {
      const [spray, roll, fed] = answers;
      expect(answers.map(({ method }) => method)).toEqual(['spray', 'roll', 'fed roll']);
      if (!spray || !roll || !fed) throw new Error('no answers');
      // What goes beside the piece and into the air stays in the pail
      expect(roll.paint.value).toBeLessThan(spray.paint.value);
      expect(fed.paint.value).toBeGreaterThan(roll.paint.value);
      // The rolling alone takes area ÷ 18 m²/h; the rest is cutting in and the floor
      expect(roll.hours.value / 3600).toBeGreaterThan(area / 18);
      expect(roll.before).toBeLessThan(spray.before);
      for (const { hours } of answers) {
        expect(hours.low).toBeLessThan(hours.value);
        expect(hours.high).toBeGreaterThan(hours.value);
      }
      expect(cost.every((one) => one !== null && one > 0)).toBe(true);
    }
  });

  it('is sprayed from so much area on: there both take as long', () => {
    for (const { answers, area, from } of all) {
      const [spray, roll] = answers;
      if (!spray || !roll || from === undefined) continue;
      const at = (one: typeof spray) => one.before + ((one.hours.value - one.before) / area) * from;
      expect(at(spray)).toBeCloseTo(at(roll), 3);
      expect(area > from).toBe(spray.hours.value < roll.hours.value);
    }
    expect(all.some(({ from }) => from !== undefined)).toBe(true);
  });
});
