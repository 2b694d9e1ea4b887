import type { ArchetypeId } from '../coating';
import type { Element, Side, SurfaceKind } from '../takeoff';
import type { LayerRole } from './layers';

/** One layer of a recipe, by kind of coating. */
export interface RecipeLayer {
  readonly role: LayerRole;
  readonly archetype: ArchetypeId;
  readonly coats: number;
  /** Share of the surface, for spots. */
  readonly share: number;
}

/** A usual coating system to start from: what it is for and its layers, from the surface outwards. */
export interface Recipe {
  readonly id: string;
  readonly name: string;
  readonly elements: readonly Element[];
  readonly sides: readonly Side[];
  /** Surfaces it is for; none: any. */
  readonly kinds: readonly SurfaceKind[];
  readonly layers: readonly RecipeLayer[];
}

const layer = (role: LayerRole, archetype: ArchetypeId, coats: number, share = 1): RecipeLayer => ({
  role,
  archetype,
  coats,
  share,
});
const finish = (archetype: ArchetypeId, coats = 2) => layer('finish', archetype, coats);
const prime = (archetype: ArchetypeId) => layer('prime', archetype, 1);

const WALLS: readonly Element[] = ['wall', 'ceiling'];
const FINE: readonly Element[] = ['door', 'cabinet', 'trim', 'spindles'];
const INSIDE: readonly Side[] = ['inside'];
const OUTSIDE: readonly Side[] = ['outside'];
const TIMBER: readonly SurfaceKind[] = ['planed-timber', 'sawn-timber', 'lapped-boards', 'board-and-batten'];
const RENDER: readonly SurfaceKind[] = ['fine-render', 'coarse-render', 'brick'];
const METAL: readonly SurfaceKind[] = ['metal', 'corrugated-metal'];

/** Usual systems (working defaults; the data sheets of the coatings rule). */
export const RECIPES: readonly Recipe[] = [
  {
    id: 'walls-repaint',
    name: 'Repaint, two coats',
    elements: ['wall'],
    sides: INSIDE,
    kinds: [],
    layers: [finish('wall-matt')],
  },
  {
    id: 'walls-new-board',
    name: 'New board: prime and two coats',
    elements: ['wall'],
    sides: INSIDE,
    kinds: [],
    layers: [prime('board-primer'), finish('wall-matt')],
  },
  {
    id: 'walls-stained',
    name: 'Stains: spot prime and two coats',
    elements: ['wall'],
    sides: INSIDE,
    kinds: [],
    layers: [layer('spot prime', 'stain-block', 1, 0.1), finish('wall-matt')],
  },
  {
    id: 'walls-wet-room',
    name: 'Kitchen and washroom: satin, two coats',
    elements: ['wall'],
    sides: INSIDE,
    kinds: [],
    layers: [finish('wall-satin')],
  },
  {
    id: 'walls-block',
    name: 'Block: filler and two coats',
    elements: ['wall'],
    sides: INSIDE,
    kinds: ['block'],
    layers: [prime('block-filler'), finish('wall-matt')],
  },
  {
    id: 'walls-block-outside',
    name: 'Block: filler and two coats',
    elements: ['wall'],
    sides: OUTSIDE,
    kinds: ['block'],
    layers: [prime('block-filler'), finish('exterior-acrylic')],
  },
  {
    id: 'ceiling-one',
    name: 'Ceiling, one full coat',
    elements: ['ceiling'],
    sides: INSIDE,
    kinds: [],
    layers: [finish('ceiling-flat', 1)],
  },
  {
    id: 'ceiling-new-board',
    name: 'New board: prime and two coats',
    elements: ['ceiling'],
    sides: INSIDE,
    kinds: [],
    layers: [prime('board-primer'), finish('ceiling-flat')],
  },
  {
    id: 'timber-clear',
    name: 'Clear varnish, three coats',
    elements: [...WALLS, ...FINE],
    sides: INSIDE,
    kinds: TIMBER,
    layers: [finish('clear-varnish', 3)],
  },
  {
    id: 'fine-repaint',
    name: 'Enamel, two coats',
    elements: FINE,
    sides: INSIDE,
    kinds: [],
    layers: [finish('trim-enamel')],
  },
  {
    id: 'fine-new',
    name: 'Bare timber: stain block and two coats of enamel',
    elements: FINE,
    sides: INSIDE,
    kinds: TIMBER,
    layers: [prime('stain-block'), finish('trim-enamel')],
  },
  {
    id: 'outside-repaint',
    name: 'Repaint, two coats',
    elements: ['wall', 'edge', 'door', 'trim', 'ceiling'],
    sides: OUTSIDE,
    kinds: [],
    layers: [finish('exterior-acrylic')],
  },
  {
    id: 'outside-new-timber',
    name: 'Bare timber: wood primer and two coats',
    elements: ['wall', 'edge', 'door', 'trim', 'ceiling'],
    sides: OUTSIDE,
    kinds: TIMBER,
    layers: [prime('exterior-wood-primer'), finish('exterior-acrylic')],
  },
  {
    id: 'render',
    name: 'Render: masonry, two coats',
    elements: ['wall'],
    sides: OUTSIDE,
    kinds: RENDER,
    layers: [finish('high-build-masonry')],
  },
  {
    id: 'metal',
    name: 'Metal: primer and two coats',
    elements: [...FINE, 'edge', 'wall'],
    sides: OUTSIDE,
    kinds: METAL,
    layers: [prime('metal-primer'), finish('exterior-acrylic')],
  },
  {
    id: 'metal-inside',
    name: 'Metal: primer and two coats of enamel',
    elements: [...FINE, 'edge', 'wall'],
    sides: INSIDE,
    kinds: METAL,
    layers: [prime('metal-primer'), finish('trim-enamel')],
  },
  {
    id: 'fence',
    name: 'Solid stain, two coats',
    elements: ['lapped-fence', 'open-fence'],
    sides: ['inside', 'outside'],
    kinds: [],
    layers: [finish('solid-stain')],
  },
];

/** The usual systems for a piece: those for its very surface first. */
export function recipesFor(element: Element, side: Side, kind: SurfaceKind): readonly Recipe[] {
  const fits = RECIPES.filter(
    (recipe) =>
      recipe.elements.includes(element) &&
      recipe.sides.includes(side) &&
      (recipe.kinds.length === 0 || recipe.kinds.includes(kind)),
  );
  return [...fits].sort((a, b) => Math.sign(b.kinds.length) - Math.sign(a.kinds.length));
}
