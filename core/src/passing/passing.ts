import { ELEMENT_DATA, type PlaceMeasure } from '../takeoff';
import { isBackRolled } from '../quantities';
import { isSpots, sprayedPiece, type SetupCard, type SetupRequest } from '../setup';
import { boxOf } from '../shape';
import { accept, refuse, type Result, type UnitSystem } from '../units';
import { checkSettings } from '../passes';
import { passSettingsOf } from '../wallFilm';
import { BODY, isLapped, isTextured } from './habits';
import { partsOf } from './parts';
import type { DoorStands, LaidStage } from './stage';
import { stagesFor } from './stages';
import type { RollingCrew } from './stretches';
import { timedPasses, type TimedPass } from './time';

/** A stage on the time line of its surface. */
export interface PassStage extends Omit<LaidStage, 'passes'> {
  readonly passes: readonly TimedPass[];
  /** When its first pass begins and its last ends, s from the first of all. */
  readonly from: number;
  readonly to: number;
  /** Steps to the side in all its passes; none where everything is in reach of the arm. */
  readonly steps: number;
  /** How much of it is over reach from the floor, m: 0 where nothing is. */
  readonly overReach: number;
}

/** How a surface is passed, from the first pass to the last of one coat. */
export interface Passing {
  readonly stages: readonly PassStage[];
  /** Time of one of each stage with the gun on the move, s: what is rolled, turned or walked between is not in it. */
  readonly time: number;
  readonly gunSpeed: number;
  readonly fanWidth: number;
  /** What is otherwise in the next coat, in words. */
  readonly nextCoat: string;
  /** The coat is rolled into the ground while it is wet. */
  readonly rolled: boolean;
}

export interface PassingRequest {
  /** Which coat: 0 is the first. */
  readonly coat?: number;
  readonly doors?: DoorStands;
  readonly crew?: RollingCrew;
  /** The place it was measured in: tells doors from casings and handrails from spindles. */
  readonly place?: PlaceMeasure | undefined;
}

/** A short while to go to the next piece, s: the picture waits so long, the work may take longer. */
const BETWEEN = 2;

/** Whether pieces of an element stand on the floor, so that what is high is over reach. */
const STANDS: ReadonlySet<string> = new Set(['wall', 'lapped-fence', 'door']);

function stepsOf(stage: LaidStage): number {
  return stage.passes.reduce((sum, { from, to }) => {
    const aside = Math.abs(to.x - from.x);
    return sum + Math.ceil(Math.max(0, aside - BODY.arm) / BODY.step);
  }, 0);
}

function nextCoatWords({ element, kind }: SetupRequest): string {
  if (isLapped(kind) && (element === 'wall' || element === 'lapped-fence'))
    return 'Second coat: from the other side at an angle, so that undersides and laps are met from both.';
  if (element === 'wall' && isTextured(kind))
    return 'Second coat: up and down, across the first, so that the hollows are met from both ways.';
  if (element === 'ceiling') return 'Second coat: the same way, across the sight.';
  return ELEMENT_DATA[element].fine
    ? 'Second coat: the same way. Crossed passes show on smooth work.'
    : 'Second coat: the same way.';
}

/**
 * How a surface is passed by its card: its parts in the order a person does them, the passes of each on the clock.
 * Passes are those the card counts paint by; a second coat crosswise and stretches that are rolled are laid anew.
 * @returns a refusal where the card's settings lay no passes, or nothing of the surface is passed
 */
export function passingOf(
  request: SetupRequest,
  card: SetupCard,
  { coat = 0, doors = 'racked', crew = 'alone', place }: PassingRequest = {},
  system: UnitSystem = 'metric',
): Result<Passing> {
  const settings = passSettingsOf(card);
  const checked = checkSettings(settings, system);
  if (!checked.ok) return checked;
  const { element, kind, geometry } = request;
  const rolled = coat === 0 && !isSpots(request) && isBackRolled(request);
  const parts = isSpots(request)
    ? [{ name: 'One spot', piece: sprayedPiece(request) }]
    : partsOf(element, geometry, place);
  const laid = stagesFor(parts, element, kind, settings, { coat, doors, crew, rolled });
  if (laid.every(({ passes }) => passes.length === 0))
    return refuse('passes.none', 'geometry', 'There is nothing here that a fan passes over.');
  let now = 0;
  const stages = laid.flatMap((stage): readonly PassStage[] => {
    const passes = timedPasses(stage.passes, settings.gunSpeed);
    if (passes.length === 0) return [];
    const from = now === 0 ? 0 : now + BETWEEN;
    const to = from + (passes[passes.length - 1]?.end ?? 0);
    now = to;
    const top = Math.max(...stage.pieces.map(({ outline }) => boxOf(outline).high));
    const overReach = STANDS.has(element) ? Math.max(0, top - BODY.high) : 0;
    return [{ ...stage, passes, from, to, steps: stepsOf(stage), overReach }];
  });
  return accept({
    stages,
    time: now,
    gunSpeed: settings.gunSpeed,
    fanWidth: settings.fanWidth,
    nextCoat: nextCoatWords(request),
    rolled,
  });
}

/** Which stage is on at a time, and how far it is, s: the one before stays until the next begins. */
export function stageAt(
  { stages }: Pick<Passing, 'stages'>,
  time: number,
): { readonly index: number; readonly within: number } {
  let index = 0;
  stages.forEach((stage, place) => {
    if (time >= stage.from - 1e-9) index = place;
  });
  const stage = stages[index];
  return { index, within: stage ? Math.min(stage.to - stage.from, Math.max(0, time - stage.from)) : 0 };
}
