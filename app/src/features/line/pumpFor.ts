import { lineForGun, quantity, type SetupCard, type UnitSystem } from '@fine-spray/core';
import type { Site } from '@/features/site';
import { lineRequest } from './lineRequest';

/** Pressure at the pump that gives one at the gun through the line of a card, Pa; as far as the pump reaches. */
export function pumpFor(site: Site, card: SetupCard, gun: number, system: UnitSystem): number {
  const line = lineForGun(lineRequest(site, card), quantity(gun), system);
  const { maxPressure } = site.sprayer;
  return line.ok ? Math.min(line.value.pump.value, maxPressure) : maxPressure;
}
