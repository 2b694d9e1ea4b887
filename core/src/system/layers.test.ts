import fc from 'fast-check';
import { ARCHETYPES, ARCHETYPE_IDS, type ArchetypeId } from '../coating';
import { SURFACE_KIND_IDS, type SurfaceKind } from '../takeoff';
import { of } from '../units';
import { RECIPES, checkSystem, conditionUnder, recipesFor, systemFilm, systemWaiting, type Layer } from '.';

const layer = (archetype: ArchetypeId, role: Layer['role'] = 'finish', coats = 1): Layer => ({
  role,
  coats,
  share: role === 'spot prime' ? 0.1 : 1,
  coating: { name: ARCHETYPES[archetype].name, archetype, overrides: {} },
});
const say = (kind: SurfaceKind, ...layers: Layer[]) =>
  checkSystem(layers, { kind, condition: 'sealed', side: 'inside' }).map(
    ({ layer: at, level, message }) => `${at} ${level}: ${message}`,
  );

describe('a surface with stains', () => {
  const ground = { kind: 'smooth-board', condition: 'stained', side: 'inside' } as const;
  const messages = (...layers: Layer[]) => checkSystem(layers, ground).map(({ message }) => message);

  it('wants a stain-blocking primer, in spots or all over; another primer does not do', () => {
    expect(messages(layer('wall-matt'))).toEqual([expect.stringMatching(/come through .*Spot-prime them/)]);
    expect(messages(layer('board-primer', 'prime'), layer('wall-matt'))).toHaveLength(1);
    expect(messages(layer('stain-block', 'spot prime'), layer('wall-matt'))).toEqual([]);
    expect(messages(layer('stain-block'))).toEqual([]);
  });

  it('is sealed for what goes over the first layer, and soaks nothing in', () => {
    expect(conditionUnder([], 'stained')).toBe('stained');
    expect(conditionUnder([layer('stain-block', 'spot prime')], 'stained')).toBe('sealed');
  });
});

describe('the film of a system', () => {
  it('adds up over its layers, without the spots', () => {
    const layers = [
      layer('stain-block', 'spot prime'),
      layer('board-primer', 'prime'),
      layer('wall-matt', 'finish', 2),
    ];
    expect(systemFilm(layers).value).toBeCloseTo(of(35 + 2 * 40, 'μm'), 12);
    expect(systemFilm(layers).inputs.map(({ label }) => label)).toContain(
      'Coats, Interior wall matt, water-borne',
    );
  });

  it('waits for each coat that another follows', () => {
    const layers = [layer('board-primer', 'prime'), layer('wall-matt', 'finish', 3)];
    expect(systemWaiting(layers).value).toBeCloseTo(of(3 + 2 * 4, 'h'), 9);
    expect(systemWaiting([layer('wall-matt')]).value).toBe(0);
  });

  it('is never less with a coat more', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...ARCHETYPE_IDS), { minLength: 1, maxLength: 4 }), (ids) => {
        const layers = ids.map((id) => layer(id));
        const [first, ...rest] = layers;
        if (!first) return;
        const more = [{ ...first, coats: 2 }, ...rest];
        expect(systemFilm(more).value).toBeGreaterThan(systemFilm(layers).value);
        expect(systemWaiting(more).value).toBeGreaterThan(systemWaiting(layers).value);
      }),
    );
  });
});

describe('what lies below a layer', () => {
  it('seals a bare surface when it covers all of it, not when it covers spots', () => {
    expect(conditionUnder([], 'bare')).toBe('bare');
    expect(conditionUnder([{ role: 'spot prime' }], 'bare')).toBe('bare');
    expect(conditionUnder([{ role: 'spot prime' }, { role: 'prime' }], 'bare')).toBe('sealed');
    expect(conditionUnder([], 'sealed')).toBe('sealed');
  });
});

