import type { Gear, Hose, Sprayer } from '@fine-spray/contract';
import {
  misfits,
  quantity,
  sealFor,
  type CoatingBase,
  type Misfit,
  type Side,
  type Tip,
  type UnitSystem,
} from '@fine-spray/core';

/** The gun of a kit that fits a mesh best: one with that filter, else the first. */
export function gunFor(gear: readonly Gear[], mesh: number): Gear | undefined {
  const guns = gear.filter(({ kind }) => kind === 'gun');
  return guns.find((gun) => gun.mesh === mesh) ?? guns[0];
}

/** What does not go together of a job's machine with a tip and a coating, by the rows of the kit. */
export function rigMisfits(
  {
    sprayer,
    hoses,
    gear,
    tip,
    base,
    coatingMesh,
    side,
  }: {
    readonly sprayer: Sprayer;
    readonly hoses: readonly Hose[];
    readonly gear: readonly Gear[];
    readonly tip: Tip;
    readonly base: CoatingBase;
    readonly coatingMesh: number;
    readonly side: Side;
  },
  mesh: number,
  system: UnitSystem,
): readonly Misfit[] {
  const gun = gunFor(gear, mesh);
  const { name, maxPressure, largestOrificeThou, waterOnly, outlet, power, manifoldMesh } = sprayer;
  return misfits(
    {
      sprayer: {
        name,
        maxPressure: quantity(maxPressure),
        largestOrificeThou,
        waterOnly,
        outlet,
        power,
        manifoldMesh,
      },
      hoses: hoses.map((hose) => ({
        name: hose.name,
        maxPressure: quantity(hose.maxPressure),
        fitting: hose.fitting,
      })),
      ...(gun
        ? {
            gun: {
              name: gun.name,
              maxPressure: quantity(gun.maxPressure ?? maxPressure),
              ...(gun.fitting ? { fitting: gun.fitting } : {}),
              // Filters are changed in the gun: what counts is whether the kit has the mesh.
              mesh: gear.some((one) => one.kind === 'filter' && one.mesh === mesh) ? mesh : gun.mesh,
            },
          }
        : {}),
      tip,
      seal: sealFor(tip.family, base).seal,
      base,
      coatingMesh,
      side,
    },
    system,
  );
}
