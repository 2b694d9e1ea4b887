import { archetypeOf, checkCoating, coatingInput, coatingValues } from '../coating';
import { explain, given, workingDefault, type Explained } from '../explain';
import { sagLimitFor, wetForDry } from '../film';
import { hoseVolume, lineLoss, liftPressure } from '../line';
import { LOSSES, containersFor, type ContainerCount } from '../quantities';
import { cautionsFor, type Caution } from '../safety';
import {
  ELEMENT_DATA,
  SURFACE_KINDS,
  measure,
  transferEfficiency,
  usualFans,
  type AreaBreakdown,
} from '../takeoff';
import { DISCHARGE, FAMILY_DATA, NOMINAL_DISTANCE, fanWidth, orificeDiameter, writeTipCode } from '../tip';
import { accept, of, quantity, refuse, type Result, type UnitSystem } from '../units';
import { flowWith, workOut } from './candidate';
import { EVEN_FAN_RANGE, evenFanPressure } from './evenFan';
import { rankTips, reasonAgainst, reasonFor, score, type RankedTip, type Ranking } from './rank';
import { coatingMesh, fluidOf, meshFor, type SearchContext, type SetupRequest } from './request';

export interface TipAdvice {
  readonly tip: RankedTip;
  readonly code: string;
  readonly reason: string;
}

/** The set-up of one surface: the signature answer of the product. All numbers SI and self-explaining. */
export interface SetupCard {
  readonly tip: TipAdvice;
  /** The best tip when another was chosen by hand. */
  readonly chosen: boolean;
  readonly nextBest: readonly TipAdvice[];
  readonly refusedTips: number;
  readonly fan: Explained;
  readonly gunPressure: Explained & { readonly start: number; readonly stop: number };
  readonly pumpPressure: Explained & { readonly start: number; readonly stop: number };
  readonly flow: Explained;
  readonly overlap: Explained & { readonly name: string };
  readonly distance: Explained;
  readonly gunSpeed: Explained;
  readonly stroke: { readonly length: number; readonly time: number };
  readonly wetFilm: Explained;
  readonly dryFilm: Explained;
  readonly sagLimit: Explained;
  /** Passes in which one coat is laid so that none is over the sag limit. */
  readonly passesPerCoat: number;
  readonly thinningLimit: Explained;
  readonly mesh: Explained;
  readonly area: AreaBreakdown;
  readonly paint: Explained;
  readonly hoseFill: Explained;
  readonly containers: readonly ContainerCount[];
  readonly containersAtWorst: readonly ContainerCount[];
  readonly triggerTime: number;
  readonly cautions: readonly Caution[];
}

const COATS_LIMIT = 9;
const OWN_CHOICE = 'Chosen here';

function checkRequest(request: SetupRequest, system: UnitSystem): Result<AreaBreakdown> {
  const area = measure(request.geometry, system);
  if (!area.ok) return area;
  const { coats, coating, thinning, sprayer } = request;
  if (!Number.isInteger(coats) || coats < 1 || coats > COATS_LIMIT) {
    return refuse('coats', 'coats', `Coats must be a whole number from 1 to ${COATS_LIMIT}.`);
  }
  const checked = checkCoating(coating, system);
  if (!checked.ok) return checked;
  const { thinningLimit } = coatingValues(coating);
  if (!(thinning >= 0 && thinning <= thinningLimit + 1e-9)) {
    const limit = Math.round(thinningLimit * 1000) / 10;
    return refuse(
      'thinning.limit',
      'thinning',
      `Thin this coating by ${limit} % at most. Warm it, or fit a larger orifice instead.`,
    );
  }
  if (archetypeOf(coating.archetype).base === 'solvent' && sprayer.waterOnly) {
    return refuse(
      'sprayer.base',
      'sprayerId',
      'This coating carries solvent and this sprayer is for water-borne paint only: its packings would fail and sparks could ignite the mist. Choose another sprayer or a water-borne coating.',
    );
  }
  return area;
}

