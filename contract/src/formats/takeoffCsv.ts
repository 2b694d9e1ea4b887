import { numberText } from '@fine-spray/core/units';
import { STATES } from '@fine-spray/core/quantities';
import type { Point } from '@fine-spray/core/shape';
import { TIP_FAMILIES } from '@fine-spray/core/tip';
import { suitedCoating, usualSystem } from '@fine-spray/core/system';
import {
  CONDITIONS,
  ELEMENTS,
  ELEMENT_DATA,
  ITEM_IDS,
  OPENING_KINDS,
  SIDES,
  SIZE_NAMES,
  SURFACE_KINDS,
  SURFACE_KIND_IDS,
  WINDS,
  measure,
  piecesOf,
  type PieceGeometry,
  type SizeName,
} from '@fine-spray/core/takeoff';
import type { z } from 'zod';
import { SURFACES_PER_JOB, surfaceFields, surfaceGeometry, type SurfaceFields } from '../job';
import type { Coating } from '../kit';
import type { SystemLayer } from '../system';
import { checkUnit, columnsOf, numberIn, readMeasure, type Column } from './columns';
import { isFormula, readTable, unguarded, type NumberMarks } from './csv';
import { ISSUES_SHOWN, readFile, refuseFile, type FileIssue, type FileRead } from './issue';
import type { Sheet } from './sheet';

/** The columns of a take-off, in the order they are written. Lengths and areas carry their unit in the header. */
export const TAKEOFF_COLUMNS = {
  room: 'Room',
  surface: 'Surface',
  part: 'Part',
  element: 'Piece',
  side: 'Side',
  kind: 'Material',
  condition: 'Condition',
  state: 'State',
  wind: 'Wind',
  shape: 'Shape',
  width: 'Width',
  height: 'Height',
  ridge: 'Ridge',
  corners: 'Corners',
  count: 'Count',
  counted: 'Counted as',
  openings: 'Openings',
  seen: 'Seen from',
  net: 'Net area',
  coating: 'Coating',
  coats: 'Coats',
  thinning: 'Thinning',
  under: 'Under',
  tip: 'Tip',
  instead: 'Area instead',
  reason: 'Reason',
  order: 'Order',
  id: 'Id',
  place: 'Place id',
  ofPlace: 'Piece of its place',
  openingIds: 'Opening ids',
} as const;
type Name = keyof typeof TAKEOFF_COLUMNS;

const UNIT_TITLES: Partial<Record<Name, string>> = {
  width: 'm',
  height: 'm',
  ridge: 'm',
  corners: 'm',
  counted: 'm',
  openings: 'm',
  seen: 'm',
  net: 'm²',
  thinning: '%',
  instead: 'm²',
};

/** A surface of a file: its content and, where the file has one, its id. */
export interface TakeoffSurface {
  readonly id: string | undefined;
  readonly fields: Omit<SurfaceFields, 'jobId'>;
  /** Row of the file it begins in. */
  readonly row: number;
  /** Not said to be painted: taken in only by who wants it. */
  readonly offered?: boolean;
}

type Geometry = SurfaceFields['geometry'];
type Pieces = Extract<Geometry, { shape: 'pieces' }>;
type Piece = Pieces['pieces'][number];
type Opening = Piece['openings'][number];

// ---- writing -------------------------------------------------------------------------------------------------------

/** A length as written: without the dust of binary fractions. */
const written = (value: number) => Number(value.toPrecision(12));
const percent = (share: number) => written(share * 100);

const openingText = ({ kind, width, height, count, at, sill }: Opening) =>
  `${count} ${kind} ${written(width)} x ${written(height)}${at === undefined ? '' : ` at ${written(at)}, ${written(sill ?? 0)}`}`;

const cornerText = ({ x, y }: Point) => `${written(x)} ${written(y)}`;

const layerText = (coatings: readonly Pick<Coating, 'id' | 'name'>[]) => (layer: SystemLayer) => {
  const name = coatings.find(({ id }) => id === layer.coatingId)?.name ?? layer.coatingId;
  const share = layer.role === 'spot prime' ? ` on ${percent(layer.share)} %` : '';
  const thinned = layer.thinning > 0 ? ` thinned ${percent(layer.thinning)} %` : '';
  const tip = layer.tip ? ` tip ${layer.tip.family} ${layer.tip.code}` : '';
  return `${layer.role}: ${layer.coats} x "${name}"${share}${thinned}${tip}`;
};

