import { archetypeOf, coatingInput, type ArchetypeId, type Coating } from '../coating';
import { explain, chosen, given, type Explained } from '../explain';
import type { Condition, Side, SurfaceKind } from '../takeoff';

/** What a layer of a system is for, from the surface outwards. */
export const LAYER_ROLES = ['spot prime', 'prime', 'finish'] as const;
export type LayerRole = (typeof LAYER_ROLES)[number];

/** Layers under a finish, at most. */
export const UNDER_LIMIT = 4;

/** One layer of a system: so many coats of a coating, on all of the surface or, for spots, on a share of it. */
export interface Layer {
  readonly role: LayerRole;
  readonly coating: Coating;
  readonly coats: number;
  readonly share: number;
}

/**
 * How bare the surface is for a layer: the first that covers all of it soaks in, what comes after lies on paint. Stains are for the first
 * layer over them, spots included.
 */
export function conditionUnder(below: readonly Pick<Layer, 'role'>[], condition: Condition): Condition {
  if (condition === 'stained') return below.length > 0 ? 'sealed' : condition;
  return below.some(({ role }) => role !== 'spot prime') ? 'sealed' : condition;
}

/** Dry film of all coats together where every layer is, with how it adds up. Spots are left out. */
export function systemFilm(layers: readonly Layer[]): Explained {
  const full = layers.filter(({ role }) => role !== 'spot prime');
  const inputs = Object.fromEntries(
    full.flatMap(({ coating, coats }, index) => [
      [`dry ${index}`, { ...coatingInput(coating, 'dryFilm'), label: `Dry film of a coat, ${coating.name}` }],
      [`coats ${index}`, chosen(`Coats, ${coating.name}`, 'count', coats, 'Chosen here')],
    ]),
  );
  return explain('dry film of a system', 'dryFilm', inputs, (v) =>
    full.reduce((sum, _layer, index) => sum + (v[`dry ${index}`] ?? 0) * (v[`coats ${index}`] ?? 0), 0),
  );
}

/** Waiting between the first coat and the last at 23 °C and 50 %: the recoat time of each coat that another follows, s. */
export function systemWaiting(layers: readonly Layer[]): Explained {
  const last = layers.length - 1;
  const inputs = Object.fromEntries(
    layers.flatMap(({ coating, coats }, index) => [
      [`time ${index}`, { ...coatingInput(coating, 'recoatTime'), label: `Recoat time, ${coating.name}` }],
      [
        `times ${index}`,
        given(
          `Waits, ${coating.name}`,
          'count',
          index === last ? coats - 1 : coats,
          'Coats that another follows',
        ),
      ],
    ]),
  );
  return explain('waiting of a system', 'duration', inputs, (v) =>
    layers.reduce((sum, _layer, index) => sum + (v[`time ${index}`] ?? 0) * (v[`times ${index}`] ?? 0), 0),
  );
}

/** Something about a system that does not go together: at which layer, why, and what to do instead. */
export interface SystemIssue {
  /** Index from the surface outwards. */
  readonly layer: number;
  /** A contradiction cannot work; a warning can, with care. */
  readonly level: 'contradiction' | 'warning';
  readonly message: string;
}

const SOAKS: ReadonlySet<ArchetypeId> = new Set(['penetrating-stain']);
const CLEAR: ReadonlySet<ArchetypeId> = new Set([
  'clear-varnish',
  'clear-lacquer-solvent',
  'penetrating-stain',
]);
const STRONG_SOLVENT: ReadonlySet<ArchetypeId> = new Set(['clear-lacquer-solvent']);
const MASONRY_ONLY: ReadonlySet<ArchetypeId> = new Set(['high-build-masonry', 'block-filler']);
const MASONRY: ReadonlySet<SurfaceKind> = new Set(['fine-render', 'coarse-render', 'block', 'brick']);
const METAL: ReadonlySet<SurfaceKind> = new Set(['metal', 'corrugated-metal']);
const TIMBER_ONLY: ReadonlySet<ArchetypeId> = new Set([
  'penetrating-stain',
  'solid-stain',
  'clear-varnish',
  'clear-lacquer-solvent',
  'exterior-wood-primer',
]);
const TIMBER: ReadonlySet<SurfaceKind> = new Set([
  'planed-timber',
  'sawn-timber',
  'lapped-boards',
  'board-and-batten',
]);
const PRIMERS: ReadonlySet<ArchetypeId> = new Set([
  'board-primer',
  'stain-block',
  'stain-block-solvent',
  'exterior-wood-primer',
  'metal-primer',
  'block-filler',
]);

