import { geometryDocument, type Coating } from '@fine-spray/contract';
import type { SetupSurface } from '@fine-spray/contract/planning';
import {
  elementOfKind,
  pieceKind,
  pieceKindOf,
  suitedCoating,
  usualGeometry,
  usualSystem,
  type PieceKind,
  type Sizes,
} from '@fine-spray/core';
import { useRef } from 'react';
import { useCompany } from '@/data/resources';

/** What changes with the kind of piece: its sizes, what it is made of, where it is, and a coating that is made for it. */
export function asKind(
  kind: PieceKind,
  surface: SetupSurface,
  coatings: readonly Coating[],
  /** Sizes that the company counts such things with. */
  own: Sizes = {},
): Partial<SetupSurface> {
  const { ground, side } = pieceKind(kind);
  const element = elementOfKind(kind);
  const usual = usualSystem(element, side);
  const now = coatings.find(({ id }) => id === surface.coatingId);
  const fits = now !== undefined && usual.finish.includes(now.archetype);
  const suited = fits ? now : suitedCoating(coatings, usual);
  return {
    element,
    kind: ground,
    side,
    geometry: geometryDocument(usualGeometry(kind, own)),
    ...(fits || !suited ? {} : { coatingId: suited.id, coats: usual.coats, thinning: 0, under: [] }),
  };
}

/** Changes the kind of piece. Sizes typed before come back with the kind they were typed for. */
export function usePieceKind(
  surface: SetupSurface,
  coatings: readonly Coating[],
  onChange: (change: Partial<SetupSurface>) => void,
) {
  const { data: company } = useCompany();
  const typed = useRef(new Map<PieceKind, SetupSurface['geometry']>());
  const now = pieceKindOf(surface);
  return {
    now,
    choose: (kind: PieceKind) => {
      if (kind === now) return;
      if (now) typed.current.set(now, surface.geometry);
      const own = kind === 'wall' || kind === 'ceiling' ? undefined : company?.book?.sizes[kind];
      const change = asKind(kind, surface, coatings, own);
      const before = typed.current.get(kind);
      onChange(before ? { ...change, geometry: before } : change);
    },
  };
}