function pieceCells(piece: PieceGeometry): Partial<Record<Name, string | number>> {
  const base = {
    part: piece.name ?? '',
    shape: piece.shape,
    count: piece.count,
    openings: piece.openings.map(openingText).join('; '),
    openingIds: piece.openings.map(({ id }) => id).join(' '),
    seen: piece.seenFrom ? cornerText(piece.seenFrom) : '',
  };
  if (piece.shape === 'outline') {
    return { ...base, corners: piece.corners.map(cornerText).join('; ') };
  }
  return { ...base, width: written(piece.width), height: written(piece.height), ridge: piece.ridge ?? '' };
}

/** "door; width 0.86; height 2.04; faces 1; count 6": what its rows follow from. */
function countedText(geometry: Geometry): string {
  if (geometry.shape !== 'item') return '';
  const sizes = SIZE_NAMES.flatMap((name) => {
    const size = geometry.sizes[name];
    return size === undefined ? [] : [`${name} ${written(size)}`];
  });
  const faces = geometry.faces === undefined ? [] : [`faces ${geometry.faces}`];
  return [geometry.item, ...sizes, ...faces, `count ${geometry.count}`].join('; ');
}

/** The take-off of a job as a table: a row for each piece, what holds for its surface in the first. */
export function takeoffSheet(
  surfaces: readonly (Omit<SurfaceFields, 'jobId'> & { readonly id: string })[],
  coatings: readonly Pick<Coating, 'id' | 'name'>[],
): Sheet {
  const names = Object.keys(TAKEOFF_COLUMNS) as Name[];
  const columns = names.map((name) => ({
    title:
      UNIT_TITLES[name] === undefined
        ? TAKEOFF_COLUMNS[name]
        : `${TAKEOFF_COLUMNS[name]} (${UNIT_TITLES[name]})`,
  }));
  const rows = surfaces.flatMap((surface) => {
    const { geometry } = surface;
    const pieces = piecesOf(geometry);
    const area = measure(geometry);
    const whole: Partial<Record<Name, string | number>> = {
      element: surface.element,
      side: surface.side,
      kind: surface.kind,
      condition: surface.condition,
      state: surface.state ?? '',
      wind: surface.wind,
      counted: countedText(geometry),
      net: area.ok ? Number(area.value.net.toFixed(3)) : '',
      coating: coatings.find(({ id }) => id === surface.coatingId)?.name ?? surface.coatingId,
      coats: surface.coats,
      thinning: percent(surface.thinning),
      under: surface.under.map(layerText(coatings)).join('; '),
      tip: surface.tip ? `${surface.tip.family} ${surface.tip.code}` : '',
      instead: geometry.override?.net ?? '',
      reason: geometry.override?.reason ?? '',
      order: surface.position,
      id: surface.id,
      place: surface.placeId ?? '',
      ofPlace: surface.part,
    };
    return pieces.map((piece, index) => {
      const cells: Partial<Record<Name, string | number>> = {
        room: surface.room,
        surface: surface.name,
        ...pieceCells(piece),
        ...(index === 0 ? whole : {}),
      };
      return names.map((name) => cells[name] ?? null);
    });
  });
  return { title: 'Take-off', columns, rows };
}

// ---- reading -------------------------------------------------------------------------------------------------------

export interface TakeoffContext {
  readonly coatings: readonly Pick<Coating, 'id' | 'name' | 'archetype'>[];
  /** Makes the ids of what has none in the file. */
  readonly newId: () => string;
  /** Places of the job the file is read into: a surface keeps its place only if it is there. */
  readonly placeIds?: ReadonlySet<string>;
}

/** One row of the file while it is read. */
class RowReader {
  readonly issues: FileIssue[] = [];
  constructor(
    readonly row: number,
    private readonly cells: readonly string[],
    private readonly columns: Partial<Record<Name, Column>>,
    readonly marks: NumberMarks,
  ) {}

