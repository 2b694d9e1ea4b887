import {
  archetypeOf,
  clearClog,
  isHigh,
  putGunDown,
  safetyOf,
  showText,
  siteOf,
  takeUpGun,
  type AtMachine,
  type Ready,
  type SetupCard,
  type UnitSystem,
} from '@fine-spray/core';
import type { Site } from '@/features/site';

/** What a list depends on, of the machine, paint and place of a site. */
export function atMachine({ coating, sprayer, surface, request }: Site): AtMachine {
  return {
    base: archetypeOf(coating.archetype).base,
    power: sprayer.power,
    side: surface.side,
    waterOnly: sprayer.waterOnly,
    hardener: siteOf(request.site).hardener,
    extension: isHigh(safetyOf(request, 'spray')),
  };
}

/** How a clog is blown out and the gun put down, for this site. */
export const faultLists = (site: Site) => ({
  clog: clearClog(atMachine(site)),
  down: putGunDown(atMachine(site)),
});

/** The way in, to the pressure the card starts at. */
export function wayIn(site: Site, card: SetupCard, to: Ready['to'], system: UnitSystem) {
  const startPressure = showText(card.pumpPressure.start, 'pressure', system);
  return takeUpGun({ ...atMachine(site), startPressure, to });
}
