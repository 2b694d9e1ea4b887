import { measure } from '@fine-spray/core/takeoff';
import { readGbxml, type TakeoffSurface } from '..';

let made = 0;
const newId = () => `00000000-0000-7000-8000-${String((made += 1)).padStart(12, '0')}`;
const coatings = [
  { id: 'c1', archetype: 'wall-matt' },
  { id: 'c2', archetype: 'ceiling-flat' },
] as const;
const ID = '01930000-0000-7000-8000-000000000001';
const kit = coatings.map((coating, index) => ({ ...coating, id: ID.replace(/1$/, String(index + 1)) }));

type Corner = readonly [number, number, number];
/** Corners as one reads them: "0 0 0, 5 0 0, 5 0 2.5". */
const corners = (text: string) =>
  text.split(', ').map((corner) => corner.split(' ').map(Number) as unknown as Corner);
const loop = (outline: readonly Corner[]) =>
  `<PlanarGeometry><PolyLoop>${outline
    .map(
      (corner) =>
        `<CartesianPoint>${corner.map((value) => `<Coordinate>${value}</Coordinate>`).join('')}</CartesianPoint>`,
    )
    .join('')}</PolyLoop></PlanarGeometry>`;
const surface = (
  id: string,
  type: string,
  spaces: readonly string[],
  corners: readonly Corner[],
  inside = '',
) =>
  `<Surface id="${id}" surfaceType="${type}">${spaces
    .map((space) => `<AdjacentSpaceId spaceIdRef="${space}"/>`)
    .join('')}<Name>${id}</Name>${loop(corners)}${inside}</Surface>`;
const opening = (type: string, corners: readonly Corner[]) =>
  `<Opening openingType="${type}">${loop(corners)}</Opening>`;
const model = (
  surfaces: string,
  unit = 'Meters',
  spaces = '<Space id="hall"><Name>Hall &amp; stair</Name></Space><Space id="loft"><Name>Loft</Name></Space>',
) =>
  `<?xml version="1.0"?><gbXML xmlns="http://www.gbxml.org/schema" lengthUnit="${unit}" version="6.01"><Campus id="c"><Building id="b">${spaces}</Building>${surfaces}</Campus></gbXML>`;

/** A house of a hall 5 by 4 and 2.5 high, with a loft under a pitched roof whose ridge is 1.5 above it. */
const HOUSE = model(
  [
    surface(
      'south',
      'ExteriorWall',
      ['hall'],
      corners('0 0 0, 5 0 0, 5 0 2.5, 0 0 2.5'),
      opening('NonSlidingDoor', corners('1 0 0, 1.9 0 0, 1.9 0 2.1, 1 0 2.1')),
    ),
    surface('east', 'ExteriorWall', ['hall'], corners('5 0 0, 5 4 0, 5 4 2.5, 5 0 2.5')),
    surface(
      'north',
      'ExteriorWall',
      ['hall'],
      corners('5 4 0, 0 4 0, 0 4 2.5, 5 4 2.5'),
      opening('OperableWindow', corners('4 4 1, 2.8 4 1, 2.8 4 2.2, 4 4 2.2')),
    ),
    surface('west', 'ExteriorWall', ['hall'], corners('0 4 0, 0 0 0, 0 0 2.5, 0 4 2.5')),
    surface('between', 'InteriorFloor', ['loft', 'hall'], corners('0 0 2.5, 5 0 2.5, 5 4 2.5, 0 4 2.5')),
    surface('gable east', 'ExteriorWall', ['loft'], corners('5 0 2.5, 5 4 2.5, 5 2 4')),
    surface('gable west', 'ExteriorWall', ['loft'], corners('0 4 2.5, 0 0 2.5, 0 2 4')),
    surface(
      'roof south',
      'Roof',
      ['loft'],
      corners('0 0 2.5, 5 0 2.5, 5 2 4, 0 2 4'),
      opening('OperableSkylight', corners('1 0.4 2.8, 2 0.4 2.8, 2 1.2 3.4, 1 1.2 3.4')),
    ),
    surface('roof north', 'Roof', ['loft'], corners('5 4 2.5, 0 4 2.5, 0 2 4, 5 2 4')),
    surface('slab', 'SlabOnGrade', ['hall'], corners('0 0 0, 0 4 0, 5 4 0, 5 0 0')),
  ].join(''),
);

