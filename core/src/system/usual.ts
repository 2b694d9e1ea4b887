import type { ArchetypeId } from '../coating';
import type { Condition, Element, Side, SurfaceKind } from '../takeoff';

/** What goes on a piece when nobody has said: surface, condition, and the finish with the kinds of coating that do. */
export interface UsualSystem {
  readonly kind: SurfaceKind;
  readonly condition: Condition;
  /** Kinds of coating for the finish, best first. */
  readonly finish: readonly ArchetypeId[];
  readonly coats: number;
}

const system = (kind: SurfaceKind, coats: number, ...finish: readonly ArchetypeId[]): UsualSystem => ({
  kind,
  condition: 'sealed',
  finish,
  coats,
});

const INSIDE: Readonly<Record<Element, UsualSystem>> = {
  wall: system('smooth-board', 2, 'wall-matt', 'wall-satin'),
  ceiling: system('smooth-board', 2, 'ceiling-flat', 'wall-matt'),
  door: system('planed-timber', 2, 'trim-enamel', 'trim-enamel-solvent'),
  cabinet: system('planed-timber', 2, 'trim-enamel', 'trim-enamel-solvent'),
  trim: system('planed-timber', 2, 'trim-enamel', 'trim-enamel-solvent'),
  edge: system('planed-timber', 2, 'exterior-acrylic', 'trim-enamel'),
  spindles: system('planed-timber', 2, 'trim-enamel', 'trim-enamel-solvent'),
  'lapped-fence': system('sawn-timber', 2, 'solid-stain', 'exterior-acrylic'),
  'open-fence': system('sawn-timber', 2, 'solid-stain', 'exterior-acrylic'),
};
const OUTSIDE: Readonly<Partial<Record<Element, UsualSystem>>> = {
  wall: system('lapped-boards', 2, 'exterior-acrylic', 'high-build-masonry'),
  ceiling: system('planed-timber', 2, 'exterior-acrylic'),
  door: system('planed-timber', 2, 'exterior-acrylic', 'trim-enamel'),
  trim: system('planed-timber', 2, 'exterior-acrylic', 'trim-enamel'),
  spindles: system('planed-timber', 2, 'exterior-acrylic', 'trim-enamel'),
};

/** What usually goes on a kind of piece; the estimator changes it, a data sheet rules. */
export function usualSystem(element: Element, side: Side): UsualSystem {
  return (side === 'outside' ? OUTSIDE[element] : undefined) ?? INSIDE[element];
}

/** The coating of a kit that suits a finish best: the first kind that is there, else any. */
export function suitedCoating<Coating extends { readonly archetype: ArchetypeId }>(
  coatings: readonly Coating[],
  { finish }: UsualSystem,
): Coating | undefined {
  for (const archetype of finish) {
    const found = coatings.find((coating) => coating.archetype === archetype);
    if (found) return found;
  }
  return coatings[0];
}
