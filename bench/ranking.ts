import {
  ARCHETYPE_IDS,
  SPRAYER_CLASSES,
  SPRAYER_CLASS_DATA,
  of,
  quantity,
  setupCard,
  tipCatalogue,
  type SetupRequest,
} from '@fine-spray/core';

function request(
  archetype: (typeof ARCHETYPE_IDS)[number],
  sprayer: (typeof SPRAYER_CLASSES)[number],
): SetupRequest {
  return {
    element: 'wall',
    side: 'inside',
    kind: 'smooth-board',
    condition: 'bare',
    wind: 'calm',
    geometry: { shape: 'rectangle', width: 6.2, height: 2.6, count: 1, openings: [] },
    coating: { name: archetype, archetype, overrides: {} },
    coats: 2,
    thinning: quantity(0),
    sprayer: SPRAYER_CLASS_DATA[sprayer],
    hoses: [
      { length: of(15, 'm'), bore: of(3 / 8, 'in') },
      { length: of(1.5, 'm'), bore: of(3 / 16, 'in') },
    ],
    lift: of(2, 'm'),
    rack: tipCatalogue().slice(0, 10),
    containerSizes: [1, 2.5, 5, 10].map((size) => of(size, 'L')),
  };
}

/** Times of whole set-up cards, ms: every coating on every sprayer, after a warm-up. */
export function cardTimes(rounds: number): { tips: number; times: number[] } {
  const requests = ARCHETYPE_IDS.flatMap((archetype) =>
    SPRAYER_CLASSES.map((sprayer) => request(archetype, sprayer)),
  );
  for (const one of requests) setupCard(one);
  const times: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    for (const one of requests) {
      const started = performance.now();
      setupCard(one);
      times.push(performance.now() - started);
    }
  }
  return { tips: tipCatalogue().length, times: times.sort((a, b) => a - b) };
}