const bytes = (text: string) => new TextEncoder().encode(text);
const read = (text: string) => readGbxml(bytes(text), { coatings: kit, newId });
function areas(surfaces: readonly TakeoffSurface[]) {
  return Object.fromEntries(
    surfaces.map(({ fields }) => {
      const area = measure(fields.geometry);
      if (!area.ok) throw new Error(area.message);
      return [`${fields.room}: ${fields.name}`, area.value];
    }),
  );
}
const refusal = (text: string) => {
  const result = read(text);
  if (result.ok) throw new Error('was taken');
  return result.issues[0]?.message ?? '';
};

describe('rooms from a building model', () => {
  it('have the areas that one works out by hand', () => {
    const result = read(HOUSE);
    if (!result.ok) throw new Error(JSON.stringify(result.issues));
    const found = areas(result.value);
    expect(result.value.map(({ fields, offered }) => [fields.room, fields.name, offered])).toEqual([
      ['Hall & stair', 'Walls', false],
      ['Hall & stair', 'Ceiling', false],
      ['Loft', 'Walls', false],
      ['Loft', 'Ceiling', false],
      ['Outside', 'Roof, north side', true],
      ['Outside', 'Roof, south side', true],
      ['Outside', 'Walls, east side', true],
      ['Outside', 'Walls, north side', true],
      ['Outside', 'Walls, south side', true],
      ['Outside', 'Walls, west side', true],
    ]);
    expect(found['Hall & stair: Walls']?.gross).toBeCloseTo(18 * 2.5, 6);
    expect(found['Hall & stair: Walls']?.openings).toBeCloseTo(0.9 * 2.1 + 1.2 * 1.2, 6);
    expect(found['Hall & stair: Ceiling']?.net).toBeCloseTo(20, 6);
    expect(found['Loft: Walls']?.net).toBeCloseTo(2 * 0.5 * 4 * 1.5, 6);
    // Rafters of √(2² + 1.5²) = 2.5; the window in the roof is 1 m wide and 1 m along the slope.
    expect(found['Loft: Ceiling']?.gross).toBeCloseTo(2 * 5 * 2.5, 6);
    expect(found['Loft: Ceiling']?.openings).toBeCloseTo(1, 6);
    expect(found['Outside: Walls, east side']?.net).toBeCloseTo(4 * 2.5 + (4 * 1.5) / 2, 6);
    expect(result.notes).toEqual(['Left out, no wall and no ceiling: slab (SlabOnGrade).']);
    const kinds = result.value[0]?.fields.geometry;
    expect(
      kinds?.shape === 'pieces' && kinds.pieces.flatMap(({ openings }) => openings.map(({ kind }) => kind)),
    ).toEqual(['door', 'window']);
  });

  it('are the same in feet', () => {
    const feet = HOUSE.replace('lengthUnit="Meters"', 'lengthUnit="Feet"').replace(
      /<Coordinate>(.*?)<\/Coordinate>/g,
      (_match, value: string) => `<Coordinate>${Number(value) / 0.3048}</Coordinate>`,
    );
    const [metric, us] = [read(HOUSE), read(feet)];
    if (!metric.ok || !us.ok) throw new Error('refused');
    const [one, other] = [areas(metric.value), areas(us.value)];
    for (const [name, area] of Object.entries(one)) expect(other[name]?.net).toBeCloseTo(area.net, 4);
  });

  it.each([
    ['no XML', 'hello', /not readable as XML/],
    ['another root', '<house/>', /no gbXML model/],
    ['no rooms', model('', 'Meters', ''), /no rooms/],
    ['rooms without walls', model(''), /no walls or ceilings/],
    ['an unknown unit', model('', 'Cubits'), /"Cubits" is no length unit/],
    ['a document type', `<!DOCTYPE x [<!ENTITY a "b">]>${HOUSE}`, /document type/],
    [
      'an outline of two corners',
      model(surface('w', 'InteriorWall', ['hall'], corners('0 0 0, 1 0 0'))),
      /no plane with three corners/,
    ],
    [
      'a corner that is no number',
      HOUSE.replace('<Coordinate>2.1</Coordinate>', '<Coordinate>x</Coordinate>'),
      /opening of this surface has no outline/,
    ],
    [
      'a twisted outline',
      model(surface('w', 'InteriorWall', ['hall'], corners('0 0 0, 4 0 0, 4 2 2, 0 0 2'))),
      /no plane/,
    ],
    ['brackets that open and never close', `<gbXML>${'<'.repeat(100_000)}`, /not readable as XML/],
    ['nesting without end', `<gbXML>${'<a>'.repeat(5000)}${'</a>'.repeat(5000)}</gbXML>`, /nested too deep/],
  ])('are refused with a sentence: %s', (_name, text, sentence) => {
    expect(refusal(text)).toMatch(sentence);
  });
});

