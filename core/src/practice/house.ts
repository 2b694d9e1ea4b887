import { setupCard, type SetupRequest } from '../setup';
import { simulateAll, type SimulationJob } from '../simulation';
import { accept, quantity, type Length, type Result, type UnitSystem } from '../units';
import { wallFilm } from '../wallFilm';

/** Cells a film is worked out on where films of surfaces are held against each other. */
export const HOUSE_CELLS = 600 * 480;

/** A hand that strays as usual, the same on every surface. */
const SEED = 1;

/** What a usual hand lays on a surface by its card. */
export interface HandFilm {
  /** Wet film over the piece, m: laid and wanted. */
  readonly mean: number;
  readonly wanted: number;
  /** Standard deviation over mean. */
  readonly variation: number;
  /** Share of the piece under four fifths of what is wanted, and over the sag limit. */
  readonly thin: number;
  readonly over: number;
  readonly passes: number;
}

/**
 * The simulation of every pass of a coat that a usual hand lays on a surface, on cells as fine for a small piece as for a wall.
 * @returns it with the film that is wanted, m; a refusal where the surface has no card
 */
export function handJob(
  request: SetupRequest,
  system: UnitSystem = 'metric',
): Result<{ readonly job: SimulationJob; readonly wanted: number; readonly passes: number }> {
  const card = setupCard(request, system);
  if (!card.ok) return card;
  const film = wallFilm(request, card.value, SEED, system);
  if (!film.ok) return film;
  const { job, plan } = film.value;
  const cell = quantity<Length>(Math.max(0.001, Math.sqrt((job.width * job.height) / HOUSE_CELLS)));
  return accept({ job: { ...job, cell }, wanted: card.value.wetFilm.value, passes: plan.passes.length });
}

/** What a usual hand lays on a surface by its card. */
export function handFilm(request: SetupRequest, system: UnitSystem = 'metric'): Result<HandFilm> {
  const made = handJob(request, system);
  if (!made.ok) return made;
  const { job, wanted, passes } = made.value;
  const laid = simulateAll(job);
  if (!laid.ok) return laid;
  const { mean, variation, shareUnderMinimum: thin, shareOverSag: over } = laid.value.statistics;
  return accept({ mean, wanted, variation, thin, over, passes });
}

/** How much of a piece goes wrong under a usual hand: what is thin, and what runs. */
export const wrongShare = ({ thin, over }: Pick<HandFilm, 'thin' | 'over'>): number => thin + over;