function searchContext(request: SetupRequest): SearchContext & { passes: number; sag: number } {
  const values = coatingValues(request.coating);
  const wet = wetForDry(quantity(values.dryFilm), quantity(values.volumeSolids), request.thinning);
  const sag = sagLimitFor(quantity(values.sagLimit), ELEMENT_DATA[request.element].sagsSooner);
  const passes = Math.max(1, Math.ceil(wet / sag - 1e-9));
  return { request, values, fluid: fluidOf(request), wetPerCoat: quantity(wet / passes), passes, sag };
}

/** Length a stroke is timed over: a wall's usual 2.4 m (8 ft), shorter where the piece is. */
function strokeLength(side: number, system: UnitSystem): number {
  const steps =
    system === 'metric' ? [2.4, 1.2, 0.6, 0.3] : [of(8, 'ft'), of(4, 'ft'), of(2, 'ft'), of(1, 'ft')];
  return steps.find((step) => step <= side * 1.05) ?? side;
}

/**
 * The set-up card of a surface: ranks the catalogue, takes the best tip (or the one chosen by hand) and works out
 * every number with its formula, inputs and range. Refuses, with the field, what cannot be sprayed as asked.
 */
export function setupCard(request: SetupRequest, system: UnitSystem = 'metric'): Result<SetupCard> {
  const area = checkRequest(request, system);
  if (!area.ok) return area;
  const context = searchContext(request);
  const ranking = rankTips(context, system);
  const best = ranking.tips[0];
  if (!best) {
    return refuse(
      'setup.none',
      'sprayerId',
      `No tip works with this sprayer, hose and coating. ${usualRefusal(ranking, request)}`,
    );
  }
  let main = best;
  if (request.chosenTip) {
    const result = workOut(context, request.chosenTip, system);
    if (!result.ok) return { ...result, field: 'tip' };
    main = score(result.value, context);
  }
  const mainCode = writeTipCode(main.tip);
  const others = ranking.tips
    .filter((tip) => tip.tip.family !== main.tip.family || writeTipCode(tip.tip) !== mainCode)
    .slice(0, 2);
  const tip: TipAdvice = { tip: main, code: mainCode, reason: reasonFor(main, context, system) };
  return accept({
    tip,
    chosen: request.chosenTip !== undefined,
    nextBest: others.map((other) => ({
      tip: other,
      code: writeTipCode(other.tip),
      reason: reasonAgainst(other, main, context, system),
    })),
    refusedTips: ranking.refused.length,
    ...numbersFor(context, main, area.value, system),
  });
}

/** Why the tip one would reach for first, of the coating's usual orifice, was refused. */
function usualRefusal({ refused }: Ranking, { coating, element, side, wind }: SetupRequest): string {
  const { low } = archetypeOf(coating.archetype).orifices;
  const fan = usualFans(element, side, wind).low;
  const family = FAMILY_DATA['standard'].orifices.high >= low ? 'standard' : 'heavy-texture';
  const usual = refused.find(({ tip }) => tip.family === family && tip.orificeThou >= low && tip.fan === fan);
  return (usual ?? refused[0])?.refusal.message ?? '';
}