/** A box of a room: four walls, and what is over it. */
function box(
  space: string,
  [x, y, z]: Corner,
  [w, d, h]: Corner,
  inWalls: Partial<Record<string, string>> = {},
) {
  const at = (a: number, b: number, c: number): Corner => [x + a * w, y + b * d, z + c * h];
  const wall = (name: string, [a, b]: readonly [number, number], [c, e]: readonly [number, number]) =>
    surface(
      `${space} ${name}`,
      'ExteriorWall',
      [space],
      [at(a, b, 0), at(c, e, 0), at(c, e, 1), at(a, b, 1)],
      inWalls[name],
    );
  return [
    wall('south', [0, 0], [1, 0]),
    wall('east', [1, 0], [1, 1]),
    wall('north', [1, 1], [0, 1]),
    wall('west', [0, 1], [0, 0]),
  ].join('');
}
const level = (
  id: string,
  type: string,
  spaces: readonly string[],
  height: number,
  sides = [5, 4] as const,
) =>
  surface(id, type, spaces, [
    [0, 0, height],
    [sides[0], 0, height],
    [sides[0], sides[1], height],
    [0, sides[1], height],
  ]);
function taken(text: string | Uint8Array) {
  const result = readGbxml(typeof text === 'string' ? bytes(text) : text, { coatings: kit, newId });
  if (!result.ok) throw new Error(JSON.stringify(result.issues));
  const pieces = new Map(
    result.value.map(({ fields }) => [
      `${fields.room}: ${fields.name}`,
      fields.geometry.shape === 'pieces' ? fields.geometry.pieces : [],
    ]),
  );
  return { found: areas(result.value), notes: result.notes, pieces };
}

describe('a ceiling between two spaces', () => {
  const two = (between: string) =>
    model(box('hall', [0, 0, 0], [5, 4, 2.5]) + box('loft', [0, 0, 2.5], [5, 4, 1.2]) + between);

  it.each([
    ['a ceiling, the lower first', level('c', 'Ceiling', ['hall', 'loft'], 2.5)],
    ['a ceiling, the upper first', level('c', 'Ceiling', ['loft', 'hall'], 2.5)],
    ['a floor, the upper first', level('c', 'InteriorFloor', ['loft', 'hall'], 2.5)],
    ['a floor, the lower first', level('c', 'InteriorFloor', ['hall', 'loft'], 2.5)],
  ])('belongs to the lower one: %s', (_name, between) => {
    const { found } = taken(two(between));
    expect(found['Hall & stair: Ceiling']?.net).toBeCloseTo(20, 6);
    expect(found['Loft: Ceiling']).toBeUndefined();
  });

  it('belongs to the one that the model itself calls it the ceiling of, where their heights say nothing', () => {
    const said = level('c', 'Ceiling', ['loft', 'hall'], 2.5)
      .replace('spaceIdRef="loft"', 'spaceIdRef="loft" surfaceType="InteriorFloor"')
      .replace('spaceIdRef="hall"', 'spaceIdRef="hall" surfaceType="Ceiling"');
    const { found } = taken(model(said));
    expect(Object.keys(found)).toEqual(['Hall & stair: Ceiling']);
  });
});

