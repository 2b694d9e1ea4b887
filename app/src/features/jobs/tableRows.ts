import type { Surface } from '@fine-spray/contract';
import { ELEMENT_DATA, measure } from '@fine-spray/core';
import type { Answer } from '@/workers/answers.worker';

/** A surface as a row of an estimator's table. */
export interface TableRow {
  readonly surface: Surface;
  readonly room: string;
  readonly name: string;
  readonly piece: string;
  readonly coating: string;
  readonly coats: number;
  /** m²; nothing where its sizes are no area. */
  readonly area: number | undefined;
  readonly tip: string | undefined;
  /** m³ */
  readonly paint: number | undefined;
}

/** Surfaces as rows, with what their set-ups say so far. */
export const tableRows = (
  surfaces: readonly Surface[],
  coating: (id: string) => string,
  answer: (surface: Surface) => Answer | undefined,
): TableRow[] =>
  surfaces.map((surface) => {
    const area = measure(surface.geometry);
    const found = answer(surface);
    return {
      surface,
      ...{ room: surface.room, name: surface.name, piece: ELEMENT_DATA[surface.element].name },
      ...{ coating: coating(surface.coatingId), coats: surface.coats },
      area: area.ok ? area.value.net : undefined,
      tip: found?.code,
      paint: found?.paint,
    };
  });

/** Rows that have a text in their room, name, piece or coating. */
export function matching(rows: readonly TableRow[], text: string): TableRow[] {
  const wanted = text.trim().toLocaleLowerCase();
  return rows.filter(({ room, name, piece, coating }) =>
    [room, name, piece, coating].join(' ').toLocaleLowerCase().includes(wanted),
  );
}

/** What rows come to together. */
export const totalsOfRows = (rows: readonly TableRow[]): { area: number; coats: number; paint: number } => ({
  area: rows.reduce((sum, { area }) => sum + (area ?? 0), 0),
  coats: rows.reduce((sum, { area, coats }) => sum + (area ?? 0) * coats, 0),
  paint: rows.reduce((sum, { paint }) => sum + (paint ?? 0), 0),
});
