import type { ByMethod } from '@fine-spray/contract/planning';
import { METHOD_NAMES, hoursText, showText, type UnitSystem } from '@fine-spray/core';

/** Which way is quickest, and by how much: "Spray: 9 h against 14 h with roller and tray". */
export function quickestText({ answers }: ByMethod, system: UnitSystem): string {
  const [first, second] = [...answers].sort((a, b) => a.hours.value - b.hours.value);
  if (!first || !second) return '';
  return `${METHOD_NAMES[first.method]}: ${hoursText(first.hours.value, system)}, against ${hoursText(second.hours.value, system)} with ${METHOD_NAMES[second.method].toLowerCase()}.`;
}

/** Whether the ranges of the two quickest lie so close that hours decide nothing. */
export function isClose({ answers }: ByMethod): boolean {
  const [first, second] = [...answers].sort((a, b) => a.hours.value - b.hours.value);
  return !!first && !!second && first.hours.high > second.hours.low;
}

/** From how much area on it is sprayed. */
export function fromText({ from, area }: ByMethod, system: UnitSystem): string {
  if (from === undefined) return 'Whatever the area, one way stays the quicker here.';
  const text = `${showText(from, 'area', system)} of coats`;
  return area > from
    ? `Spraying is quicker than roller and tray from ${text} on: here are ${showText(area, 'area', system)}.`
    : `Roller and tray is quicker up to ${text}: here are ${showText(area, 'area', system)}.`;
}

/** What decides besides hours, paint and money. */
export const BESIDES = [
  'Mist: others at work or living beside it, and what cannot be covered, speak for a roller.',
  'Texture and rough ground: spray and back-roll, or the fed roller, reach into it; a dry sleeve does not.',
  'Sheen: the shinier the paint, the more a roller’s texture and laps show.',
  'Wind outside: a gun waits for it, a roller does not.',
] as const;