  text(name: Name): string {
    const column = this.columns[name];
    const cell = column ? (this.cells[column.index] ?? '') : '';
    if (isFormula(cell)) {
      this.refuse(
        name,
        `"${cell.slice(0, 20)}" begins like a formula. Write an apostrophe before it if it is text.`,
      );
    }
    return unguarded(cell);
  }
  refuse(name: Name, message: string): void {
    this.issues.push({ row: this.row, column: this.columns[name]?.title ?? TAKEOFF_COLUMNS[name], message });
  }
  /** A cell that is one of some words, by the word or the name people know it by. */
  oneOf<Value extends string>(
    name: Name,
    values: readonly Value[],
    usual: Value,
    known?: (value: Value) => string,
  ): Value {
    const cell = this.text(name).toLowerCase();
    if (cell === '') return usual;
    const found = values.find((value) => value === cell || known?.(value).toLowerCase() === cell);
    if (found !== undefined) return found;
    this.refuse(name, `"${cell.slice(0, 40)}" is not one of: ${values.join(', ')}.`);
    return usual;
  }
  measure(name: Name, kind: 'length' | 'area' = 'length'): number | undefined {
    const column = this.columns[name];
    const cell = column ? (this.cells[column.index] ?? '') : '';
    if (!column || cell === '') return undefined;
    const value = readMeasure(unguarded(cell), column, kind, this.marks);
    if (value.ok) return value.value;
    this.refuse(name, value.message);
    return undefined;
  }
  number(name: Name, usual: number): number {
    const column = this.columns[name];
    const cell = (column ? (this.cells[column.index] ?? '') : '').replace('%', '').trim();
    if (cell === '') return usual;
    const value = numberIn(cell, this.marks);
    if (value !== undefined) return value;
    this.refuse(name, `"${cell.slice(0, 40)}" is not a number.`);
    return usual;
  }
}

const OPENING = /^(\d+)\s+(\w+)\s+(\S+)\s*x\s*(\S+?)(?:\s+at\s+(\S+),\s*(\S+))?$/i;

function readOpenings(reader: RowReader, column: Column | undefined, newId: () => string): Opening[] {
  const cell = reader.text('openings');
  if (cell === '' || !column) return [];
  const ids = reader.text('openingIds').split(/\s+/).filter(Boolean);
  return cell.split(';').flatMap((text, index): Opening[] => {
    const [, count, kind, width, height, at, sill] = OPENING.exec(text.trim()) ?? [];
    const known = OPENING_KINDS.find((one) => one === kind?.toLowerCase());
    const sizes = [width, height, at, sill].map((part) =>
      part === undefined ? undefined : readMeasure(part, column, 'length', reader.marks),
    );
    if (known === undefined || sizes.some((size) => size && !size.ok)) {
      reader.refuse(
        'openings',
        `"${text.trim().slice(0, 40)}" is no opening. Write it like 2 window 1.2 x 1.2.`,
      );
      return [];
    }
    const [w, h, left, lower] = sizes.map((size) => (size?.ok ? size.value : undefined));
    return [
      {
        id: ids[index] ?? newId(),
        kind: known,
        width: w ?? 0,
        height: h ?? 0,
        count: Number(count),
        ...(left === undefined ? {} : { at: left, sill: lower ?? 0 }),
      },
    ];
  });
}

/** Points of a cell, "0 0; 4 0; 4 2.5": two lengths each. */
function readPoints(
  reader: RowReader,
  name: 'corners' | 'seen',
  column: Column | undefined,
  like: string,
): Point[] {
  return reader
    .text(name)
    .split(';')
    .filter((text) => text.trim() !== '')
    .flatMap((text) => {
      const [x, y] = text
        .trim()
        .split(/\s+/)
        .map((part) => (column ? readMeasure(part, column, 'length', reader.marks) : undefined));
      if (x?.ok && y?.ok) return [{ x: x.value, y: y.value }];
      reader.refuse(name, `"${text.trim().slice(0, 40)}" is no ${like}`);
      return [];
    });
}

