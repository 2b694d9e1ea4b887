import type { CompanyBook } from '@fine-spray/contract';
import {
  UNITS,
  aboutText,
  isSameTip,
  searchSetups,
  setupCard,
  showRange,
  showText,
  unitOf,
  writeTipCode,
  type DisplayKind,
  type Result,
  type SetupCard,
  type SetupRequest,
  type Tip,
  type UnitSystem,
} from '@fine-spray/core';
import type { ColumnNumber, Way } from './SideBySide';

/** A set-up to compare: a tip on the same surface, paint, machine and hose. */
export interface SetUpWay extends Way {
  readonly tip: Tip;
  /** What a person would say for or against it. */
  readonly about: string;
}

/** Set-ups to choose from at most, the best first. */
const OFFERED = 6;

/** The set-ups of a surface worth comparing: the one on the card first, then the best of the rest. */
export function setUpWays(request: SetupRequest, card: SetupCard, system: UnitSystem): readonly SetUpWay[] {
  const found = searchSetups(request, system);
  const others = found.ok ? found.value.options : [];
  const { tip } = card.tip.candidate;
  return [card.tip, ...others.filter(({ candidate }) => !isSameTip(candidate.tip, tip))]
    .slice(0, OFFERED)
    .map(({ candidate, reason }) => {
      const code = writeTipCode(candidate.tip);
      const { family } = candidate.tip;
      return { id: `${family} ${code}`, name: `${code} ${family}`, tip: candidate.tip, about: `${reason}.` };
    });
}

/** The card of a set-up that is compared. */
export const cardOf = (request: SetupRequest, tip: Tip, system: UnitSystem): Result<SetupCard> =>
  setupCard({ ...request, chosenTip: tip }, system);

/** What set-ups are compared by: litres, hours, cost, and what can go wrong. */
export function setUpNumbers(
  card: SetupCard,
  { hour, currency }: Pick<CompanyBook, 'hour' | 'currency'>,
  system: UnitSystem,
): readonly ColumnNumber[] {
  const { candidate } = card.tip;
  const { sprayingTime, overspray, aboveEvenFan, flowShare, pressureMargin, overlap } = candidate;
  const percent = (share: number) => showText(share, 'percent', system);
  // The unit beside the name: a range with its unit is too wide for three columns on a phone
  const range = (name: string, low: number, high: number, kind: DisplayKind) => {
    const unit = unitOf(kind, system);
    return { name: `${name}, ${unit}`, text: showRange(low, high, kind, system).replace(` ${unit}`, '') };
  };
  const cost = hour === null ? 'no price' : aboutText((sprayingTime / UNITS.h.factor) * hour, currency);
  return [
    { name: 'Spraying', text: showText(sprayingTime, 'trigger', system) },
    { name: 'Its hours cost', text: cost },
    { name: 'Paint, likely', text: showText(card.paint.value, 'volume', system) },
    {
      name: 'Misses the piece',
      text: `${aboveEvenFan ? 'over ' : ''}${showText(overspray, 'volume', system)}`,
    },
    range('Gun pressure', card.gunPressure.start, card.gunPressure.stop, 'pressure'),
    range('Gun speed', card.gunSpeed.low, card.gunSpeed.high, 'speed'),
    { name: 'Film even to', text: `± ${percent(overlap.variation)}` },
    { name: 'Pump flow in hand', text: percent(1 - flowShare) },
    { name: 'Pump pressure in hand', text: percent(pressureMargin) },
    { name: 'Below the sag limit by', text: percent(1 - card.wetFilm.value / card.sagLimit.value) },
  ];
}
