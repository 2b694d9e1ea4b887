import { demoCompany } from '../testing/demo';
import { hoseChoices, hoseOf, roomsOfJob, standByRoom, standsOfJob } from './stands';

describe('where the machine of a job stands', () => {
  const { kit, jobs } = demoCompany();
  const tern = jobs.find(({ job }) => job.name === 'Tern Boathouse');
  if (!tern) throw new Error('no boathouse');
  const { job, surfaces, places } = tern;
  const rooms = roomsOfJob(surfaces, places);
  const hose = hoseOf(job, kit);

  it('is nowhere known without hose, without ways, or with a hose that is not in the kit', () => {
    expect(hoseOf({ hoseIds: [] }, kit)).toBeUndefined();
    expect(hoseOf({ hoseIds: ['gone'] }, kit)).toBeUndefined();
    expect(standsOfJob(rooms, job.ways, undefined)).toBeUndefined();
    expect(standsOfJob(rooms, [], hose)).toBeUndefined();
  });

  it('reaches every room of the boathouse from few places, each room from one', () => {
    const stands = standsOfJob(rooms, job.ways, hose);
    expect(stands?.stands.map(({ at }) => at)).toEqual(['Outside', 'Landing']);
    expect([...standByRoom(stands).keys()].sort()).toEqual(rooms.map(({ name }) => name).sort());
    // Rooms are measured; stair, doors and outside are told from what is sprayed there.
    expect(rooms.filter(({ measured }) => !measured).map(({ name }) => name)).toEqual([
      ...['Stair', 'Doors', 'Outside'],
    ]);
    // Half way round the house is more than the hose
    expect(stands?.beyond).toMatchObject([{ room: 'Outside', moves: 1 }]);
  });

  it('needs no more places with more hose, and more pressure at the pump', () => {
    const choices = hoseChoices(surfaces, job, kit, rooms, 'metric');
    expect(choices.map(({ hose: length }) => length)).toEqual([16.5, 31.5, 46.5]);
    const [own, more] = choices;
    if (!own || !more) throw new Error('two choices');
    expect(more.stands).toBeLessThan(own.stands);
    expect(more.pump).toBeGreaterThan(own.pump ?? Infinity);
    expect(choices[2]?.refused).toMatch(/hose/);
  });
});