function readPiece(reader: RowReader, columns: Partial<Record<Name, Column>>, newId: () => string): Piece {
  const shape = reader.oneOf('shape', ['rectangle', 'gable', 'outline'], 'rectangle');
  const name = reader.text('part');
  const [seenFrom] = readPoints(reader, 'seen', columns.seen, 'place. Write it like 2.4 -1.');
  const base = {
    ...(name === '' ? {} : { name }),
    count: reader.number('count', 1),
    openings: readOpenings(reader, columns.openings, newId),
    ...(seenFrom ? { seenFrom } : {}),
  };
  if (shape === 'outline') {
    const like = 'corner. Write corners like 0 0; 4 0; 4 2.5.';
    return { ...base, shape, corners: readPoints(reader, 'corners', columns.corners, like) };
  }
  const size = (of: 'width' | 'height') => {
    const before = reader.issues.length;
    const value = reader.measure(of);
    if (value === undefined && reader.issues.length === before)
      reader.refuse(of, `${TAKEOFF_COLUMNS[of]} is missing.`);
    return value ?? NaN;
  };
  const ridge = reader.measure('ridge');
  return {
    ...base,
    shape,
    width: size('width'),
    height: size('height'),
    ...(ridge === undefined ? {} : { ridge }),
  };
}

/**
 * What the rows of a surface are counted as, where they still say so: a size or number changed in the rows stands, and then they are
 * pieces.
 */
function readCounted(
  reader: RowReader,
  column: Column | undefined,
  pieces: readonly Piece[],
): Geometry | undefined {
  const [name = '', ...parts] = reader.text('counted').split(';');
  if (name.trim() === '' || !column) return undefined;
  const item = ITEM_IDS.find((one) => one === name.trim().toLowerCase());
  const values = parts.map((part) => part.trim().split(/\s+/));
  const valueOf = (of: string) => values.find(([first]) => first?.toLowerCase() === of)?.[1];
  const number = (of: string): number | undefined => {
    const found = valueOf(of);
    return found === undefined ? undefined : Number(found.replace(',', '.'));
  };
  const sizes: Partial<Record<SizeName, number>> = {};
  for (const size of SIZE_NAMES) {
    const found = valueOf(size);
    const read = found === undefined ? undefined : readMeasure(found, column, 'length', reader.marks);
    if (read?.ok) sizes[size] = read.value;
  }
  const faces = number('faces');
  const geometry = {
    shape: 'item',
    item,
    sizes,
    count: number('count') ?? 1,
    ...(faces === undefined ? {} : { faces }),
  };
  const known = item === undefined ? undefined : surfaceGeometry.safeParse(geometry);
  if (!known?.success) {
    reader.refuse(
      'counted',
      `"${reader.text('counted').slice(0, 60)}" is nothing that can be counted. Write it like door; width 0.9; height 2.1; count 6, or leave it empty.`,
    );
    return undefined;
  }
  const same = piecesOf(known.data).map((piece) => JSON.stringify(pieceCells(piece)));
  return same.join() === pieces.map((piece) => JSON.stringify(pieceCells(piece))).join()
    ? known.data
    : undefined;
}

const LAYER =
  /^(spot prime|prime):\s*(\d+)\s*x\s*"(.*?)"(?:\s+on\s+([\d.]+)\s*%)?(?:\s+thinned\s+([\d.]+)\s*%)?(?:\s+tip\s+([a-z-]+)\s+(\d{3,4}))?$/i;

function readUnder(reader: RowReader, coatingNamed: (name: string) => string | undefined): SystemLayer[] {
  const cell = reader.text('under');
  if (cell === '') return [];
  return cell.split(/;(?=\s*(?:spot )?prime:)/i).flatMap((text): SystemLayer[] => {
    const [, role, coats, name = '', share, thinned, family, code] = LAYER.exec(text.trim()) ?? [];
    const coatingId = coatingNamed(name);
    const known = TIP_FAMILIES.find((one) => one === family?.toLowerCase());
    if (role === undefined || coatingId === undefined) {
      reader.refuse(
        'under',
        `"${text.trim().slice(0, 60)}" is no layer of your kit. Write it like prime: 1 x "Board primer".`,
      );
      return [];
    }
    return [
      {
        role: role.toLowerCase() as 'prime' | 'spot prime',
        coatingId,
        coats: Number(coats),
        thinning: Number(thinned ?? 0) / 100,
        share: share === undefined ? 1 : Number(share) / 100,
        ...(known && code ? { tip: { family: known, code } } : {}),
      },
    ];
  });
}

