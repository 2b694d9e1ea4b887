import {
  ARCHETYPE_IDS,
  SPRAYER_CLASSES,
  SPRAYER_CLASS_DATA,
  of,
  tipCatalogue,
  type SetupRequest,
} from '@fine-spray/core';
import { wallRequest } from '@fine-spray/core/testing';

/** A wide hose with a whip. */
export const HOSES = [
  { length: of(15, 'm'), bore: of(3 / 8, 'in') },
  { length: of(1.5, 'm'), bore: of(3 / 16, 'in') },
];

/** A bare wall with every coating on every sprayer. */
export const REQUESTS: readonly SetupRequest[] = ARCHETYPE_IDS.flatMap((archetype) =>
  SPRAYER_CLASSES.map((sprayer) =>
    wallRequest({
      condition: 'bare',
      coating: { name: archetype, archetype, overrides: {} },
      sprayer: SPRAYER_CLASS_DATA[sprayer],
      hoses: HOSES,
      lift: of(2, 'm'),
      rack: tipCatalogue().slice(0, 10),
    }),
  ),
);

/** Times of a piece of work on every request, ms, in rising order, after a warm-up. */
export function timesOver(rounds: number, work: (request: SetupRequest) => unknown): number[] {
  for (const one of REQUESTS) work(one);
  const times: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    for (const one of REQUESTS) {
      const started = performance.now();
      work(one);
      times.push(performance.now() - started);
    }
  }
  return times.sort((a, b) => a - b);
}
