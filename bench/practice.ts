import { requestFor } from '@fine-spray/contract/planning';
import {
  LiveFilm,
  handJob,
  momentsOf,
  replay,
  targetOf,
  usualHand,
  type PracticeTarget,
} from '@fine-spray/core/practice';
import { seeded } from '@fine-spray/core/random';
import { simulateAll } from '@fine-spray/core/simulation';
import { wallRequest } from '@fine-spray/core/testing';
import { ternRows } from './tern';

/** A wall of 6 x 2.6 m to practise on. */
function wall(): PracticeTarget {
  const made = targetOf(
    wallRequest({ geometry: { shape: 'rectangle', width: 6, height: 2.6, count: 1, openings: [] } }),
  );
  if (!made.ok) throw new Error(made.message);
  return made.value;
}

/** A pointer is told of so often, s. */
const SAMPLE = 1 / 60;
/** Times that each move is timed. */
const ROUNDS = 2;

/**
 * Seconds of the moves of one stroke at sixty places a second, runs and laps on, on a wall with ten strokes on it and with a thousand: the
 * median of each, and the costliest move of all.
 */
export function liveStrokes(): { ten: number; thousand: number; costliest: number } {
  const target = wall();
  const moments = momentsOf(usualHand(target, seeded(4)));
  const lasts = (moments.at(-1)?.gun.time ?? 0) + 1;
  const { y = 1 } = target.wall.plan.passes[5]?.from ?? {};
  const { gunSpeed, distance } = target.settings;
  const onto = (strokes: number): { median: number; costliest: number } => {
    let least: number[] = [];
    for (let turn = 0; turn < ROUNDS; turn += 1) {
      const begun = LiveFilm.begin(target);
      if (!begun.ok) throw new Error(begun.message);
      const film = begun.value;
      let clock = 0;
      for (; film.recording().strokes.length < strokes; clock += lasts)
        replay(
          film,
          moments.map(({ gun, trigger }) => ({ gun: { ...gun, time: gun.time + clock }, trigger })),
        );
      film.lift();
      const way = Math.round(6 / gunSpeed / SAMPLE);
      const times = Array.from({ length: way }, (_unused, index) => {
        const gun = { y, distance, tiltAcross: 0, tiltThrough: 0.05, orientation: Math.PI / 2 };
        const x = index * SAMPLE * gunSpeed;
        const started = performance.now();
        film.move({ ...gun, x, time: clock + index * SAMPLE }, true);
        return (performance.now() - started) / 1000;
      });
      least = times.map((time, index) => Math.min(time, least[index] ?? Infinity));
    }
    return {
      median: [...least].sort((a, b) => a - b)[least.length >> 1] ?? 0,
      costliest: Math.max(...least),
    };
  };
  const [ten, thousand] = [onto(10), onto(1000)];
  return {
    ten: ten.median,
    thousand: thousand.median,
    costliest: Math.max(ten.costliest, thousand.costliest),
  };
}

/** Seconds of the films of all surfaces of Tern Boathouse, every pass of one coat, one after the other on one core. */
export function houseFilms(): { seconds: number; surfaces: number; passes: number } {
  const { job, surfaces, kit } = ternRows();
  let passes = 0;
  let films = 0;
  const jobs = surfaces.flatMap((surface) => {
    const request = requestFor(surface, job, kit);
    const made = request && handJob(request);
    if (!made?.ok) return [];
    passes += made.value.passes;
    return [made.value.job];
  });
  const started = performance.now();
  for (const one of jobs) {
    if (simulateAll(one).ok) films += 1;
  }
  return { seconds: (performance.now() - started) / 1000, surfaces: films, passes };
}