describe('a partition', () => {
  const across = (spaces: readonly string[], inside = '') =>
    surface('partition', 'InteriorWall', spaces, corners('2 0 0, 2 4 0, 2 4 2.5, 2 0 2.5'), inside);
  // A door 0.5 m from the wall at y = 0.
  const door = opening('NonSlidingDoor', corners('2 0.5 0, 2 1.4 0, 2 1.4 2.1, 2 0.5 2.1'));

  it('within one room has two faces, its door in both, seen from either side', () => {
    const { found, pieces } = taken(
      model(box('hall', [0, 0, 0], [5, 4, 2.5]) + across(['hall', 'hall'], door)),
    );
    expect(found['Hall & stair: Walls']?.gross).toBeCloseTo(18 * 2.5 + 2 * 10, 6);
    expect(found['Hall & stair: Walls']?.openings).toBeCloseTo(2 * 0.9 * 2.1, 6);
    const faces = pieces.get('Hall & stair: Walls')?.filter(({ name }) => name === 'partition') ?? [];
    expect(faces.map(({ openings }) => openings[0]?.at).sort()).toEqual([0.5, 2.6]);
  });

  it('between two rooms has one face in each', () => {
    const { found, pieces } = taken(
      model(
        box('hall', [0, 0, 0], [2, 4, 2.5]) +
          box('loft', [2, 0, 0], [3, 4, 2.5]) +
          across(['hall', 'loft'], door),
      ),
    );
    expect(found['Hall & stair: Walls']?.gross).toBeCloseTo(12 * 2.5 + 10, 6);
    expect(found['Loft: Walls']?.gross).toBeCloseTo(14 * 2.5 + 10, 6);
    // From the hall, looking east, the south end is on the right; from the other side on the left.
    const at = (of: string) => pieces.get(of)?.find(({ name }) => name === 'partition')?.openings[0]?.at;
    expect([at('Hall & stair: Walls'), at('Loft: Walls')]).toEqual([2.6, 0.5]);
  });
});

describe('the outside', () => {
  const out = (location: string) =>
    taken(
      model(box('hall', [0, 0, 0], [5, 4, 2.5]) + level('lid', 'Roof', ['hall'], 2.5)).replace(
        '<Campus id="c">',
        `<Campus id="c">${location}`,
      ),
    );
  it('is offered by the side of the house', () => {
    const { found } = out('');
    expect(found['Outside: Walls, south side']?.net).toBeCloseTo(12.5, 6);
    expect(found['Outside: Walls, east side']?.net).toBeCloseTo(10, 6);
    expect(found['Outside: Flat roof']?.net).toBeCloseTo(20, 6);
  });
  it('is turned as the model is', () => {
    const { found } = out('<Location><CADModelAzimuth>90</CADModelAzimuth></Location>');
    expect(found['Outside: Walls, south side']?.net).toBeCloseTo(10, 6);
    expect(found['Outside: Walls, west side']?.net).toBeCloseTo(12.5, 6);
  });
});

