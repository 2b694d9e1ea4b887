import type { Surface } from '@fine-spray/contract';
import type { SystemChoice } from '@fine-spray/contract/planning';
import { ELEMENT_DATA, SURFACE_KINDS } from '@fine-spray/core';

/** Surfaces of a job that usually get the same system. */
export interface SystemGroup {
  readonly key: string;
  readonly name: string;
  readonly surfaces: readonly Surface[];
  /** What is on all of them; undefined where they differ. */
  readonly choice: SystemChoice | undefined;
}

const contentOfChoice = ({ coatingId, coats, thinning, under }: Surface) =>
  JSON.stringify({ coatingId, coats, thinning, under });

/** The surfaces of a job by what they are: piece, side and surface. Largest group first. */
export function systemGroups(surfaces: readonly Surface[]): readonly SystemGroup[] {
  const groups = new Map<string, Surface[]>();
  for (const surface of surfaces) {
    const key = [surface.element, surface.side, surface.kind].join(' ');
    groups.set(key, [...(groups.get(key) ?? []), surface]);
  }
  return [...groups.entries()]
    .map(([key, own]) => {
      const [first] = own;
      const alike =
        first !== undefined && own.every((one) => contentOfChoice(one) === contentOfChoice(first));
      return { key, name: first ? groupName(first) : '', surfaces: own, choice: alike ? first : undefined };
    })
    .sort((a, b) => b.surfaces.length - a.surfaces.length);
}

const groupName = ({ element, side, kind }: Surface) =>
  `${ELEMENT_DATA[element].name}, ${side}: ${SURFACE_KINDS[kind].name.toLowerCase()}`;
