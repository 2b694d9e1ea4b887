import fc from 'fast-check';
import { seeded } from '../random';
import { simulateAll } from '../simulation';
import { wallRequest } from '../testing';
import type { Element } from '../takeoff';
import { ARM } from '../passes';
import { of } from '../units';
import {
  LiveFilm,
  NO_FAULTS,
  PRACTICE_PIECE_IDS,
  advise,
  checkRecording,
  cutThrough,
  filmUntil,
  jobOf,
  lastsOf,
  learnersHand,
  momentsOf,
  openTimeAt,
  plannedRecording,
  practiceRequest,
  replay,
  scored,
  follow,
  slideSpeed,
  swing,
  sprayedBy,
  targetOf,
  usualHand,
  yardstickOf,
  type Faults,
  type PracticeTarget,
  type Recording,
} from '.';

const SIZES: Readonly<Partial<Record<Element, readonly [number, number]>>> = {
  wall: [2.4, 1.6],
  ceiling: [2, 1.6],
  door: [0.9, 2.04],
  trim: [2, 0.12],
  spindles: [0.16, 0.9],
};

function target(element: Element = 'wall'): PracticeTarget {
  const [width, height] = SIZES[element] ?? [2, 1.5];
  const made = targetOf(
    wallRequest({ element, geometry: { shape: 'rectangle', width, height, count: 1, openings: [] } }),
  );
  if (!made.ok) throw new Error(made.message);
  return made.value;
}

/** The same on larger cells: scores stand on areas, and a test lays hundreds of them. */
function coarse(): PracticeTarget {
  const on = target();
  const { wall } = on;
  return { ...on, wall: { ...wall, job: { ...wall.job, cell: of(15, 'mm') } } };
}

function value<T>(result: { ok: true; value: T } | { ok: false; message: string }): T {
  if (!result.ok) throw new Error(result.message);
  return result.value;
}

function batch(on: PracticeTarget, recording: Recording) {
  return value(simulateAll(jobOf(on, recording)));
}

function played(on: PracticeTarget, recording: Recording): LiveFilm {
  const live = value(LiveFilm.begin(on));
  replay(live, momentsOf(recording));
  live.lift();
  return live;
}

const farthest = (a: Float64Array, b: Float64Array) =>
  a.reduce((most, one, index) => Math.max(most, Math.abs(one - (b[index] as number))), 0);

