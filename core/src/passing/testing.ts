import { setupCard, type SetupCard } from '../setup';
import {
  elementOfKind,
  pieceKind,
  surfacesOf,
  usualGeometry,
  type Condition,
  type Element,
  type PieceKind,
  type PlaceMeasure,
  type SurfaceGeometry,
  type SurfaceKind,
} from '../takeoff';
import { usualSystem } from '../system';
import { wallRequest } from '../testing';
import { of } from '../units';
import { passSettingsOf } from '../wallFilm';
import { openArea, passingOf, type PassingRequest, type RollingCrew } from '.';

interface Asked extends PassingRequest {
  readonly kind?: PieceKind;
  readonly count?: number;
  readonly element?: Element;
  readonly geometry?: SurfaceGeometry;
  readonly ground?: SurfaceKind;
  readonly condition?: Condition;
}

/** What is sprayed of a place. */
function ofPlace(place: PlaceMeasure, element: Element): SurfaceGeometry {
  const surfaces = surfacesOf(place);
  const found = surfaces.ok ? surfaces.value.find((one) => one.element === element) : undefined;
  if (!found) throw new Error(`no ${element} there`);
  return found.geometry;
}

/** A surface with its card, and how it is passed. */
export function passingFor({ kind = 'wall', count = 1, ...asked }: Asked) {
  const element = asked.element ?? elementOfKind(kind);
  const { ground, side } = pieceKind(kind);
  const [archetype = 'wall-matt'] = usualSystem(element, side).finish;
  const usual = usualGeometry(kind);
  const own = usual.shape === 'item' ? { ...usual, count } : usual;
  const request = wallRequest({
    element,
    side,
    kind: asked.ground ?? ground,
    condition: asked.condition ?? 'sealed',
    coats: 2,
    hoses: [{ length: of(15, 'm'), bore: of(1 / 4, 'in') }],
    coating: { name: archetype, archetype, overrides: {} },
    geometry: asked.place ? ofPlace(asked.place, element) : (asked.geometry ?? own),
  });
  const card = setupCard(request);
  if (!card.ok) throw new Error(card.message);
  const passing = passingOf(request, card.value, asked);
  if (!passing.ok) throw new Error(passing.message);
  return { request, card: card.value, passing: passing.value };
}

export const openAreaOf = (card: SetupCard, crew: RollingCrew): number =>
  openArea(passSettingsOf(card), crew);
