import type { PassSettings } from '../passes';
import type { Element, SurfaceKind } from '../takeoff';
import { fittedStages, leavesStages } from './leaves';
import type { SurfacePart } from './parts';
import { barStages, runStage, uprightFirst } from './runs';
import { ceilingStages, wallStages } from './sheets';
import type { Ground, LaidStage, PassingOptions } from './stage';

/** The stages of a surface in the order a person does them. */
export function stagesFor(
  parts: readonly SurfacePart[],
  element: Element,
  kind: SurfaceKind,
  settings: PassSettings,
  options: PassingOptions,
): readonly LaidStage[] {
  const ground: Ground = { ...options, element, kind, settings };
  switch (element) {
    case 'wall':
    case 'lapped-fence':
      return parts.flatMap((part) => wallStages(ground, part));
    case 'ceiling':
      return parts.flatMap((part) => ceilingStages(ground, part));
    case 'door':
      return leavesStages(ground, parts);
    case 'cabinet':
      return fittedStages(ground, parts);
    case 'trim':
    case 'edge':
      return parts.map((part) => runStage(ground, part));
    case 'spindles':
    case 'open-fence':
      return uprightFirst(parts).flatMap((part) => barStages(ground, part));
  }
}