describe('a film laid live', () => {
  it.each(Object.keys(SIZES) as Element[])(
    'is the batch simulation of its recorded strokes on a %s',
    (element) => {
      const on = target(element);
      const random = seeded(7);
      for (let turn = 0; turn < 4; turn += 1) {
        const live = played(on, learnersHand(on, random));
        const result = batch(on, live.recording());
        const shown = value(live.result());
        expect(farthest(shown.grid.film, result.grid.film)).toBeLessThan(1e-12);
        expect(shown.statistics.mean).toBeCloseTo(result.statistics.mean, 12);
        expect(shown.paint.beside).toBeCloseTo(result.paint.beside, 12);
      }
    },
  );

  it('keeps the account of its paint at every moment', () => {
    const on = target();
    const live = value(LiveFilm.begin(on));
    for (const { gun, trigger } of momentsOf(learnersHand(on, seeded(3)))) {
      live.move(gun, trigger);
      const { sprayed, landed, outside, overspray } = live.simulation;
      expect(Math.abs(sprayed - landed - outside - overspray)).toBeLessThan(1e-15 + 1e-12 * sprayed);
    }
    const { paint } = value(live.result());
    expect(paint.sprayed).toBeCloseTo(paint.onPiece + paint.beside + paint.overspray, 15);
  });

  it('is the film of its planned passes when those are followed', () => {
    const on = target();
    const live = played(on, plannedRecording(on, ARM.moving));
    expect(value(live.result()).statistics.mean).toBeCloseTo(
      batch(on, { strokes: on.wall.job.strokes }).statistics.mean,
      9,
    );
  });

  it('takes whatever a pointer does: moments that run backwards, jumps, a trigger held where the gun stands', () => {
    const on = target();
    const gun = fc.record({
      x: fc.double({ min: -2, max: 5, noNaN: true }),
      y: fc.double({ min: -2, max: 4, noNaN: true }),
      distance: fc.double({ min: 0.1, max: 0.6, noNaN: true }),
      tiltAcross: fc.constant(0),
      tiltThrough: fc.double({ min: -0.6, max: 0.6, noNaN: true }),
      orientation: fc.constantFrom(0, Math.PI / 2, 0.4),
      time: fc.double({ min: 0, max: 20, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(fc.tuple(gun, fc.boolean()), { maxLength: 30 }), (moves) => {
        const live = value(LiveFilm.begin(on));
        for (const [place, trigger] of moves) live.move(place, trigger);
        live.lift();
        const recording = live.recording();
        expect(checkRecording(recording).ok).toBe(true);
        if (recording.strokes.length === 0) return;
        expect(farthest(value(live.result()).grid.film, batch(on, recording).grid.film)).toBeLessThan(1e-11);
      }),
      { numRuns: 20 },
    );
  });

  it('shows every cell that something landed on in the box it returns', () => {
    const on = target();
    const live = value(LiveFilm.begin(on));
    const { columns, film } = live.simulation.grid;
    const random = seeded(5);
    for (const { gun, trigger } of momentsOf(learnersHand(on, random)).slice(0, 60)) {
      const before = film.slice();
      const box = live.move({ ...gun, orientation: 0.3 }, trigger);
      const outside = film.findIndex((one, index) => {
        const column = index % columns;
        const row = (index - column) / columns;
        const inside =
          box && column >= box.left && column <= box.right && row >= box.bottom && row <= box.top;
        return one !== before[index] && !inside;
      });
      expect(outside).toBe(-1);
    }
    expect(live.simulation.landed).toBeGreaterThan(0);
  });

  it('is the same at a moment as it was then', () => {
    const on = target();
    const recording = usualHand(on, seeded(2));
    const half = lastsOf(recording) / 2;
    const then = value(filmUntil(on, recording, half));
    const whole = value(filmUntil(on, recording, Infinity));
    expect(then.simulation.sprayed).toBeGreaterThan(0.3 * whole.simulation.sprayed);
    expect(then.simulation.sprayed).toBeLessThan(0.7 * whole.simulation.sprayed);
    expect(whole.simulation.landed).toBeCloseTo(played(on, recording).simulation.landed, 12);
  });
});

describe('a cut through a film', () => {
  it('is the film of the score along its line, and nothing beside the piece', () => {
    const on = target('wall');
    const live = played(on, usualHand(on, seeded(6)));
    const { grid } = value(live.result());
    const upright = cutThrough(live, { x: 1.3 });
    const level = cutThrough(live, { y: 0.9 });
    expect([upright.length, level.length]).toEqual([grid.rows, grid.columns]);
    const column = Math.floor(1.3 / grid.cell);
    upright.forEach(({ at, film }, row) => {
      expect(at).toBeCloseTo((row + 0.5) * grid.cell, 12);
      if (film !== undefined) expect(film).toBe(grid.film[row * grid.columns + column]);
    });
    // 0.25 m of wall below and above a piece of 1.6 m.
    const on0 = upright.filter(({ film }) => film !== undefined).map(({ at }) => at);
    expect(on0[0]).toBeGreaterThan(0.25);
    expect(on0.at(-1)).toBeLessThan(1.85);
    expect(on0.length * grid.cell).toBeCloseTo(1.6, 1);
  });
});

describe('what time does to a film', () => {
  it('slides with the square of what is over the limit, and not below it', () => {
    const paint = { density: 1300, viscosity: 1 };
    expect(slideSpeed(150e-6, 150e-6, paint)).toBe(0);
    // 50 μm over at 1,300 kg/m³ and 1 Pa·s: 1300 · 9.80665 · (5e-5)² ÷ 2.
    expect(slideSpeed(200e-6, 150e-6, paint)).toBeCloseTo(1.5936e-5, 9);
    expect(slideSpeed(250e-6, 150e-6, paint) / slideSpeed(200e-6, 150e-6, paint)).toBeCloseTo(4, 9);
  });

  it('shows runs where somebody stands still with the trigger pulled, after a while, and none by the plan', () => {
    const on = target();
    const live = value(LiveFilm.begin(on));
    const gun = { x: 1, y: 1, distance: 0.3, tiltAcross: 0, tiltThrough: 0, orientation: Math.PI / 2 };
    for (let time = 0; time <= 2; time += 0.05) live.move({ ...gun, time }, true);
    live.lift();
    expect(live.runs()).toEqual([]);
    for (let time = 2; time < 40; time += 0.5) live.pass(time);
    const [run] = live.runs();
    expect(run?.length).toBeGreaterThan(0.01);
    expect(Math.hypot((run?.x ?? 0) - 1, (run?.y ?? 0) - 1)).toBeLessThan(0.3);

    const planned = played(on, plannedRecording(on, ARM.moving));
    planned.pass(600);
    expect(planned.runs()).toEqual([]);
  });

  it('lets a run stand where it has dried, until more paint comes on it', () => {
    const on = target();
    const live = value(LiveFilm.begin(on));
    const gun = { x: 1, y: 1, distance: 0.3, tiltAcross: 0, tiltThrough: 0, orientation: Math.PI / 2 };
    const spray = (from: number) => {
      for (let time = from; time <= from + 0.3; time += 0.05) live.move({ ...gun, time }, true);
      live.lift();
    };
    const wait = (from: number, seconds: number) => {
      for (let time = from; time < from + seconds; time += 0.5) live.pass(time);
      return live.runs();
    };
    spray(0);
    const wet = wait(1, 20);
    const dried = wait(21, on.openTime);
    expect(dried[0]?.length).toBeGreaterThan(wet[0]?.length ?? Infinity);
    const later = 40 + on.openTime;
    expect(wait(later, 300)).toBe(dried);
    spray(later + 300);
    expect(wait(later + 301, 20)[0]?.length).toBeGreaterThan(dried[0]?.length ?? Infinity);
  });

  it('shows a lap where the edge has dried before the next pass, and none within the open time', () => {
    const on = target();
    const { strokes } = plannedRecording(on, ARM.moving);
    const broken = (pause: number): Recording => ({
      strokes: strokes.map((stroke, index) => {
        const by = index >= 3 ? pause : 0;
        return {
          points: stroke.points.map((point) => ({ ...point, time: point.time + by })),
          triggers: stroke.triggers.map(({ open, close }) => ({ open: open + by, close: close + by })),
        };
      }),
    });
    expect(played(on, broken(0.5 * on.openTime)).wet.lapCells).toBe(0);
    expect(played(on, broken(on.openTime + 30)).wet.lapCells).toBeGreaterThan(100);
  });

  it('closes an edge sooner where it is warm', () => {
    expect(openTimeAt(303.15)).toBeLessThan(openTimeAt(296.15));
    expect(openTimeAt(296.15)).toBe(600);
    expect(openTimeAt(330)).toBe(openTimeAt(303.15));
  });
});

const FAULTS: readonly (readonly [string, Partial<Faults>])[] = [
  ['too fast', { speed: 1.4 }],
  ['too slow', { speed: 0.7 }],
  ['passes too far apart', { spacing: 1.35 }],
  ['too far away', { distance: 1.6 }],
  ['trigger pulled on the piece', { trigger: 0.1 }],
  ['wrist swinging', { swing: 0.6 }],
  ['straying', { lap: 0.2 }],
];

describe('the score of a film', () => {
  const on = coarse();
  const yardstick = value(yardstickOf(on));
  const score = (recording: Recording) => value(scored(on, recording, yardstick));

  it('is a hundred for the planned passes', () => {
    expect(score(plannedRecording(on, ARM.moving)).points).toBeCloseTo(100, 9);
  });

  it.each(FAULTS)('falls by one fault alone: %s', (_name, fault) => {
    const fallen = score(sprayedBy(on, { ...NO_FAULTS, ...fault }, seeded(1)));
    expect(fallen.points).toBeLessThan(97);
    expect(fallen.marks.reduce((sum, { costs }) => sum + costs, 0)).toBeCloseTo(100 - fallen.points, 9);
  });

  it('falls further the worse one fault is', () => {
    for (const fault of ['trigger', 'swing', 'lap'] as const) {
      const [little, much] = [0.05, 0.12].map(
        (size) =>
          score(sprayedBy(on, { ...NO_FAULTS, [fault]: size * (fault === 'swing' ? 5 : 1) }, seeded(1)))
            .points,
      );
      expect(much).toBeLessThan(little as number);
    }
  });

  it('refuses strokes that lie', () => {
    const [stroke] = plannedRecording(on, ARM.moving).strokes;
    if (!stroke) throw new Error('no stroke');
    const lies: readonly Recording[] = [
      { strokes: [stroke, stroke] },
      { strokes: [{ ...stroke, triggers: [{ open: -5, close: 900 }] }] },
      { strokes: [{ ...stroke, points: stroke.points.map((point) => ({ ...point, distance: 9 })) }] },
      { strokes: Array.from({ length: 3000 }, () => stroke) },
    ];
    for (const recording of lies) expect(scored(on, recording, yardstick)).toMatchObject({ ok: false });
  });
});

describe('the advice', () => {
  it('names what raises the score in simulation in at least nineteen of twenty hands, and says where nothing does', () => {
    const on = coarse();
    const yardstick = value(yardstickOf(on));
    const random = seeded(11);
    let raised = 0;
    for (let hand = 0; hand < 20; hand += 1) {
      const { score, first, corrected } = value(advise(on, learnersHand(on, random), yardstick));
      if (first) {
        expect(first.points).toBeGreaterThan(score.points);
        raised += 1;
      } else expect(corrected.every(({ points }) => points < score.points + 1)).toBe(true);
    }
    expect(raised).toBeGreaterThanOrEqual(19);
    expect(value(advise(on, plannedRecording(on, ARM.moving), yardstick)).first).toBeUndefined();
  });

  it.each([
    ['speed', { speed: 1.5 }],
    ['speed', { speed: 0.6 }],
    ['distance', { distance: 1.7 }],
    ['trigger', { trigger: 0.12 }],
    ['tilt', { swing: 0.7 }],
    ['spacing', { lap: 0.25 }],
  ] as const)('names %s where that alone is wrong', (correction, fault) => {
    const on = coarse();
    const yardstick = value(yardstickOf(on));
    const { first } = value(advise(on, sprayedBy(on, { ...NO_FAULTS, ...fault }, seeded(4)), yardstick));
    expect(first?.correction).toBe(correction);
  });
});

describe('pieces to practise on', () => {
  it.each(PRACTICE_PIECE_IDS)(
    '%s has a set-up, passes, and a usual hand that scores less than they do',
    (id) => {
      const on = value(targetOf(practiceRequest(id)));
      const { wall } = on;
      const coarser = { ...on, wall: { ...wall, job: { ...wall.job, cell: of(10, 'mm') } } };
      const yardstick = value(yardstickOf(coarser));
      const score = value(scored(coarser, usualHand(coarser, seeded(9)), yardstick));
      expect(score.points).toBeGreaterThan(30);
      expect(score.points).toBeLessThan(99);
      expect(yardstick.result.statistics.shareOverSag).toBeLessThan(0.02);
    },
  );
});

describe('a wrist', () => {
  const gun = { x: 1.5, y: 1, orientation: Math.PI / 2 };

  it('points where the arm reaches, and straight where the body stands before the gun', () => {
    expect(swing({ x: 1.5, y: 1 }, gun)).toBeCloseTo(0, 12);
    expect(Math.abs(swing({ x: 1.15, y: 1 }, gun))).toBeCloseTo(Math.atan(0.5), 12);
    // No wrist swings further than 40°.
    expect(Math.abs(swing({ x: 0.5, y: 1 }, gun))).toBeCloseTo((40 * Math.PI) / 180, 12);
    expect(swing({ x: 2.2, y: 1 }, gun)).toBeCloseTo(-swing({ x: 0.8, y: 1 }, gun), 12);
  });

  it('is followed by the body', () => {
    let body = { x: 0, y: 1 };
    for (let time = 0; time < 5; time += 0.1) body = follow(body, gun, 0.1);
    expect(Math.abs(swing(body, gun))).toBeLessThan(0.1);
  });
});