function readTip(reader: RowReader): SurfaceFields['tip'] {
  const cell = reader.text('tip');
  if (cell === '') return null;
  const at = cell.lastIndexOf(' ');
  const [family, code] = [at < 0 ? 'standard' : cell.slice(0, at), cell.slice(at + 1)];
  const known = TIP_FAMILIES.find((one) => one === family);
  if (known !== undefined) return { family: known, code };
  reader.refuse('tip', `"${cell.slice(0, 40)}" is no tip. Write its family and code, like standard 517.`);
  return null;
}

/** The path of a schema issue as the column it comes from. */
const COLUMN_OF: Readonly<Record<string, Name>> = {
  name: 'surface',
  room: 'room',
  width: 'width',
  height: 'height',
  ridge: 'ridge',
  corners: 'corners',
  count: 'count',
  item: 'counted',
  sizes: 'counted',
  openings: 'openings',
  seenFrom: 'seen',
  part: 'ofPlace',
  net: 'instead',
  reason: 'reason',
  coats: 'coats',
  thinning: 'thinning',
  under: 'under',
  code: 'tip',
  tip: 'tip',
  id: 'openingIds',
  position: 'order',
};

function columnOf(path: readonly PropertyKey[], columns: Partial<Record<Name, Column>>): string | undefined {
  if (path.includes('openings')) return columns.openings?.title;
  for (const part of [...path].reverse()) {
    const name = COLUMN_OF[String(part)];
    if (name) return columns[name]?.title ?? TAKEOFF_COLUMNS[name];
  }
  return undefined;
}

/** Rows of one surface: those that follow each other with its id, or with its room and name and no id of their own. */
function groupsOf(readers: readonly RowReader[]): RowReader[][] {
  const groups: RowReader[][] = [];
  for (const reader of readers) {
    const last = groups[groups.length - 1];
    const [first] = last ?? [];
    const id = reader.text('id');
    const goesOn =
      first !== undefined &&
      reader.text('part') !== '' &&
      first.text('part') !== '' &&
      (id === '' || id === first.text('id')) &&
      reader.text('surface') === first.text('surface') &&
      reader.text('room') === first.text('room');
    if (last && goesOn) last.push(reader);
    else groups.push([reader]);
  }
  return groups;
}

/**
 * Reads a take-off from CSV: all of it, or what is wrong by row and column and nothing. Separator (comma, semicolon, tab) and
 * encoding are found; columns may come in any order, only surface, width and height are needed; lengths are in the unit of
 * their column or their own.
 */