describe('places of openings', () => {
  const window = opening('OperableWindow', corners('0.5 0 1, 2 0 1, 2 0 2.2, 0.5 0 2.2'));
  const at = (text: string, of: string) => {
    const openings =
      taken(text)
        .pieces.get(of)
        ?.flatMap((piece) => piece.openings) ?? [];
    return openings.map((one) =>
      [one.at, one.sill, one.width].map((value) => value && Number(value.toFixed(6))),
    );
  };
  it('are counted from the left of who stands before them, inside and outside', () => {
    const house = model(box('hall', [0, 0, 0], [5, 4, 2.5], { south: window }));
    expect(at(house, 'Hall & stair: Walls')).toEqual([[3, 1, 1.5]]);
    expect(at(house, 'Outside: Walls, south side')).toEqual([[0.5, 1, 1.5]]);
  });
  it('do not hang on which way round the corners of a wall run', () => {
    const south = box('hall', [0, 0, 0], [5, 4, 2.5], { south: window });
    const turned = south.replace(
      /(<PlanarGeometry><PolyLoop>)(.*?)(<\/PolyLoop>)/,
      (_m, a: string, points: string, c: string) => {
        const each = points.match(/<CartesianPoint>.*?<\/CartesianPoint>/g) ?? [];
        return a + each.reverse().join('') + c;
      },
    );
    expect(turned).not.toBe(south);
    expect(at(model(turned), 'Hall & stair: Walls')).toEqual([[3, 1, 1.5]]);
  });
  it('are left out where they cannot be, and that is said', () => {
    const beyond = window.replaceAll('>2<', '>9<').replaceAll('>0.5<', '>7.5<');
    const house = model(box('hall', [0, 0, 0], [5, 4, 2.5], { south: beyond }));
    expect(at(house, 'Hall & stair: Walls')).toEqual([[undefined, undefined, 1.5]]);
    expect(taken(house).notes).toEqual([
      'Openings counted by their size alone, their place is not clear: hall south.',
    ]);
  });
});

describe('storeys', () => {
  const storey = (id: string, name: string) =>
    `<BuildingStorey id="${id}"><Name>${name}</Name></BuildingStorey>`;
  const bath = (id: string, of: string, name = 'Bath') =>
    `<Space id="${id}" buildingStoreyIdRef="${of}"><Name>${name}</Name></Space>`;
  it('tell rooms of one name apart', () => {
    const { found } = taken(
      model(
        box('b1', [0, 0, 0], [2, 2, 2.5]) + box('b2', [0, 0, 3], [3, 2, 2.5]),
        'Meters',
        storey('s1', 'Ground floor') + storey('s2', 'Upper floor') + bath('b1', 's1') + bath('b2', 's2'),
      ),
    );
    expect(found['Ground floor, Bath: Walls']?.net).toBeCloseTo(20, 6);
    expect(found['Upper floor, Bath: Walls']?.net).toBeCloseTo(25, 6);
  });
  it('are not said where there is one, or the room says it itself', () => {
    const one = model(
      box('b1', [0, 0, 0], [2, 2, 2.5]),
      'Meters',
      storey('s1', 'Ground floor') + bath('b1', 's1'),
    );
    expect(Object.keys(taken(one).found)[0]).toBe('Bath: Walls');
    const said = model(
      box('b1', [0, 0, 0], [2, 2, 2.5]),
      'Meters',
      storey('s1', 'Ground') + storey('s2', 'Upper') + bath('b1', 's2', 'Upper bath'),
    );
    expect(Object.keys(taken(said).found)[0]).toBe('Upper bath: Walls');
  });
});

describe('names with a prefix', () => {
  const prefixed = (prefix: string) =>
    HOUSE.replace(/<(\/?)([A-Za-z])/g, `<$1${prefix}:$2`).replace('xmlns=', `xmlns:${prefix}=`);
  it.each(['gb', 'model'])('are read as those without: %s', (prefix) => {
    const text = prefixed(prefix);
    expect(text).toContain(`<${prefix}:Surface `);
    expect(taken(text).found).toEqual(taken(HOUSE).found);
  });
});

describe('encodings', () => {
  const inBytes = (text: string) => Uint8Array.from(text, (sign) => sign.charCodeAt(0));
  const named = (encoding: string, name: string) =>
    inBytes(
      HOUSE.replace('<?xml version="1.0"?>', `<?xml version="1.0" encoding="${encoding}"?>`).replace(
        'Loft',
        name,
      ),
    );
  it.each([
    ['ISO-8859-1', 'Caf\u00e9', 'Café'],
    ['windows-1252', 'Loft \u0096 east', 'Loft – east'],
  ])('of one byte are read where the file says so: %s', (encoding, written, name) => {
    expect(Object.keys(taken(named(encoding, written)).found)).toContain(`${name}: Walls`);
  });
  it('that nobody reads are refused by name, and a wrong UTF-8 as such', () => {
    const issue = (file: Uint8Array) => {
      const result = readGbxml(file, { coatings: kit, newId });
      return result.ok ? '' : result.issues[0]?.message;
    };
    expect(issue(named('EBCDIC-CP-US', 'Loft'))).toMatch(/"EBCDIC-CP-US", which is not read/);
    expect(issue(named('UTF-8', 'Caf\u00e9'))).toMatch(/not in UTF-8/);
  });
});

