import type { DialledIn } from '@fine-spray/core/setup';
import { conditionUnder, type Layer } from '@fine-spray/core/system';
import type { Condition } from '@fine-spray/core/takeoff';
import { quantity, type Fraction, type Temperature } from '@fine-spray/core/units';
import type { Job, SurfaceFields } from '../job';
import { setupRequest } from '../setupRequest';
import { coreTip } from '../tip';
import type { SystemLayer } from '../system';
import { historyOf } from './history';
import { NO_SURFACE, type Kit } from './kit';

export type SetupSurface = Omit<SurfaceFields, 'jobId' | 'placeId' | 'name' | 'room' | 'position'>;
export type SetupJob = Pick<Job, 'sprayerId' | 'hoseIds' | 'lift'> &
  Partial<Pick<Job, 'id' | 'paintAge' | 'empty'>>;

/** What a system puts on a surface: its finish, and what goes under it. */
export type SystemChoice = Pick<SetupSurface, 'coatingId' | 'coats' | 'thinning' | 'under'>;

/** What the layers of a system are called. */
export const LAYER_NAMES = { 'spot prime': 'Spot prime', prime: 'Prime', finish: 'Finish' } as const;

/** What is chosen for a surface as layers from the surface outwards, the finish last. */
export function layersOfChoice({ coatingId, coats, thinning, under }: SystemChoice): SystemLayer[] {
  return [...under, { role: 'finish', coatingId, coats, thinning, share: 1 }];
}

/** Layers with the finish last, as what is chosen for a surface; nothing of none. */
export function choiceOf(layers: readonly SystemLayer[]): SystemChoice | undefined {
  const finish = layers[layers.length - 1];
  if (!finish) return undefined;
  const { coatingId, coats, thinning } = finish;
  return { coatingId, coats, thinning, under: layers.slice(0, -1) };
}

/** Layers as the core checks them, from the surface outwards; ones whose coating is missing are left out. */
export function coreLayers(choice: SystemChoice, coatings: Kit['coatings']): readonly Layer[] {
  return layersOfChoice(choice).flatMap((layer) => {
    const coating = coatings.find(({ id }) => id === layer.coatingId);
    return coating ? [{ role: layer.role, coats: layer.coats, share: layer.share, coating }] : [];
  });
}

/** A layer of a surface as it is sprayed: its coating, and how bare the surface is by then. */
export interface SurfaceLayer extends Omit<SystemLayer, 'tip'> {
  readonly condition: Condition;
  /** A tip chosen by hand. */
  readonly tip: SetupSurface['tip'];
}

/** A surface with a tip for one of its layers, as `layerKey` names it: the best one where it is null. */
export function withLayerTip(
  surface: SetupSurface,
  key: string,
  tip: SetupSurface['tip'],
): Pick<SetupSurface, 'tip' | 'under'> {
  const layers = layersOf(surface);
  const at = layers.findIndex((_layer, index) => layerKey(layers, index) === key);
  if (at < 0 || layers[at]?.role === 'finish') return { tip, under: surface.under };
  const under = surface.under.map((layer, index) => (index === at ? { ...layer, tip } : layer));
  return { tip: surface.tip, under };
}

/** What a layer is told by among several: its role, and its place where two have the same. */
export const layerKey = (layers: readonly SurfaceLayer[], index: number): string =>
  layers[index]?.role === 'finish' ? 'finish' : `under ${index}`;

/** A layer of a surface as one work among those of a job, and back. */
export const workId = (surfaceId: string, layer: string): string => `${surfaceId} ${layer}`;
export function ofWork(id: string): { readonly surfaceId: string; readonly layer: string } {
  const at = id.indexOf(' ');
  return { surfaceId: id.slice(0, at), layer: id.slice(at + 1) };
}

/** The layers of a surface from the surface outwards, the finish last. */
export function layersOf(surface: SetupSurface): readonly SurfaceLayer[] {
  const { tip, under } = surface;
  return layersOfChoice(surface).map((layer, index) => ({
    ...layer,
    condition: conditionUnder(under.slice(0, index), surface.condition),
    tip: layer.role === 'finish' ? tip : (layer.tip ?? null),
  }));
}

/** A coat of a surface, counted for its coating from the surface outwards, as `plannedCoats` counts. */
export interface CoatOfSurface {
  readonly coatingId: string;
  readonly coat: number;
}

