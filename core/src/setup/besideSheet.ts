import { isSmallPiece } from '../takeoff';
import { orificeDiameter } from '../tip';
import { showRange, showText, type UnitSystem } from '../units';
import { demandOf } from './carries';
import type { LineNumbers } from './lineNumbers';
import type { RankedTip } from './rank';
import { isSpots, type SearchContext } from './request';

/** What the maker's sheet advises beside what is worked out here, and why they differ. */
export interface BesideSheet {
  readonly what: 'Orifice' | 'Pressure';
  readonly sheet: string;
  readonly here: string;
  /** Missing where the two agree. */
  readonly why?: string;
}

/** Why an orifice is not one of the sheet's: what the hand chose, the piece, the machine, or the hand's speed. */
function whyOrifice({ request, fluid }: SearchContext, { candidate }: RankedTip, low: number): string {
  const { orificeThou, family } = candidate.tip;
  const smaller = orificeThou < low;
  if (request.chosenTip) return 'You chose it.';
  if (request.dialledIn?.length) return 'It was dialled in on this surface.';
  if (smaller && isSmallPiece(request.element, request.geometry) && !isSpots(request)) {
    return 'Narrow work wants little paint at a time, whatever the paint is.';
  }
  if (smaller && request.sprayer.largestOrificeThou < low) {
    return `This sprayer carries ${request.sprayer.largestOrificeThou} thou at most.`;
  }
  const { ofFlow, ofPressure } = demandOf(
    request,
    fluid,
    family,
    orificeDiameter({ ...candidate.tip, orificeThou: low }),
  );
  if (smaller && ofFlow > 1) return `This pump does not give what ${low} thou takes.`;
  if (smaller && ofPressure > 1) return `Pump and hose leave too little pressure at the gun for ${low} thou.`;
  return smaller
    ? 'With the sheet’s the gun would have to move faster than a hand keeps up here.'
    : 'With the sheet’s the gun would have to move slower than a hand holds steady here.';
}

/** The sheet's advice beside the card's own, side by side; nothing where the sheet gives none. */
export function besideSheet(
  context: SearchContext,
  tip: RankedTip,
  { pumpPressure, gunPressure }: LineNumbers,
  system: UnitSystem,
): readonly BesideSheet[] {
  const { orifice, pressure } = context.request.coating.sheet ?? {};
  const said: BesideSheet[] = [];
  if (orifice) {
    const { orificeThou } = tip.candidate.tip;
    const agrees = orificeThou >= orifice.low && orificeThou <= orifice.high;
    said.push({
      what: 'Orifice',
      sheet: orifice.low === orifice.high ? `${orifice.low} thou` : `${orifice.low} to ${orifice.high} thou`,
      here: `${orificeThou} thou`,
      ...(agrees ? {} : { why: whyOrifice(context, tip, orifice.low) }),
    });
  }
  if (pressure) {
    const { start, stop } = pumpPressure;
    const bar = (value: number) => showText(value, 'pressure', system);
    const why =
      stop < pressure.low
        ? `The fan of this tip is even below it: start low, and go up to the sheet’s ${bar(pressure.low)} where tails stay.`
        : start > pressure.high
          ? `Of the sheet’s ${bar(pressure.high)} the hose leaves too little: ${bar(gunPressure.start)} at the gun is where this fan begins to be even. A shorter or wider hose, a smaller tip or warmer paint needs less.`
          : undefined;
    said.push({
      what: 'Pressure',
      sheet: showRange(pressure.low, pressure.high, 'pressure', system),
      here: `${showRange(start, stop, 'pressure', system)} at the pump`,
      ...(why === undefined ? {} : { why }),
    });
  }
  return said;
}
