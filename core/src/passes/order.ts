import { LEAF, completeSizes, type SurfaceGeometry } from '../takeoff';
import { quantity } from '../units';
import { planBars, planDoor, type ComposedPlan } from './composed';
import type { PassSettings } from './settings';

/** One part of a piece in the order it is sprayed. */
export interface PartInOrder {
  readonly name: string;
  readonly how: string;
  /** For all bars together; of doors for one side of one. */
  readonly passes: number;
}

/** Between bars, where nobody has measured it, m: it turns no pass. */
const GAP = 0.1;

function planned(geometry: SurfaceGeometry, settings: PassSettings): ComposedPlan | undefined {
  if (geometry.shape !== 'item') return undefined;
  const { item, count } = geometry;
  const { width, height, length, depth } = completeSizes(item, geometry.sizes);
  const bars = (kind: 'spindles' | 'rails', long: number, side: number) =>
    planBars({ kind, count, length: quantity(long), face: quantity(side), gap: quantity(GAP) }, settings);
  const plan = (() => {
    switch (item) {
      case 'spindle':
      case 'newel':
        return bars('spindles', height, width);
      case 'picket':
        return bars('spindles', height, (width + depth) / 2);
      // Their girth is given: four equal sides of it.
      case 'handrail':
      case 'base-plate':
      case 'fence-rail':
        return bars('rails', length, height / 4);
      case 'door':
      case 'shutter':
      case 'garage-door':
        return planDoor(
          {
            width: quantity(width),
            height: quantity(height),
            panels: { rows: 0, columns: 0 },
            frame: quantity(GAP),
            thickness: quantity(LEAF),
          },
          settings,
        );
      default:
        return undefined;
    }
  })();
  return plan?.ok ? plan.value : undefined;
}

/** The parts of doors and bars in the order that leaves no lap to dry; nothing for a piece that has no parts. */
export function orderOf(geometry: SurfaceGeometry, settings: PassSettings): readonly PartInOrder[] {
  return (planned(geometry, settings)?.parts ?? []).map(({ name, how, passes }) => ({
    name,
    how,
    passes: passes.length,
  }));
}