export function readTakeoff(
  bytes: Uint8Array,
  { coatings, newId, placeIds = new Set() }: TakeoffContext,
): FileRead<readonly TakeoffSurface[]> {
  const table = readTable(bytes);
  if (!table.ok) return table;
  const found = columnsOf(table.value, TAKEOFF_COLUMNS);
  if (!found.ok) return found;
  const columns = found.value;
  const needed = (['surface', 'width', 'height'] as const).filter((name) => !columns[name]);
  if (needed.length > 0) {
    const missing = needed.map((name) => `"${TAKEOFF_COLUMNS[name]}"`).join(', ');
    return refuseFile(`The header has no column ${missing}. Its first row must name the columns.`);
  }
  const lengths = (['width', 'height', 'ridge', 'corners', 'openings', 'seen', 'counted'] as const).map(
    (name) => columns[name],
  );
  const units = [
    ...lengths.map((column) => (column ? checkUnit(column, 'length') : undefined)),
    columns.instead ? checkUnit(columns.instead, 'area') : undefined,
  ].filter((issue) => issue !== undefined);
  if (units.length > 0) return { ok: false, issues: units };
  if (table.value.rows.length === 0) return refuseFile('The file has a header and no rows.');

  const coatingNamed = (name: string): string | undefined =>
    coatings.find((one) => one.id === name || one.name.toLowerCase() === name.toLowerCase())?.id;
  const readers = table.value.rows.map(
    ({ row, cells }) => new RowReader(row, cells, columns, table.value.marks),
  );
  const groups = groupsOf(readers);
  for (const reader of readers) reader.issues.length = 0;
  if (groups.length > SURFACES_PER_JOB) {
    return refuseFile(
      `The file has ${numberText(groups.length)} surfaces and a job holds ${numberText(SURFACES_PER_JOB)}. Split it.`,
    );
  }
  const issues: FileIssue[] = [];
  const seen = new Map<string, number>();
  const surfaces = groups.map((group, index): TakeoffSurface | undefined => {
    const [first] = group;
    if (!first) return undefined;
    const pieces = group.map((reader) => readPiece(reader, columns, newId));
    const [only] = pieces;
    const counted = readCounted(first, columns.counted, pieces);
    const single = pieces.length === 1 && only !== undefined && only.name === undefined;
    const net = first.measure('instead', 'area');
    const override = net === undefined ? {} : { override: { net, reason: first.text('reason') } };
    const shape: Geometry = counted ?? (single ? only : { shape: 'pieces', pieces });
    const geometry: Geometry = { ...shape, ...override };
    const element = first.oneOf('element', ELEMENTS, 'wall', (one) => ELEMENT_DATA[one].name);
    const side = first.oneOf('side', SIDES, 'inside');
    const usual = usualSystem(element, side);
    const named = first.text('coating');
    const coatingId = named === '' ? suitedCoating(coatings, usual)?.id : coatingNamed(named);
    if (coatingId === undefined) {
      first.refuse(
        'coating',
        named === '' ? 'Your kit has no coating yet.' : `"${named.slice(0, 60)}" is not in your kit.`,
      );
    }
    const id = first.text('id');
    const before = id === '' ? undefined : seen.get(id);
    if (before !== undefined) first.refuse('id', `The surface of row ${before} has the same id.`);
    seen.set(id, first.row);
    const place = first.text('place');
    const follows = placeIds.has(place);
    const fields = {
      placeId: follows ? place : null,
      part: follows ? first.text('ofPlace') : '',
      name: first.text('surface'),
      room: first.text('room'),
      position: first.number('order', index * 10),
      element,
      side,
      kind: first.oneOf('kind', SURFACE_KIND_IDS, usual.kind, (one) => SURFACE_KINDS[one].name),
      condition: first.oneOf('condition', CONDITIONS, usual.condition),
      state: first.text('state') === '' ? null : first.oneOf('state', STATES, 'fair'),
      wind: first.oneOf('wind', WINDS, 'calm'),
      geometry,
      coatingId: coatingId ?? '',
      coats: first.number('coats', usual.coats),
      thinning: Number((first.number('thinning', 0) / 100).toPrecision(12)),
      under: readUnder(first, coatingNamed),
      tip: readTip(first),
    };
    const own = group.flatMap((reader) => reader.issues);
    issues.push(...own);
    if (own.length === 0) issues.push(...schemaIssues(fields, group, columns));
    return { id: id === '' ? undefined : id, fields, row: first.row };
  });
  if (issues.length > 0) return { ok: false, issues: issues.slice(0, ISSUES_SHOWN) };
  return readFile(
    surfaces.filter((surface) => surface !== undefined),
    [...table.notes, ...found.notes],
  );
}

/** A job that is only there for the schema. */
const ANY_JOB = '00000000-0000-7000-8000-000000000000';

/** What the schema of a surface says of one read from rows, at the row and column it comes from. */
function schemaIssues(
  fields: Omit<SurfaceFields, 'jobId'>,
  group: readonly RowReader[],
  columns: Partial<Record<Name, Column>>,
): FileIssue[] {
  const checked = surfaceFields.safeParse({ ...fields, jobId: ANY_JOB });
  if (checked.success) return [];
  return checked.error.issues.map((issue: z.core.$ZodIssue): FileIssue => {
    const piece = issue.path[issue.path.indexOf('pieces') + 1];
    const row = (issue.path.includes('pieces') ? group[Number(piece)]?.row : undefined) ?? group[0]?.row ?? 0;
    const column = columnOf(issue.path, columns);
    return { row, message: issue.message, ...(column === undefined ? {} : { column }) };
  });
}
