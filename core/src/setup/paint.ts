import { explain, type Explained } from '../explain';
import { containersFor, fillInputs, keptInputs, sprayedVolume, surfaceInputs, withKept } from '../quantities';
import type { AreaBreakdown } from '../takeoff';
import { accept, quantity, type Area, type Result, type UnitSystem } from '../units';
import { checkRequest } from './check';
import type { SetupRequest } from './request';

/** Net area of a surface whose paint can be worked out. Refuses as `setupCard` does. */
export function netAreaOf(request: SetupRequest, system: UnitSystem = 'metric'): Result<Area> {
  const area = checkRequest(request, system);
  return area.ok ? accept(quantity(area.value.net)) : area;
}

/**
 * Paint and containers for the coats wanted.
 * @param over share of the fan over the piece, by its passes with the tip of the card
 */
export function paintNumbers(
  request: SetupRequest,
  area: AreaBreakdown,
  over: number,
): Record<'paint' | 'hoseFill', Explained> &
  Record<'containers' | 'containersAtWorst', ReturnType<typeof containersFor>> {
  const paint = explain(
    'paint needed',
    'volume',
    { ...surfaceInputs(request, area.net, over), ...keptInputs() },
    (v) => withKept(sprayedVolume(v), v),
  );
  const hoseFill = explain('hose fill', 'volume', fillInputs(request.hoses), (v) => v.hoses + v.pump);
  return {
    paint,
    hoseFill,
    containers: containersFor(quantity(paint.value + hoseFill.value), request.containerSizes),
    containersAtWorst: containersFor(quantity(paint.high + hoseFill.high), request.containerSizes),
  };
}
