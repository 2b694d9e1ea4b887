import {
  LiveFilm,
  learnersHand,
  momentsOf,
  practiceRequest,
  replay,
  targetOf,
  type PracticeTarget,
} from '@fine-spray/core/practice';
import { seeded } from '@fine-spray/core/random';
import fc from 'fast-check';
import { readStrokes, steppedPoint, writeStrokes } from '.';

const AT = '2026-11-30T10:00:00.000Z';

function onWall(): PracticeTarget {
  const made = targetOf(practiceRequest('wall'));
  if (!made.ok) throw new Error(made.message);
  return made.value;
}

function laid(on: PracticeTarget, moments: ReturnType<typeof momentsOf>): LiveFilm {
  const begun = LiveFilm.begin(on);
  if (!begun.ok) throw new Error(begun.message);
  replay(begun.value, moments);
  begun.value.lift();
  return begun.value;
}

it('a file of strokes lays the film that was laid live, to the last digit', () => {
  const on = onWall();
  const moments = momentsOf(learnersHand(on, seeded(3))).map(({ gun, trigger }) => ({
    gun: steppedPoint(gun),
    trigger,
  }));
  const live = laid(on, moments);
  const file: unknown = JSON.parse(JSON.stringify(writeStrokes(live.recording(), 'wall', AT)));
  const read = readStrokes(file);
  if (!read.ok) throw new Error(read.message);
  expect(read.value).toMatchObject({ piece: 'wall', at: AT });
  const again = laid(on, momentsOf(read.value.recording));
  expect(again.simulation.grid.film).toEqual(live.simulation.grid.film);
  expect(again.recording()).toEqual(live.recording());
});

it('a fan that stands upright or level is that to the last digit', () => {
  for (const orientation of [0, Math.PI / 2])
    expect(
      steppedPoint({ x: 1, y: 1, distance: 0.3, tiltAcross: 0, tiltThrough: 0, orientation, time: 0 })
        .orientation,
    ).toBe(orientation);
});

it('refuses a file that lies, with a sentence', () => {
  const point = [0, 0, 0, 3000, 0, 0, 9000];
  const good = {
    format: 'fine-spray-strokes',
    version: 1,
    piece: 'wall',
    at: AT,
    strokes: [{ open: 0, close: 500, points: [point, [500, 5000, 0, 3000, 0, 0, 9000]] }],
  };
  expect(readStrokes(good).ok).toBe(true);
  const lies = [
    null,
    'strokes',
    { ...good, format: 'something' },
    { ...good, version: 9 },
    { ...good, strokes: [{ ...good.strokes[0], close: 90_000 }] },
    { ...good, strokes: [...good.strokes, ...good.strokes] },
    { ...good, strokes: [{ open: 0, close: 500, points: [point, [500, 5000, 0, 1, 0, 0, 9000]] }] },
    { ...good, strokes: [{ open: 0, close: 500, points: [[0, 1, 2]] }] },
    { ...good, more: true },
  ];
  for (const lie of lies) {
    const read = readStrokes(lie);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.message).toMatch(/^[A-Z].*\.$/);
  }
});

it('takes or refuses anything, and never throws', () => {
  fc.assert(
    fc.property(fc.jsonValue({ maxDepth: 4 }), (value) => {
      expect(typeof readStrokes(value).ok).toBe('boolean');
    }),
  );
});
