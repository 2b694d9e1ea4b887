export const OPENING_KINDS = ['door', 'window', 'other'] as const;
export type OpeningKind = (typeof OPENING_KINDS)[number];

/** Usual sizes a new opening starts from, metres. */
export const USUAL_OPENINGS: Readonly<Record<OpeningKind, { width: number; height: number }>> = {
  door: { width: 0.9, height: 2.1 },
  window: { width: 1.2, height: 1.2 },
  other: { width: 1, height: 1 },
};
