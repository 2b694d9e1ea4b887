import {
  ITEM_IDS,
  PIECE_KIND_IDS,
  elementOfKind,
  measure,
  pieceKind,
  pieceKindOf,
  piecesOf,
  sizesAlone,
  usualGeometry,
  type ItemGeometry,
} from '.';
import { itemOf } from './items';

const item = (of: Partial<ItemGeometry> & Pick<ItemGeometry, 'item'>): ItemGeometry => ({
  shape: 'item',
  sizes: {},
  count: 1,
  ...of,
});
const net = (geometry: ItemGeometry): number => {
  const area = measure(geometry);
  if (!area.ok) throw new Error(area.message);
  return area.value.net;
};

describe('what can be set up by itself', () => {
  it.each(PIECE_KIND_IDS)('%s starts from usual sizes with an area, and is known again', (kind) => {
    const geometry = usualGeometry(kind);
    const area = measure(geometry);
    expect(area.ok && area.value.net).toBeGreaterThan(0);
    expect(pieceKindOf({ element: elementOfKind(kind), geometry })).toBe(kind);
    expect(pieceKind(kind).name.length).toBeGreaterThan(2);
  });

  it('has every counted thing that is painted but closets and reveals, which are walls, and the outside door, which is a door with one side', () => {
    const kinds: readonly string[] = PIECE_KIND_IDS;
    expect(ITEM_IDS.filter((id) => !kinds.includes(id) && itemOf(id).group !== 'inTheWay')).toEqual([
      'outside-door',
      'reveal',
      'closet',
    ]);
  });

  it('is known by its area alone where nobody has said what it is', () => {
    const geometry = { shape: 'rectangle', width: 3, height: 1, count: 1, openings: [] } as const;
    expect(pieceKindOf({ element: 'trim', geometry })).toBeUndefined();
    expect(pieceKindOf({ element: 'wall', geometry })).toBe('wall');
  });
});

describe('areas by hand', () => {
  it('a door: one side is its face, both sides have the edges with them', () => {
    const sizes = { width: 0.9, height: 2.1 };
    expect(net(item({ item: 'door', sizes, faces: 1, count: 6 }))).toBeCloseTo(6 * 1.89, 9);
    // Two faces and four edges of 44 mm
    expect(net(item({ item: 'door', sizes, faces: 2 }))).toBeCloseTo(2 * 1.89 + 6 * 0.044, 9);
    expect(piecesOf(item({ item: 'door', sizes })).map(({ name }) => name)).toEqual(['Both faces', 'Edges']);
  });

  it('casings, spindles, cabinets, shelves, gutters', () => {
    expect(net(item({ item: 'doorway', sizes: { width: 0.9, height: 2.1, casing: 0.07 } }))).toBeCloseTo(
      (0.9 + 2 * 2.1) * 0.07,
      9,
    );
    expect(net(item({ item: 'spindle', sizes: { width: 0.04, height: 0.9 }, count: 34 }))).toBeCloseTo(
      34 * 4 * 0.04 * 0.9,
      9,
    );
    expect(net(item({ item: 'cabinet', sizes: { width: 0.6, height: 0.7, depth: 0.5 } }))).toBeCloseTo(
      0.42 + 2 * 0.35,
      9,
    );
    expect(net(item({ item: 'shelf', sizes: { length: 1.8, depth: 0.3 }, faces: 1, count: 6 }))).toBeCloseTo(
      6 * 0.54,
      9,
    );
    expect(net(item({ item: 'gutter', sizes: { length: 10.2, height: 0.2 }, count: 2 }))).toBeCloseTo(
      4.08,
      9,
    );
  });

  it('asks a door leaf for no casing, and its casing for one', () => {
    expect(sizesAlone('door')).toEqual(['width', 'height']);
    expect(sizesAlone('doorway')).toEqual(['width', 'height', 'casing']);
    expect(sizesAlone('spindle')).toEqual(['width', 'height']);
  });

  it('keeps its pieces the same each time, so that their passes are worked out once', () => {
    const doors = item({ item: 'door' });
    expect(piecesOf(doors)).toBe(piecesOf(doors));
  });
});

it('refuses a size or number that is none, at its field and by its name', () => {
  for (const [geometry, field, sentence] of [
    [item({ item: 'door', sizes: { width: 0 } }), 'geometry.sizes.width', /^Width must be between/],
    [item({ item: 'spindle', sizes: { width: 500 } }), 'geometry.sizes.width', /^Side must be between/],
    [item({ item: 'gutter', sizes: { height: -1 } }), 'geometry.sizes.height', /^Girth must be between/],
    [
      item({ item: 'window', sizes: { casing: 0 } }),
      'geometry.sizes.casing',
      /^Casing width must be between/,
    ],
    [item({ item: 'shelf', count: 0 }), 'geometry.count', /^Number must be a whole number/],
  ] as const) {
    const area = measure(geometry);
    expect(area).toMatchObject({ ok: false, field });
    expect(area.ok ? '' : area.message).toMatch(sentence);
  }
});

it('a net area put in by hand stands over what is counted', () => {
  const area = measure({ ...item({ item: 'door' }), override: { net: 9, reason: 'Glazed' } });
  expect(area.ok && area.value.net).toBe(9);
});

it('has its sides only where it can be painted on one', () => {
  for (const kind of PIECE_KIND_IDS) {
    const geometry = usualGeometry(kind);
    if (geometry.shape !== 'item') continue;
    const [one, both] = ([1, 2] as const).map((faces) => net({ ...geometry, faces }));
    expect(one !== both).toBe(itemOf(geometry.item).oneFaceOrBoth === true);
  }
});