describe('layers that do not go together', () => {
  it.each<[string, SurfaceKind, Layer[], RegExp]>([
    [
      'a stain over a film',
      'planed-timber',
      [layer('clear-varnish'), layer('penetrating-stain')],
      /^1 contradiction: A stain that soaks in cannot get through Clear varnish/,
    ],
    [
      'a clear coat over a primer',
      'planed-timber',
      [layer('stain-block', 'prime'), layer('clear-varnish')],
      /^1 contradiction: Clear varnish.* is clear and would show/,
    ],
    [
      'a primer over a finish',
      'smooth-board',
      [layer('wall-matt', 'prime'), layer('board-primer')],
      /1 contradiction: .*is a primer and comes last/,
    ],
    [
      'a finish as a primer',
      'smooth-board',
      [layer('wall-matt', 'prime'), layer('wall-matt')],
      /^0 warning: .*is no primer/,
    ],
    [
      'lacquer over water-borne',
      'planed-timber',
      [layer('clear-varnish', 'prime'), layer('clear-lacquer-solvent')],
      /^1 warning: The solvent of Clear lacquer.*can lift or wrinkle/,
    ],
    [
      'solvent over water',
      'planed-timber',
      [layer('stain-block', 'prime'), layer('trim-enamel-solvent')],
      /^1 warning: Solvent over water-borne/,
    ],
    [
      'water over solvent',
      'planed-timber',
      [layer('stain-block-solvent', 'prime'), layer('trim-enamel')],
      /^1 warning: Water-borne over solvent.*flush through the solvent/,
    ],
    [
      'masonry paint on timber',
      'sawn-timber',
      [layer('high-build-masonry')],
      /^0 warning: .*render, block and brick/,
    ],
    ['varnish on board', 'smooth-board', [layer('clear-varnish')], /^0 warning: .*made for timber/],
    [
      'metal primer on board',
      'smooth-board',
      [layer('metal-primer', 'prime'), layer('wall-matt')],
      /^0 warning: .*for metal/,
    ],
  ])('%s', (_name, kind, layers, sentence) => {
    expect(say(kind, ...layers).join('\n')).toMatch(sentence);
  });

  it('leaves alone what goes together', () => {
    expect(say('smooth-board', layer('board-primer', 'prime'), layer('wall-matt', 'finish', 2))).toEqual([]);
    expect(
      say('planed-timber', layer('penetrating-stain', 'prime'), layer('clear-varnish', 'finish', 2)),
    ).toEqual([]);
    expect(
      say('planed-timber', layer('clear-lacquer-solvent', 'prime'), layer('clear-lacquer-solvent')),
    ).toEqual([]);
    expect(say('block', layer('block-filler', 'prime'), layer('wall-matt'))).toEqual([]);
  });
});

describe('the ground and the place of a system', () => {
  const on = (kind: SurfaceKind, side: 'inside' | 'outside', ...layers: Layer[]) =>
    checkSystem(layers, { kind, condition: 'bare', side }).map(({ message }) => message);
  it('wants a primer on bare block, timber and metal, and no second one', () => {
    expect(on('block', 'inside', layer('wall-matt'))).toEqual([expect.stringMatching(/Bare block drinks/)]);
    expect(on('planed-timber', 'inside', layer('trim-enamel'))).toEqual([expect.stringMatching(/knots/)]);
    expect(on('metal', 'outside', layer('trim-enamel-solvent'))).toEqual([expect.stringMatching(/rusts/)]);
    expect(on('metal', 'outside', layer('metal-primer', 'prime'), layer('trim-enamel'))).toEqual([]);
    // Spots are no primer of the whole
    expect(
      on('planed-timber', 'inside', layer('stain-block', 'spot prime'), layer('trim-enamel')),
    ).toHaveLength(1);
    for (const own of ['penetrating-stain', 'solid-stain', 'clear-varnish', 'exterior-wood-primer'] as const)
      expect(on('planed-timber', 'outside', layer(own))).toEqual([]);
    expect(on('block', 'outside', layer('high-build-masonry'))).toEqual([]);
    expect(
      checkSystem([layer('trim-enamel')], { kind: 'metal', condition: 'sealed', side: 'inside' }),
    ).toEqual([]);
  });

  it('keeps interior coatings in and exterior ones out', () => {
    expect(on('smooth-board', 'outside', layer('wall-matt'))).toEqual([
      expect.stringMatching(/made for rooms/),
    ]);
    expect(on('smooth-board', 'inside', layer('exterior-acrylic'))).toEqual([
      expect.stringMatching(/made for outside/),
    ]);
  });
});

describe('usual systems', () => {
  it.each(RECIPES.map((recipe) => [recipe.id, recipe] as const))(
    '%s: its layers go together',
    (_id, recipe) => {
      const kinds = recipe.kinds.length > 0 ? recipe.kinds : (['smooth-board', 'planed-timber'] as const);
      const layers = recipe.layers.map(({ archetype, role, coats }) => layer(archetype, role, coats));
      expect(recipe.layers[recipe.layers.length - 1]?.role).toBe('finish');
      const contradictions = kinds.flatMap((kind) =>
        recipe.sides.flatMap((side) =>
          checkSystem(layers, { kind, condition: 'sealed', side }).filter(
            ({ level, message }) => level === 'contradiction' || /made for (rooms|outside)/.test(message),
          ),
        ),
      );
      expect(contradictions).toEqual([]);
      expect(
        recipe.elements.some((element) =>
          recipe.sides.some((side) => recipesFor(element, side, kinds[0] ?? 'metal').includes(recipe)),
        ),
      ).toBe(true);
    },
  );

  it('are there for a bare wall of block before others, and only those that fit', () => {
    expect(recipesFor('wall', 'inside', 'block')[0]?.id).toBe('walls-block');
    expect(recipesFor('wall', 'inside', 'smooth-board').map(({ id }) => id)).not.toContain('walls-block');
    for (const kind of SURFACE_KIND_IDS) {
      for (const recipe of recipesFor('edge', 'outside', kind)) expect(recipe.elements).toContain('edge');
    }
  });
});
