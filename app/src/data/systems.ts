import type { Coating, System, SystemLayer } from '@fine-spray/contract';
import { choiceOf, coreLayers, type SetupSurface, type SystemChoice } from '@fine-spray/contract/planning';
import { recipesFor, type Recipe } from '@fine-spray/core/system';

/** A system in a line: "Board primer-sealer, then 2 × Interior wall matt". */
export function systemText(choice: SystemChoice, coatings: readonly Coating[]): string {
  return coreLayers(choice, coatings)
    .map(({ role, coats, share, coating }) => {
      const name = shortName(coating.name);
      if (role === 'spot prime') return `${name} on ${Math.round(share * 100)} %`;
      return coats === 1 ? name : `${coats} × ${name}`;
    })
    .join(', then ');
}

/** A coating's name without its base, which stands elsewhere. */
const shortName = (name: string) => name.replace(/, (water-borne|solvent)$/, '');

/** A layer of a recipe with the coating of the kit that it means. */
function layerOf(layer: Recipe['layers'][number], coatings: readonly Coating[]): SystemLayer | undefined {
  const coating = coatings.find(({ archetype }) => archetype === layer.archetype);
  if (!coating) return undefined;
  return { role: layer.role, coatingId: coating.id, coats: layer.coats, thinning: 0, share: layer.share };
}

export interface Preset {
  readonly id: string;
  readonly name: string;
  readonly own: boolean;
  readonly choice: SystemChoice;
}

/** Systems to choose from for a piece: the company's own first, then usual ones whose coatings are in the kit. */
export function presetsFor(
  { element, side, kind }: Pick<SetupSurface, 'element' | 'side' | 'kind'>,
  systems: readonly System[],
  coatings: readonly Coating[],
): readonly Preset[] {
  const own = systems
    .filter(
      (system) =>
        system.elements.includes(element) &&
        system.sides.includes(side) &&
        (system.kinds.length === 0 || system.kinds.includes(kind)),
    )
    .map(({ id, name, layers }) => ({ id, name, own: true, layers }));
  const usual = recipesFor(element, side, kind).flatMap(({ id, name, layers }) => {
    const known = layers.map((layer) => layerOf(layer, coatings));
    return known.every((layer) => layer !== undefined) ? [{ id, name, own: false, layers: known }] : [];
  });
  return [...own, ...usual].flatMap(({ layers, ...preset }) => {
    const choice = choiceOf(layers);
    return choice ? [{ ...preset, choice }] : [];
  });
}
