import { measure } from '@fine-spray/core/takeoff';
import { readGbxml, type TakeoffSurface } from '.';

let made = 0;
const newId = () => `00000000-0000-7000-8000-${String((made += 1)).padStart(12, '0')}`;
const coatings = [
  { id: 'c1', archetype: 'wall-matt' },
  { id: 'c2', archetype: 'ceiling-flat' },
] as const;
const ID = '01930000-0000-7000-8000-000000000001';
const kit = coatings.map((coating, index) => ({ ...coating, id: ID.replace(/1$/, String(index + 1)) }));

type Corner = readonly [number, number, number];
const loop = (corners: readonly Corner[]) =>
  `<PlanarGeometry><PolyLoop>${corners
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
      [
        [0, 0, 0],
        [5, 0, 0],
        [5, 0, 2.5],
        [0, 0, 2.5],
      ],
      opening('NonSlidingDoor', [
        [1, 0, 0],
        [1.9, 0, 0],
        [1.9, 0, 2.1],
        [1, 0, 2.1],
      ]),
    ),
    surface(
      'east',
      'ExteriorWall',
      ['hall'],
      [
        [5, 0, 0],
        [5, 4, 0],
        [5, 4, 2.5],
        [5, 0, 2.5],
      ],
    ),
    surface(
      'north',
      'ExteriorWall',
      ['hall'],
      [
        [5, 4, 0],
        [0, 4, 0],
        [0, 4, 2.5],
        [5, 4, 2.5],
      ],
      opening('OperableWindow', [
        [4, 4, 1],
        [2.8, 4, 1],
        [2.8, 4, 2.2],
        [4, 4, 2.2],
      ]),
    ),
    surface(
      'west',
      'ExteriorWall',
      ['hall'],
      [
        [0, 4, 0],
        [0, 0, 0],
        [0, 0, 2.5],
        [0, 4, 2.5],
      ],
    ),
    surface(
      'between',
      'InteriorFloor',
      ['loft', 'hall'],
      [
        [0, 0, 2.5],
        [5, 0, 2.5],
        [5, 4, 2.5],
        [0, 4, 2.5],
      ],
    ),
    surface(
      'gable east',
      'ExteriorWall',
      ['loft'],
      [
        [5, 0, 2.5],
        [5, 4, 2.5],
        [5, 2, 4],
      ],
    ),
    surface(
      'gable west',
      'ExteriorWall',
      ['loft'],
      [
        [0, 4, 2.5],
        [0, 0, 2.5],
        [0, 2, 4],
      ],
    ),
    surface(
      'roof south',
      'Roof',
      ['loft'],
      [
        [0, 0, 2.5],
        [5, 0, 2.5],
        [5, 2, 4],
        [0, 2, 4],
      ],
      opening('OperableSkylight', [
        [1, 0.4, 2.8],
        [2, 0.4, 2.8],
        [2, 1.2, 3.4],
        [1, 1.2, 3.4],
      ]),
    ),
    surface(
      'roof north',
      'Roof',
      ['loft'],
      [
        [5, 4, 2.5],
        [0, 4, 2.5],
        [0, 2, 4],
        [5, 2, 4],
      ],
    ),
    surface(
      'slab',
      'SlabOnGrade',
      ['hall'],
      [
        [0, 0, 0],
        [0, 4, 0],
        [5, 4, 0],
        [5, 0, 0],
      ],
    ),
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
    expect(Object.keys(found)).toEqual([
      'Hall & stair: Walls',
      'Hall & stair: Ceiling',
      'Loft: Walls',
      'Loft: Ceiling',
    ]);
    expect(found['Hall & stair: Walls']?.gross).toBeCloseTo(18 * 2.5, 6);
    expect(found['Hall & stair: Walls']?.openings).toBeCloseTo(0.9 * 2.1 + 1.2 * 1.2, 6);
    expect(found['Hall & stair: Ceiling']?.net).toBeCloseTo(20, 6);
    expect(found['Loft: Walls']?.net).toBeCloseTo(2 * 0.5 * 4 * 1.5, 6);
    // Rafters of √(2² + 1.5²) = 2.5; the window in the roof is 1 m wide and 1 m along the slope.
    expect(found['Loft: Ceiling']?.gross).toBeCloseTo(2 * 5 * 2.5, 6);
    expect(found['Loft: Ceiling']?.openings).toBeCloseTo(1, 6);
    expect(result.notes).toEqual(['1 surfaces of the model are not walls or ceilings and are left out.']);
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
      model(
        surface(
          'w',
          'InteriorWall',
          ['hall'],
          [
            [0, 0, 0],
            [1, 0, 0],
          ],
        ),
      ),
      /no plane with three corners/,
    ],
    [
      'a corner that is no number',
      HOUSE.replace('<Coordinate>2.1</Coordinate>', '<Coordinate>x</Coordinate>'),
      /opening of this surface has no outline/,
    ],
    [
      'a twisted outline',
      model(
        surface(
          'w',
          'InteriorWall',
          ['hall'],
          [
            [0, 0, 0],
            [4, 0, 0],
            [4, 2, 2],
            [0, 0, 2],
          ],
        ),
      ),
      /no plane/,
    ],
    ['brackets that open and never close', `<gbXML>${'<'.repeat(100_000)}`, /not readable as XML/],
    ['nesting without end', `<gbXML>${'<a>'.repeat(5000)}${'</a>'.repeat(5000)}</gbXML>`, /nested too deep/],
  ])('are refused with a sentence: %s', (_name, text, sentence) => {
    expect(refusal(text)).toMatch(sentence);
  });
});