/** Every number of the card for one tip. */
function numbersFor(
  context: SearchContext & { passes: number; sag: number },
  main: RankedTip,
  area: AreaBreakdown,
  system: UnitSystem,
) {
  const { request, fluid, passes } = context;
  const { coating, thinning } = request;
  const property = (name: Parameters<typeof coatingInput>[1]) => coatingInput(coating, name);
  const family = FAMILY_DATA[main.tip.family];
  const transfer = transferEfficiency(request.element, request.side, request.wind);
  const solids = property('volumeSolids');
  const dry = property('dryFilm');
  const thinner = given('Thinner per paint', 'percent', thinning, OWN_CHOICE);
  const te = workingDefault(
    'Transfer efficiency',
    'percent',
    transfer.likely,
    transfer.low,
    transfer.high,
    'Working default for this piece',
  );
  const code = writeTipCode(main.tip);
  const orifice = given('Orifice', 'orifice', orificeDiameter(main.tip), `Tip code ${code}`);
  const viscosity = property('viscosityHighShear');

  const distance = explain(
    'gun distance',
    'distance',
    {
      distance: workingDefault(
        'Distance',
        'distance',
        NOMINAL_DISTANCE,
        of(250, 'mm'),
        of(350, 'mm'),
        'School: one distance everywhere',
      ),
    },
    ({ distance: d }) => d,
  );
  const fan = explain(
    'fan width',
    'fanWidth',
    {
      fan: given('Fan number', 'count', main.tip.fan, `Tip code ${code}`),
      distance: workingDefault(
        'Distance',
        'distance',
        NOMINAL_DISTANCE,
        NOMINAL_DISTANCE * 0.95,
        NOMINAL_DISTANCE * 1.05,
        '12 in, as fan numbers are defined',
      ),
    },
    (v) => fanWidth(v.fan, quantity(v.distance)),
  );

  const thinnedBy = fluid.rheology.highShearViscosity / viscosity.value;
  const evenFan = explain(
    'even-fan pressure',
    'pressure',
    {
      family: workingDefault(
        `${family.name} family at 0.1 Pa·s, 0.015 in`,
        'pressure',
        family.evenFanPressure,
        family.evenFanPressure * EVEN_FAN_RANGE.low,
        family.evenFanPressure * EVEN_FAN_RANGE.high,
      ),
      viscosity,
      orifice,
    },
    (v) =>
      (evenFanPressure(main.tip.family, quantity(v.orifice), quantity(v.viscosity * thinnedBy)) * v.family) /
      family.evenFanPressure,
  );
  const ceiling = main.gunPressure < main.evenFanPressure ? main.gunPressure : Infinity;
  const pumpAt = (gun: number) => {
    const flow = flowWith(context, main.tip, gun, fluid.density, DISCHARGE.likely);
    return gun + lineLoss(request.hoses, quantity(flow), fluid) + liftPressure(request.lift, fluid.density);
  };
  const start = Math.min(ceiling, Math.max(family.band.low, EVEN_FAN_RANGE.low * main.evenFanPressure));
  const highest = Math.min(family.band.high, EVEN_FAN_RANGE.high * main.evenFanPressure, ceiling);
  const stop = pumpAt(highest) <= request.sprayer.maxPressure ? highest : Math.max(main.gunPressure, start);
  const gunPressure = {
    ...evenFan,
    value: main.gunPressure,
    low: start,
    high: Math.max(stop, start),
    start,
    stop,
  };

  const flow = explain(
    'tip flow',
    'flow',
    {
      pressure: {
        ...workingDefault('Gun pressure', 'pressure', main.gunPressure, start, stop, 'Even-fan pressure'),
        source: 'Even-fan pressure of this card',
      },
      orifice,
      density: property('density'),
      coefficient: workingDefault(
        'Discharge coefficient',
        'factor',
        DISCHARGE.likely,
        DISCHARGE.low,
        DISCHARGE.high,
        'Water through 0.017 in at 2,000 psi',
      ),
      viscosity,
    },
    (v) => flowWith(context, main.tip, v.pressure, v.density, v.coefficient),
  );
  const hoses = given(
    'Hose length in all',
    'hoseLength',
    request.hoses.reduce((sum, hose) => sum + hose.length, 0),
    'Hoses of this job',
  );
  const loss = main.pumpPressure - main.gunPressure;
  const pumpNumber = explain(
    'pump setting',
    'pressure',
    {
      gun: workingDefault(
        'Gun pressure',
        'pressure',
        main.gunPressure,
        start,
        stop,
        'Even-fan pressure of this card',
      ),
      loss: workingDefault(
        'Lost in hose and height',
        'pressure',
        loss,
        loss * 0.7,
        loss * 1.3,
        'Power law through two viscosities',
      ),
      hoses,
      lowShear: {
        ...property('viscosityLowShear'),
        low: property('viscosityLowShear').value,
        high: property('viscosityLowShear').value,
      },
    },
    (v) => v.gun + v.loss,
  );
  const pumpPressure = { ...pumpNumber, start: pumpAt(start), stop: pumpAt(stop) };

  const wetFilm = explain(
    'wet film target',
    'wetFilm',
    { dry, solids, thinner },
    (v) => wetForDry(quantity(v.dry), quantity(v.solids), quantity(v.thinner)) / passes,
  );
  const dryFilm = explain(
    'dry film left',
    'dryFilm',
    { wet: given('Wet film', 'wetFilm', wetFilm.value * passes, 'Target of this card'), solids, thinner },
    (v) => (v.wet * v.solids) / (1 + v.thinner),
  );
  const sagLimit = explain('sag limit', 'wetFilm', { limit: property('sagLimit') }, (v) =>
    sagLimitFor(quantity(v.limit), ELEMENT_DATA[request.element].sagsSooner),
  );

  const verdict = main.overlap;
  const overlap = {
    ...explain(
      'overlap choice',
      'percent',
      {
        share: given(
          'Overlap',
          'percent',
          verdict.share,
          `Variation ${Math.round(verdict.variation * 100)} % against ${Math.round(verdict.otherVariation * 100)} % for the other school`,
        ),
      },
      ({ share }) => share,
    ),
    name: verdict.name,
  };
  const gunSpeed = explain(
    'gun speed',
    'speed',
    {
      flow: {
        label: 'Flow',
        kind: 'flow',
        value: flow.value,
        low: flow.low,
        high: flow.high,
        basis: flow.basis,
        source: 'Flow of this card',
      },
      te,
      width: {
        label: 'Fan width',
        kind: 'fanWidth',
        value: fan.value,
        low: fan.low,
        high: fan.high,
        basis: fan.basis,
        source: 'Tip code',
      },
      overlap: given('Overlap', 'percent', verdict.share, 'Overlap of this card'),
      wet: given('Wet film', 'wetFilm', wetFilm.value, 'Target of this card'),
    },
    (v) => (v.flow * v.te) / (v.width * (1 - v.overlap) * v.wet),
  );
  const length = strokeLength(Math.max(request.geometry.width, request.geometry.height), system);
  const laidArea = area.net * SURFACE_KINDS[request.kind].texture * request.coats * passes;
  return {
    fan,
    gunPressure,
    pumpPressure,
    flow,
    overlap,
    distance,
    gunSpeed,
    stroke: { length, time: length / gunSpeed.value },
    wetFilm,
    dryFilm,
    sagLimit,
    passesPerCoat: passes,
    thinningLimit: explain(
      'thinning limit',
      'percent',
      { limit: property('thinningLimit') },
      ({ limit }) => limit,
    ),
    mesh: explain(
      'filter mesh',
      'mesh',
      {
        coating: workingDefault(
          'Mesh for this coating',
          'mesh',
          coatingMesh(coating),
          coatingMesh(coating),
          coatingMesh(coating),
        ),
        orifice,
      },
      () => meshFor(coating, main.tip.orificeThou),
    ),
    area,
    ...paintNumbers(request, area),
    triggerTime: (laidArea * wetFilm.value) / te.value / flow.value,
    cautions: cautionsFor({
      base: archetypeOf(coating.archetype).base,
      element: request.element,
      side: request.side,
      wind: request.wind,
      reach: Math.max(request.geometry.height, request.geometry.ridge ?? 0) + request.lift,
    }),
  };
}

/** Paint a surface needs, without searching a tip: for totals over many surfaces. Refuses as `setupCard` does. */
export function paintNeeded(request: SetupRequest, system: UnitSystem = 'metric'): Result<Explained> {
  const area = checkRequest(request, system);
  return area.ok ? accept(paintNumbers(request, area.value).paint) : area;
}

/** Paint and containers for the coats wanted. Thinner cancels: what is bought is unthinned paint. */
function paintNumbers(request: SetupRequest, area: AreaBreakdown) {
  const { coating, coats } = request;
  const surface = SURFACE_KINDS[request.kind];
  const transfer = transferEfficiency(request.element, request.side, request.wind);
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
      coats: given('Coats', 'count', coats, OWN_CHOICE),
      dry: coatingInput(coating, 'dryFilm'),
      solids: coatingInput(coating, 'volumeSolids'),
      te: workingDefault(
        'Transfer efficiency',
        'percent',
        transfer.likely,
        transfer.low,
        transfer.high,
        'Working default for this piece',
      ),
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