/** The layer a coat belongs to, and which of its coats it is, from 0; one beyond the plan is of the last layer of its coating. */
export function coatWithin(
  surface: SetupSurface,
  { coatingId, coat }: CoatOfSurface,
): { readonly layer: SurfaceLayer; readonly index: number } | undefined {
  let before = 0;
  let found: { readonly layer: SurfaceLayer; readonly index: number } | undefined;
  for (const layer of layersOf(surface)) {
    if (layer.coatingId !== coatingId) continue;
    found = { layer, index: coat - 1 - before };
    before += layer.coats;
    if (coat <= before) break;
  }
  return found;
}

/** The layer a coat belongs to; one beyond the plan to the last layer of its coating, none where the coating is not planned. */
export const layerOfCoat = (surface: SetupSurface, coat: CoatOfSurface): SurfaceLayer | undefined =>
  coatWithin(surface, coat)?.layer;

/** The rows a surface's set-up stands on, joined, for one of its layers; undefined while one of them is missing. */
export function requestFor(
  surface: SetupSurface & { readonly id?: string },
  job: SetupJob,
  kit: Kit,
  layer?: SurfaceLayer,
) {
  const asSprayed = layer ? layerAlone(surface, layer) : surface;
  const coating = kit.coatings.find(({ id }) => id === asSprayed.coatingId);
  const sprayer = kit.sprayers.find(({ id }) => id === job.sprayerId);
  if (!coating || !sprayer) return undefined;
  const hoses = job.hoseIds
    .map((id) => kit.hoses.find((hose) => hose.id === id))
    .filter((hose) => hose !== undefined);
  const request = setupRequest({
    surface: asSprayed,
    coating,
    sprayer,
    hoses,
    lift: job.lift,
    rack: kit.tips,
  });
  const history = historyOf(kit.history, asSprayed, request.coating);
  const dialledIn = dialledInOn(kit, surface.id ?? NO_SURFACE, coating.id, job);
  const paintTemperature = paintAtOf(kit, job, coating.id);
  const coldest = job.id === undefined ? undefined : kit.coldest?.[job.id];
  const site = {
    power: sprayer.power,
    surfaceAge: job.paintAge,
    wetGround: isWet(kit, job, surface),
    hardener: coating.hardener,
    hot: job.id !== undefined && (kit.hotOn ?? []).includes(job.id),
  };
  return {
    ...request,
    ...(job.empty ? { empty: true } : {}),
    ...(layer && layer.share < 1 ? { spots: quantity<Fraction>(layer.share) } : {}),
    site,
    ...(history ? { history } : {}),
    ...(dialledIn.length > 0 ? { dialledIn } : {}),
    ...(paintTemperature === undefined ? {} : { paintTemperature }),
    ...(coldest === undefined ? {} : { coldest: quantity<Temperature>(coldest) }),
  };
}

/** In series they add: their order does not matter. */
const sameHoses = (one: readonly string[], other: readonly string[]): boolean =>
  [...one].sort().join() === [...other].sort().join();

/** What was dialled in on a surface with a coating; tips the core does not know are left out. */
const dialledInOn = (
  { dialledIn }: Kit,
  surface: string,
  coatingId: string,
  { sprayerId, hoseIds }: SetupJob,
): readonly DialledIn[] =>
  (dialledIn?.[surface] ?? []).flatMap((one) => {
    const tip = coreTip(one.tip);
    if (one.coatingId !== coatingId || !tip) return [];
    const sameLine = one.sprayerId === sprayerId && sameHoses(one.hoseIds, hoseIds);
    const { at, sure } = one;
    return [{ tip, gun: quantity(one.gun), pump: quantity(one.pump), at, sure, sameLine }];
  });

/** How warm the paint was when it was measured last on this job, where that holds. */
const paintAtOf = ({ paintAt }: Kit, { id }: SetupJob, coatingId: string): Temperature | undefined => {
  const measured = id === undefined ? undefined : paintAt?.[id]?.[coatingId];
  return measured === undefined ? undefined : quantity(measured);
};

/** Whether cord and feet stand in the wet, as far as somebody has written the weather down. */
const isWet = (kit: Kit, { id }: SetupJob, { side }: SetupSurface): boolean =>
  side === 'outside' && id !== undefined && (kit.rainedOn ?? []).includes(id);

/** A surface as it is when one of its layers is sprayed. */
export function layerAlone(surface: SetupSurface, layer: SurfaceLayer): SetupSurface {
  return { ...surface, ...pick(layer), under: [] };
}

const pick = ({ coatingId, coats, thinning, condition, tip }: SurfaceLayer) => ({
  coatingId,
  coats,
  thinning,
  condition,
  tip,
});
