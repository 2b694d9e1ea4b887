import { coatingInput } from '../coating';
import { explain, chosen, given, weakestBasis, workingDefault, type Explained, type Input } from '../explain';
import { pumpForGun } from '../line';
import { DISCHARGE, FAMILY_DATA, orificeDiameter, orificeFlow, writeTipCode, type TipFamily } from '../tip';
import { quantity, type Pressure } from '../units';
import { dialledInWith, type DialledInNow } from './dialledIn';
import { EVEN_FAN_RANGE } from './evenFan';
import type { Candidate, PressureBand } from './candidate';
import { fluidFrom, learnedEvenFan, viscosityInput, type SearchContext, type SetupRequest } from './request';
import { lineThrough } from './theLine';

export interface LineNumbers {
  readonly gunPressure: Explained & PressureBand;
  readonly pumpPressure: Explained & PressureBand;
  readonly flow: Explained;
  /** What was measured with this tip on this surface; where it is used, the pressures are that and no range. */
  readonly dialledIn?: DialledInNow;
}

/** Pressure of an even fan at the reference paint and orifice: the family's default, or what the log has taught. */
function familyInput(request: SetupRequest, family: TipFamily): Input {
  const { name, evenFanPressure: usual } = FAMILY_DATA[family];
  const label = `${name} family at 0.1 Pa·s, 0.015 in`;
  const learned = learnedEvenFan(request, family);
  if (!learned) {
    const { low, high } = EVEN_FAN_RANGE;
    return workingDefault(label, 'pressure', usual, usual * low, usual * high);
  }
  return {
    ...learned,
    label,
    kind: 'pressure',
    value: usual * learned.value,
    low: usual * learned.low,
    high: usual * learned.high,
  };
}

/** A pressure that was measured: no range is left to look in. */
function asMeasured(label: string, pressure: Pressure): Explained & PressureBand {
  const inputs = { measured: given(label, 'pressure', pressure, 'Test cards on this surface') };
  return {
    ...explain('measured setting', 'pressure', inputs, (v) => v.measured),
    start: pressure,
    stop: pressure,
  };
}

/** Gun pressure, the pump setting that gives it through the hoses, and the flow, for one tip. */
export function lineNumbers(context: SearchContext, main: Candidate): LineNumbers {
  const { request, fluid } = context;
  const orifice = chosen(
    'Orifice',
    'orifice',
    orificeDiameter(main.tip),
    `Tip code ${writeTipCode(main.tip)}`,
  );
  const lowShear = viscosityInput(request, 'viscosityLowShear');
  const highShear = viscosityInput(request, 'viscosityHighShear');
  const density = coatingInput(request.coating, 'density');

  /** Pump pressure for a gun pressure, with the paint as these readings have it. */
  const pumpAt = (gun: number, low = lowShear.value, high = highShear.value, kilograms = density.value) => {
    const paint = fluidFrom(low, high, kilograms, request);
    return pumpForGun(lineThrough(request, paint, orificeDiameter(main.tip)), quantity(gun)).pump;
  };
  const thinnedBy = fluid.rheology.highShearViscosity / highShear.value;
  const { start, stop } = main.band;
  // Where the pump gives no more, the gun has what it leaves, not what the fan wants.
  const limited = main.gunPressure < main.evenFanPressure;
  const limit = given('Highest pressure of the sprayer', 'pressure', request.sprayer.maxPressure, 'Sprayer');
  const line = [
    given(
      'Hose length in all',
      'hoseLength',
      request.hoses.reduce((sum, { length }) => sum + length, 0),
      'Hoses of this job, each with its own bore',
    ),
    given('Gun above pump', 'size', request.lift, 'This job'),
    lowShear,
  ];
  const inputs = limited
    ? [limit, ...line, highShear, density, orifice]
    : [familyInput(request, main.tip.family), highShear, orifice];
  const gunPressure = {
    kind: 'pressure' as const,
    formula: limited ? ('gun pressure at the limit' as const) : ('even-fan pressure' as const),
    inputs,
    basis: weakestBasis(inputs),
    value: main.gunPressure,
    low: start,
    high: stop,
    start,
    stop,
  };

  const dialledIn = dialledInWith(request, main.tip, (at) => pumpAt(at));
  const measured = dialledIn?.state === 'used' ? dialledIn : undefined;
  const gun = measured
    ? given('Gun pressure', 'pressure', measured.gun, 'Dialled in on this surface')
    : workingDefault(
        'Gun pressure',
        'pressure',
        main.gunPressure,
        start,
        stop,
        'Even-fan pressure of this card',
      );
  const flow = explain(
    'tip flow',
    'flow',
    {
      pressure: gun,
      orifice,
      density,
      coefficient: workingDefault(
        'Discharge coefficient',
        'factor',
        DISCHARGE.likely,
        DISCHARGE.low,
        DISCHARGE.high,
        'Water through 0.017 in at 2,000 psi',
      ),
      viscosity: highShear,
    },
    (v) =>
      orificeFlow(
        quantity(v.orifice),
        quantity(v.pressure),
        { density: quantity(v.density), highShearViscosity: quantity(v.viscosity * thinnedBy) },
        v.coefficient,
      ),
  );
  const pumpPressure = explain(
    'pump setting',
    'pressure',
    {
      gun,
      hoses: given(
        'Hose length in all',
        'hoseLength',
        request.hoses.reduce((sum, { length }) => sum + length, 0),
        'Hoses of this job, each with its own bore',
      ),
      lift: given('Gun above pump', 'size', request.lift, 'This job'),
      lowShear,
      highShear,
      density,
    },
    (v) => pumpAt(v.gun, v.lowShear, v.highShear, v.density),
  );
  // The range to look in is that of the gun, as its own is: what the paint is thicker or thinner than its sheet moves both.
  const most = (pump: number) => quantity<Pressure>(Math.min(pump, request.sprayer.maxPressure));
  const [first, last] = [most(pumpAt(start)), most(pumpAt(stop))];
  const pumpBand = { start: first, low: first, stop: last, high: last };
  if (measured) {
    return {
      gunPressure: asMeasured('Gun', measured.gun),
      pumpPressure: asMeasured('Pump', measured.pump),
      flow,
      dialledIn: measured,
    };
  }
  return {
    gunPressure,
    pumpPressure: { ...pumpPressure, ...pumpBand },
    flow,
    ...(dialledIn ? { dialledIn } : {}),
  };
}
