import { coatingInput } from '../coating';
import { explain, given, workingDefault, type Explained } from '../explain';
import { hoseVolume } from '../line';
import { LOSSES, containersFor } from '../quantities';
import { SURFACE_KINDS, type AreaBreakdown } from '../takeoff';
import { accept, of, quantity, type Result, type UnitSystem } from '../units';
import { checkRequest } from './check';
import { transferInput, type SetupRequest } from './request';

/** Paint a surface needs, without searching a tip: for totals over many surfaces. Refuses as `setupCard` does. */
export function paintNeeded(request: SetupRequest, system: UnitSystem = 'metric'): Result<Explained> {
  const area = checkRequest(request, system);
  return area.ok ? accept(paintNumbers(request, area.value).paint) : area;
}

/** Paint and containers for the coats wanted. Thinner cancels: what is bought is unthinned paint. */
export function paintNumbers(request: SetupRequest, area: AreaBreakdown) {
  const { coating, coats } = request;
  const surface = SURFACE_KINDS[request.kind];
  const absorbed = request.condition === 'bare' ? surface.absorbed : 0;
  const excess = surface.texture - 1;
  const { containerResidue, touchUp, pumpFillLitres, gunSpeedScatter } = LOSSES;
  const paint = explain(
    'paint needed',
    'volume',
    {
      area: {
        ...given('Net area', 'area', area.net, 'Sizes of this surface'),
        low: area.net * 0.98,
        high: area.net * 1.02,
      },
      texture: workingDefault(
        'True area over flat',
        'factor',
        surface.texture,
        1 + excess * 0.6,
        1 + excess * 1.4,
        `Working default for ${surface.name.toLowerCase()}`,
      ),
      coats: given('Coats', 'count', coats, 'Chosen here'),
      dry: coatingInput(coating, 'dryFilm'),
      solids: coatingInput(coating, 'volumeSolids'),
      te: transferInput(request),
      absorbed: workingDefault(
        'Soaks into the bare surface',
        'wetFilm',
        absorbed,
        absorbed * 0.5,
        absorbed * 1.5,
        'First coat only; 1 mm is 1 L/m²',
      ),
      hand: workingDefault(
        'Scatter of the gun hand',
        'factor',
        1,
        1 - gunSpeedScatter,
        1 + gunSpeedScatter,
        'Crew gun speed, 10 %',
      ),
      residue: workingDefault(
        'Left in containers',
        'percent',
        containerResidue.likely,
        containerResidue.low,
        containerResidue.high,
      ),
      touchUp: workingDefault('Kept for touch-up', 'percent', touchUp.likely, touchUp.low, touchUp.high),
    },
    (v) =>
      ((v.area * v.texture * v.coats * v.dry * v.hand) / v.solids / v.te + v.area * v.absorbed) *
      (1 + v.residue + v.touchUp),
  );
  const hoseFill = explain(
    'hose fill',
    'volume',
    {
      hoses: given('Inside the hoses', 'volume', hoseVolume(request.hoses), 'Length and bore of the hoses'),
      pump: workingDefault(
        'Pump, filter and suction',
        'volume',
        of(pumpFillLitres.likely, 'L'),
        of(pumpFillLitres.low, 'L'),
        of(pumpFillLitres.high, 'L'),
      ),
    },
    (v) => v.hoses + v.pump,
  );
  return {
    paint,
    hoseFill,
    containers: containersFor(quantity(paint.value + hoseFill.value), request.containerSizes),
    containersAtWorst: containersFor(quantity(paint.high + hoseFill.high), request.containerSizes),
  };
}