/** Primers that hold stains back. */
const STAIN_BLOCKS: ReadonlySet<ArchetypeId> = new Set(['stain-block', 'stain-block-solvent']);

/** Agents against mould and algae have no place in rooms. */
const OUTSIDE_ONLY: ReadonlySet<ArchetypeId> = new Set(['exterior-acrylic', 'exterior-wood-primer']);
/** Neither rain nor sun is allowed for. */
const INSIDE_ONLY: ReadonlySet<ArchetypeId> = new Set([
  'wall-matt',
  'wall-satin',
  'ceiling-flat',
  'board-primer',
  'clear-lacquer-solvent',
]);

/** What a system is laid on, and where. */
export interface Ground {
  readonly kind: SurfaceKind;
  readonly condition: Condition;
  readonly side: Side;
}

type Check = (
  layers: readonly Layer[],
  index: number,
  ground: Ground,
) => Omit<SystemIssue, 'layer'> | undefined;
const contradiction = (message: string) => ({ level: 'contradiction', message }) as const;
const warning = (message: string) => ({ level: 'warning', message }) as const;
const idOf = (layer: Layer | undefined) => layer?.coating.archetype;

/** One rule each: what a layer does not go with, below it or on the surface. */
const CHECKS: readonly Check[] = [
  function soakingOverFilm(layers, index) {
    const [own, below] = [
      layers[index],
      layers.slice(0, index).find((one) => !SOAKS.has(one.coating.archetype)),
    ];
    if (!own || !below || !SOAKS.has(own.coating.archetype)) return undefined;
    return contradiction(
      `A stain that soaks in cannot get through ${below.coating.name}. Take the layer below out, or choose a coating that lies on it.`,
    );
  },
  function clearOverPrimer(layers, index) {
    const own = layers[index];
    const below = layers.slice(0, index).find((one) => !CLEAR.has(one.coating.archetype));
    if (!own || !below || !CLEAR.has(own.coating.archetype) || SOAKS.has(own.coating.archetype))
      return undefined;
    return contradiction(
      `${own.coating.name} is clear and would show ${below.coating.name}. Choose clear layers below it.`,
    );
  },
  function primerLast(layers, index) {
    const own = layers[index];
    const id = idOf(own);
    if (!own || own.role !== 'finish' || layers.length < 2 || id === undefined || !PRIMERS.has(id))
      return undefined;
    const below = layers[index - 1];
    if (!below || PRIMERS.has(below.coating.archetype)) return undefined;
    return contradiction(
      `${own.coating.name} is a primer and comes last, over ${below.coating.name}. Change their order.`,
    );
  },
  function finishAsPrimer(layers, index) {
    const own = layers[index];
    const id = idOf(own);
    if (!own || own.role === 'finish' || id === undefined || PRIMERS.has(id) || CLEAR.has(id))
      return undefined;
    return warning(
      `${own.coating.name} is no primer: it neither seals nor blocks stains. A first coat of the finish does as much.`,
    );
  },
  function strongSolventOverAny(layers, index) {
    const [own, below] = [layers[index], layers[index - 1]];
    if (!own || !below || !STRONG_SOLVENT.has(own.coating.archetype)) return undefined;
    if (STRONG_SOLVENT.has(below.coating.archetype)) return undefined;
    return warning(
      `The solvent of ${own.coating.name} can lift or wrinkle ${below.coating.name}. Test a patch first, or stay with one base.`,
    );
  },
  function solventOverWater(layers, index) {
    const [own, below] = [layers[index], layers[index - 1]];
    if (!own || !below || STRONG_SOLVENT.has(own.coating.archetype)) return undefined;
    if (baseOf(own) !== 'solvent' || baseOf(below) !== 'water') return undefined;
    return warning(
      `Solvent over water-borne: ${below.coating.name} must be dry right through, longer than its recoat time, or the film stays soft and wrinkles.`,
    );
  },
  function waterOverSolvent(layers, index) {
    const [own, below] = [layers[index], layers[index - 1]];
    if (!own || !below || baseOf(own) !== 'water' || baseOf(below) !== 'solvent') return undefined;
    return warning(
      `Water-borne over solvent: let ${below.coating.name} cure and dull it, or the next coat does not hold. The machine changes base in between: flush through the solvent.`,
    );
  },
  function wrongPlace(layers, index, { side }) {
    const own = layers[index];
    if (!own) return undefined;
    const { archetype, name } = own.coating;
    if (side === 'outside' && INSIDE_ONLY.has(archetype)) {
      return warning(`${name} is made for rooms: rain and sun take it off. Choose an exterior coating.`);
    }
    if (side === 'inside' && OUTSIDE_ONLY.has(archetype)) {
      return warning(
        `${name} is made for outside: what keeps mould and algae off it has no place in a room. Look on its label, or choose an interior coating.`,
      );
    }
    return undefined;
  },
  function noPrimer(layers, index, { kind, condition }) {
    const own = layers[index];
    if (!own || own.role !== 'finish' || condition !== 'bare') return undefined;
    const { archetype, name } = own.coating;
    if (layers.slice(0, index).some(({ role }) => role !== 'spot prime')) return undefined;
    if (PRIMERS.has(archetype) || CLEAR.has(archetype) || archetype === 'solid-stain') return undefined;
    if (kind === 'block' && !MASONRY_ONLY.has(archetype)) {
      return warning(`Bare block drinks ${name} in patches. Fill or prime it first.`);
    }
    if (TIMBER.has(kind)) {
      return warning(`On bare timber knots and tannin come through ${name}. Prime it first.`);
    }
    if (METAL.has(kind)) {
      return warning(`On bare metal ${name} does not hold, and it rusts under it. Prime it first.`);
    }
    return undefined;
  },
  function stainsComeThrough(layers, index, { condition }) {
    const own = layers[index];
    if (!own || own.role !== 'finish' || condition !== 'stained') return undefined;
    if (layers.slice(0, index + 1).some(({ coating }) => STAIN_BLOCKS.has(coating.archetype)))
      return undefined;
    return warning(
      `Stains of water, smoke or tannin come through ${own.coating.name}. Spot-prime them with a stain-blocking primer first.`,
    );
  },
  function wrongSurface(layers, index, { kind }) {
    const own = layers[index];
    if (!own) return undefined;
    const { archetype, name } = own.coating;
    if (MASONRY_ONLY.has(archetype) && !MASONRY.has(kind)) {
      return warning(
        `${name} is made for render, block and brick: on this surface it cracks or does not hold.`,
      );
    }
    if (TIMBER_ONLY.has(archetype) && !TIMBER.has(kind)) {
      return warning(`${name} is made for timber: choose a coating for this surface.`);
    }
    if (archetype === 'metal-primer' && !METAL.has(kind)) {
      return warning(`${name} is made for metal: a primer for this surface seals it better.`);
    }
    return undefined;
  },
];

const baseOf = ({ coating }: Layer) => archetypeOf(coating.archetype).base;

/** What of a system does not go together, from the surface outwards: each with its reason. Data sheets rule over it. */
export function checkSystem(layers: readonly Layer[], ground: Ground): readonly SystemIssue[] {
  return layers.flatMap((_layer, layer) =>
    CHECKS.flatMap((check) => {
      const issue = check(layers, layer, ground);
      return issue ? [{ layer, ...issue }] : [];
    }),
  );
}