describe('surfaces given as rectangles', () => {
  const point = (corner: readonly number[]) =>
    `<CartesianPoint>${corner.map((value) => `<Coordinate>${value}</Coordinate>`).join('')}</CartesianPoint>`;
  const sizes = (width: number, height: number) => `<Height>${height}</Height><Width>${width}</Width>`;
  const facing = (
    id: string,
    type: string,
    corner: Corner,
    [azimuth, tilt]: readonly [number, number],
    size: string,
    inside = '',
  ) =>
    `<Surface id="${id}" surfaceType="${type}"><AdjacentSpaceId spaceIdRef="hall"/><RectangularGeometry><Azimuth>${azimuth}</Azimuth>${point(corner)}<Tilt>${tilt}</Tilt>${size}</RectangularGeometry>${inside}</Surface>`;
  const window = `<Opening openingType="FixedWindow"><RectangularGeometry>${point([0.5, 1])}${sizes(1.5, 1.2)}</RectangularGeometry></Opening>`;
  const room = (inSouth: string) =>
    facing('south', 'ExteriorWall', [0, 0, 0], [180, 90], sizes(5, 2.5), inSouth) +
    facing('east', 'ExteriorWall', [5, 0, 0], [90, 90], sizes(4, 2.5)) +
    facing('north', 'ExteriorWall', [5, 4, 0], [0, 90], sizes(5, 2.5)) +
    facing('west', 'ExteriorWall', [0, 4, 0], [270, 90], sizes(4, 2.5)) +
    facing('lid', 'Roof', [0, 0, 2.5], [180, 0], sizes(5, 4));

  it('have the same areas and places as their corners would give', () => {
    const byCorners = model(
      box('hall', [0, 0, 0], [5, 4, 2.5], {
        south: opening('FixedWindow', corners('0.5 0 1, 2 0 1, 2 0 2.2, 0.5 0 2.2')),
      }) + level('lid', 'Roof', ['hall'], 2.5),
    );
    const [one, other] = [taken(model(room(window))), taken(byCorners)];
    expect(Object.keys(one.found)).toEqual(Object.keys(other.found));
    for (const [name, { net, openings }] of Object.entries(other.found)) {
      expect(one.found[name]?.net).toBeCloseTo(net, 6);
      expect(one.found[name]?.openings).toBeCloseTo(openings, 6);
    }
    const places = ({ pieces }: typeof one) =>
      ['Hall & stair: Walls', 'Outside: Walls, south side'].map((of) =>
        pieces.get(of)?.flatMap((piece) => piece.openings.map(({ at, sill }) => [at, sill])),
      );
    expect(places(one)).toEqual(places(other));
  });
  it('without a size or a side they face are refused by name', () => {
    expect(refusal(model(facing('south', 'ExteriorWall', [0, 0, 0], [180, 90], '')))).toMatch(/no plane/);
    expect(refusal(model(room('').replace('<Azimuth>180</Azimuth>', '<Azimuth>south</Azimuth>')))).toMatch(
      /no plane/,
    );
  });
});

it('what is left out is named with its reason', () => {
  const { notes } = taken(
    model(
      box('hall', [0, 0, 0], [5, 4, 2.5]) +
        level('slab', 'SlabOnGrade', ['hall'], 0) +
        level('awning', 'Shade', [], 3) +
        surface('post', 'InteriorWall', [], corners('0 0 0, 1 0 0, 1 0 1')) +
        surface('stray', 'InteriorWall', ['attic'], corners('0 0 0, 1 0 0, 1 0 1')),
    ),
  );
  expect(notes).toEqual([
    'Left out, no wall and no ceiling: slab (SlabOnGrade), awning (Shade).',
    'Left out, beside no room: post (InteriorWall).',
    'Left out, beside a room that the model does not have: stray (InteriorWall).',
  ]);
});
