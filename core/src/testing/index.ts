import { SPRAYER_CLASS_DATA } from '../line';
import type { SetupRequest } from '../setup';
import { of } from '../units';

/** A usual inside wall, ready to be set up: what tests and benches start from and change. */
export function wallRequest(extra: Partial<SetupRequest> = {}): SetupRequest {
  return {
    element: 'wall',
    side: 'inside',
    kind: 'smooth-board',
    condition: 'sealed',
    wind: 'calm',
    geometry: { shape: 'rectangle', width: 6.2, height: 2.6, count: 1, openings: [] },
    coating: { name: 'Interior wall matt', archetype: 'wall-matt', overrides: {} },
    coats: 2,
    thinning: of(0, '%'),
    sprayer: SPRAYER_CLASS_DATA['mid electric'],
    hoses: [{ length: of(15, 'm'), bore: of(1 / 4, 'in') }],
    lift: of(0, 'm'),
    rack: [],
    containerSizes: [1, 2.5, 5, 10].map((size) => of(size, 'L')),
    ...extra,
  };
}

export { simulateAll } from '../simulation';
export { filmAlong } from './simulation';
