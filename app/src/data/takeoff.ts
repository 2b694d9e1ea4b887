import type { BatchWrite, Coating, Place, PlaceFields, Surface } from '@fine-spray/contract';
import { suitedCoating, usualSystem } from '@fine-spray/core/system';
import { surfacesOf, type DerivedSurface, type Element, type PieceGeometry } from '@fine-spray/core/takeoff';
import { newId } from './newId';
import { contentOf, deletion } from './resources';

/** What the surfaces of a place are written from. */
export interface TakeoffRows {
  readonly placeId: string;
  readonly place: PlaceFields;
  /** Surfaces of the place as they are stored. */
  readonly existing: readonly Surface[];
  readonly coatings: readonly Coating[];
  /** Surfaces that went with a piece that was taken out, to come back with it. */
  readonly remembered?: readonly Surface[] | undefined;
}

/** A surface that nobody has chosen anything for: what usually goes on such a piece, from the kit. */
function firstContent(derived: DerivedSurface, coatings: readonly Coating[]) {
  const usual = usualSystem(derived.element, derived.side);
  const coating = suitedCoating(coatings, usual);
  if (!coating) return undefined;
  return {
    kind: usual.kind,
    condition: usual.condition,
    state: null,
    wind: 'calm' as const,
    coatingId: coating.id,
    coats: usual.coats,
    thinning: 0,
    under: [],
    tip: null,
  };
}

/**
 * The stored surface of each that follows from a place; nothing for one that is new. Walls that go apart for the first time
 * leave what was all of them to the first; where they come together again the first stays.
 */
export function rowsFor(
  derived: readonly DerivedSurface[],
  existing: readonly Surface[],
): readonly (Surface | undefined)[] {
  const free = new Set(existing);
  const claim = (fits: (row: Surface) => boolean): Surface | undefined => {
    const row = [...free].find(fits);
    if (row) free.delete(row);
    return row;
  };
  const exact = derived.map((one) => claim((row) => isOf(row, one)));
  return derived.map(
    ({ element }, index) =>
      exact[index] ?? claim((row) => row.element === element && !derived.some((other) => isOf(row, other))),
  );
}

const isOf = (row: Surface, { element, part = '' }: DerivedSurface): boolean =>
  row.element === element && row.part === part;

/** What is remembered of a surface by: its element, and which piece it is where it is one by itself. */
export const keyOfRow = ({ element, part }: Surface): string => `${element} ${part}`;

const USUAL_NAMES: Readonly<Partial<Record<Element, RegExp>>> = {
  wall: /^(Walls|Wall \d+)$/,
  ceiling: /^Ceiling(, slope \d+)?$/,
};

/** What was chosen for one that is new: for the same piece before it was taken out, else for another wall of the room. */
function rememberedFor(
  one: DerivedSurface,
  rows: readonly (Surface | undefined)[],
  remembered: readonly Surface[],
): Surface | undefined {
  const own = remembered.find((row) => isOf(row, one));
  if (own || one.part === undefined) return own;
  const sibling = [...rows, ...remembered].find((row) => row?.element === one.element);
  return sibling && { ...sibling, name: one.name, tip: null };
}

/**
 * The writes that make the surfaces of a place follow it: sizes of those that are there, new ones for new pieces, none
 * for what is gone. What was chosen for a surface stays. Nothing is written where nothing changes.
 */
export function surfaceWrites({
  placeId,
  place,
  existing,
  coatings,
  remembered = [],
}: TakeoffRows): BatchWrite[] {
  const derived = surfacesOf(place.measure);
  if (!derived.ok) return [];
  const rows = rowsFor(derived.value, existing);
  const writes: BatchWrite[] = existing.filter((row) => !rows.includes(row)).map(deletion('surfaces'));
  derived.value.forEach((one, index) => {
    const { element, side, name, geometry } = one;
    const row = rows[index];
    const where = { room: place.name, position: place.position + index, element, side, part: one.part ?? '' };
    const kept = row ?? rememberedFor(one, rows, remembered);
    // An area put in for all the walls is not that of one of them, nor the other way round.
    const own = kept && isOf(kept, one) ? kept : remembered.find((before) => isOf(before, one));
    const override = own?.geometry.override;
    const sized = {
      ...geometry,
      pieces: seenAs(kept?.geometry, geometry.pieces),
      ...(override ? { override } : {}),
    } as Surface['geometry'];
    if (kept) {
      // A name nobody has given goes with what the surface is.
      const called = USUAL_NAMES[element]?.test(kept.name) ? { name } : {};
      const content = {
        ...(contentOf(kept) as unknown as Surface),
        ...where,
        ...called,
        placeId,
        geometry: sized,
      };
      if (row && sameContent(content, contentOf(row))) return;
      const id = row ? row.id : newId();
      writes.push({ resource: 'surfaces', id, content: { ...content, version: row ? row.version : 0 } });
      return;
    }
    const chosen = firstContent(one, coatings);
    if (!chosen) return;
    writes.push({
      resource: 'surfaces',
      id: newId(),
      content: { jobId: place.jobId, placeId, name, ...where, ...chosen, geometry: sized, version: 0 },
    });
  });
  return writes;
}

/** Pieces measured anew, seen from where they were seen before: somebody chose that on the surface, and not in the room. */
function seenAs(before: Surface['geometry'] | undefined, pieces: readonly PieceGeometry[]): PieceGeometry[] {
  const seen = before?.shape === 'pieces' ? before.pieces : [];
  return pieces.map((piece, index) => {
    const from = seen[index]?.seenFrom;
    return from === undefined ? piece : { ...piece, seenFrom: from };
  });
}

/** Whether two contents are the same once written as JSON. */
const sameContent = (one: object, other: object): boolean => stable(one) === stable(other);

function stable(value: unknown): string {
  return JSON.stringify(value, (_key, part: unknown) =>
    part !== null && typeof part === 'object' && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  );
}

/** The surfaces of one place among those of its job. */
export const surfacesOfPlace = (surfaces: readonly Surface[], placeId: string): Surface[] =>
  surfaces.filter((surface) => surface.placeId === placeId);

/** Position of a new place: after all there is, with room for its surfaces. */
export function nextPosition(places: readonly Place[], surfaces: readonly Surface[]): number {
  const last = Math.max(0, ...places.map((row) => row.position), ...surfaces.map((row) => row.position));
  return Math.min(1_000_000 - 20, (Math.floor(last / 20) + 1) * 20);
}
