import { roomsByDay } from './roomsByDay';

const WALL = '01930000-0000-7000-8000-000000000001';
const DOOR = '01930000-0000-7000-8000-000000000002';
const LOOSE = '01930000-0000-7000-8000-000000000003';
const surfaces = [
  { id: WALL, room: 'Hall' },
  { id: DOOR, room: 'Hall closet' },
  { id: LOOSE, room: '' },
];
const at = (task: string, start: number, end: number) => ({
  task,
  start,
  end,
  people: [0],
  sprayer: null,
  setUp: 0,
});

describe('rooms of the days of a plan', () => {
  it('are told by the names of its tasks', () => {
    expect(
      roomsByDay(
        {
          placed: [
            at('Hall closet protect', 480, 520),
            at('Hall mask', 520, 600),
            at(`${WALL} 0`, 600, 700),
            at(`${DOOR} sand 1`, 1440 + 480, 1440 + 500),
            at(`${DOOR} 1 2/3`, 1440 + 500, 1440 + 560),
            at(`${LOOSE} 0`, 2 * 1440 + 480, 3 * 1440 + 490),
            at('Somewhere else protect', 480, 500),
          ],
        },
        surfaces,
      ),
    ).toEqual([
      { day: 0, sprayed: ['Hall'], prepared: ['Hall closet', 'Hall'] },
      { day: 1, sprayed: ['Hall closet'], prepared: ['Hall closet'] },
      { day: 2, sprayed: [''], prepared: [] },
      { day: 3, sprayed: [''], prepared: [] },
    ]);
  });
  it('are none without a plan', () => {
    expect(roomsByDay({ placed: [] }, surfaces)).toEqual([]);
  });
});
