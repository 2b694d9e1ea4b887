import {
  ELEMENT_DATA,
  PIECE_KIND_IDS,
  SURFACE_KINDS,
  SURFACE_KIND_IDS,
  pieceKind,
  type Condition,
  type Element,
  type OpeningKind,
  type PieceKind,
  type Side,
  type SurfaceKind,
  type Wind,
} from '@fine-spray/core';

/** What can be chosen as a piece; what is known by its area alone stands first, as it is. */
export function pieceOptions(element: Element, now: PieceKind | undefined) {
  const kinds = PIECE_KIND_IDS.map((value) => ({ value, label: pieceKind(value).name }));
  const area = { value: 'by area' as const, label: `${ELEMENT_DATA[element].name}, by its area` };
  return now ? kinds : [area, ...kinds];
}

export const KIND_OPTIONS = SURFACE_KIND_IDS.map((value: SurfaceKind) => {
  const { name, texture, absorbed } = SURFACE_KINDS[value];
  return {
    value,
    label: name,
    note: `${texture.toFixed(2)} × its flat area; bare it drinks ${(absorbed * 1000).toFixed(2)} L/m²`,
  };
});

export const SIDE_OPTIONS: readonly { value: Side; label: string }[] = [
  { value: 'inside', label: 'Inside' },
  { value: 'outside', label: 'Outside' },
];

export const CONDITION_OPTIONS: readonly { value: Condition; label: string }[] = [
  { value: 'sealed', label: 'Painted or sealed' },
  { value: 'bare', label: 'Bare' },
  { value: 'stained', label: 'With stains' },
];

/** How much there is to mend, for the hours. */
export const STATE_OPTIONS = [
  { value: 'none', label: 'Not said' },
  { value: 'good', label: 'Good' },
  { value: 'fair', label: 'Fair' },
  { value: 'poor', label: 'Poor' },
] as const;

export const WIND_OPTIONS: readonly { value: Wind; label: string }[] = [
  { value: 'calm', label: 'Calm' },
  { value: 'breeze', label: 'Breeze' },
];

export const SHAPE_OPTIONS = [
  { value: 'rectangle', label: 'Rectangle' },
  { value: 'gable', label: 'Gable' },
] as const;

export const OPENING_WORDS: Readonly<Record<OpeningKind, { one: string; many: string }>> = {
  door: { one: 'Door', many: 'Doors' },
  window: { one: 'Window', many: 'Windows' },
  other: { one: 'Other opening', many: 'Other openings' },
};
