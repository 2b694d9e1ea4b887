import type { Href } from 'expo-router';
import type { Coating, Sprayer, Surface, SurfaceFields } from '@fine-spray/contract';
import { surfaceFields } from '@fine-spray/contract';
import type { Kit, SetupJob, SetupSurface } from '@fine-spray/contract/planning';
import {
  LAYER_NAMES,
  NO_JOB,
  layerAlone,
  layerKey,
  layersOf,
  requestFor,
  type FirstSetup,
} from '@fine-spray/contract/planning';
import {
  setupCard,
  writeTipCode,
  type PlaceMeasure,
  type Result,
  type SetupCard,
  type SetupRequest,
  type Tip,
} from '@fine-spray/core';
import { useMemo } from 'react';
import { useKept } from '@/data/kept';
import { usePlanKit } from '@/data/planKit';
import { contentOf, failureOf, useList, usePlaces, useSurfaces, useWrites } from '@/data/resources';
import { whyFailed } from '@/data/api';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';

/** A job and a surface, or what was last looked at without a job: everything the tools on site work with. */
export interface Site {
  /** What its sessions are kept under on this device. */
  readonly key: string;
  readonly title: string;
  readonly above: string;
  readonly backTo: Href;
  readonly jobId: string | null;
  readonly surfaceId: string | null;
  readonly job: SetupJob;
  readonly surface: SetupSurface;
  readonly kit: Kit;
  /** The room or elevation it was measured in. */
  readonly place?: PlaceMeasure | undefined;
  readonly sprayer: Sprayer;
  readonly coating: Coating;
  /** What is asked of the core, with what the log has taught about this coating. */
  readonly request: SetupRequest;
  readonly card: Result<SetupCard>;
  /** Fits a tip to the surface, with undo. */
  readonly setTip: (tip: Tip) => void;
  /** Sets from where a ceiling is seen, with undo: its passes turn, and what they take. */
  readonly setGeometry: (geometry: SetupSurface['geometry'], said: string) => void;
}

function readQuick(stored: unknown): FirstSetup | undefined {
  const { surface, job } = (stored ?? {}) as { surface?: object; job?: Partial<SetupJob> };
  const whole = { ...surface, jobId: NO_JOB, placeId: null, name: 'x', room: '', position: 0 };
  const checked = surfaceFields.safeParse(whole);
  if (!checked.success || typeof job?.sprayerId !== 'string' || !Array.isArray(job.hoseIds)) return undefined;
  const { jobId: _j, placeId: _p, name: _n, room: _r, position: _o, ...kept } = checked.data;
  return {
    surface: kept,
    job: { sprayerId: job.sprayerId, hoseIds: job.hoseIds, lift: job.lift ?? 0 },
  };
}

/** The quick set-up as it was left on this device. */
export function useQuickState(first: FirstSetup) {
  return useKept<FirstSetup>('quick set-up', readQuick, first);
}

export type Loaded =
  | { readonly kind: 'loading' | 'missing' }
  | { readonly kind: 'failed'; readonly why: Error }
  | { readonly kind: 'ready'; readonly site: Site };

function useSite(parts: {
  readonly key: string;
  readonly title: string;
  readonly above: string;
  readonly backTo: Href;
  readonly jobId: string | null;
  readonly surfaceId: string | null;
  readonly job: SetupJob | undefined;
  readonly surface: SetupSurface | undefined;
  readonly kit: Kit | undefined;
  readonly place?: PlaceMeasure | undefined;
  readonly setTip: Site['setTip'];
  readonly setGeometry: Site['setGeometry'];
}): Site | undefined {
  const { system } = useUnits();
  const { job, surface, kit } = parts;
  const worked = useMemo(() => {
    if (!job || !surface || !kit) return undefined;
    const request = requestFor(surface, job, kit);
    const coating = kit.coatings.find(({ id }) => id === surface.coatingId);
    const sprayer = kit.sprayers.find(({ id }) => id === job.sprayerId);
    if (!request || !coating || !sprayer) return undefined;
    return { coating, sprayer, request, card: setupCard(request, system) };
  }, [job, surface, kit, system]);
  if (!worked || !job || !surface || !kit) return undefined;
  return { ...parts, ...worked, job, surface, kit };
}

/**
 * A surface of a job as a site.
 * @param layer which of several, by its key; the finish where there is no such one
 */
export function useSurfaceSite(jobId: string, surfaceId: string, layer?: string): Loaded {
  const jobs = useList('jobs');
  const surfaces = useSurfaces(jobId);
  const places = usePlaces(jobId);
  const { kit, failed } = usePlanKit();
  const toast = useToast();
  const { put } = useWrites('surfaces');
  const job = jobs.data?.find(({ id }) => id === jobId);
  const row = surfaces.data?.find(({ id }) => id === surfaceId);
  const layers = useMemo(() => (row ? layersOf(row) : []), [row]);
  const below = layers.find((one, index) => one.role !== 'finish' && layerKey(layers, index) === layer);
  const surface = useMemo(() => (row && below ? { ...row, ...layerAlone(row, below) } : row), [row, below]);
  const setTip = (tip: Tip) =>
    below
      ? toast({ text: 'Only the finish keeps a tip chosen by hand. Dialled in here, it stays.' })
      : row &&
        void change(
          row,
          { tip: { family: tip.family, code: writeTipCode(tip) } },
          `${writeTipCode(tip)} it is.`,
        );
  async function change(now: Surface, next: Partial<SurfaceFields>, said: string) {
    try {
      const stored = await put({ id: now.id, content: { ...contentOf(now), ...next } });
      const before = Object.fromEntries(
        Object.keys(next).map((field) => [field, now[field as keyof SurfaceFields]]),
      ) as Partial<SurfaceFields>;
      toast({ text: said, undo: () => void change(stored, before, 'As it was before.') });
    } catch (error) {
      toast({ text: `Not stored: ${whyFailed(error)}` });
    }
  }
  const site = useSite({
    key: below ? `${surfaceId} ${layer ?? ''}` : surfaceId,
    title: [row?.name, below && LAYER_NAMES[below.role].toLowerCase()].filter(Boolean).join(', '),
    above: [row?.room, job?.name].filter(Boolean).join(' · '),
    backTo: `/jobs/${jobId}/surfaces/${surfaceId}`,
    jobId,
    surfaceId,
    job,
    surface,
    kit,
    place: places.data?.find(({ id }) => id === row?.placeId)?.measure,
    setTip,
    setGeometry: (geometry, said) => row && void change(row, { geometry }, said),
  });
  if (site) return { kind: 'ready', site };
  const why = failed ?? failureOf(jobs, surfaces);
  if (why) return { kind: 'failed', why };
  return { kind: jobs.data && surfaces.data && kit ? 'missing' : 'loading' };
}

/** The set-up without a job as a site. */
export function useQuickSite(
  first: FirstSetup | undefined,
  kit: Kit | undefined,
  failed: Error | undefined,
): Loaded {
  const [quick, setQuick] = useKept<FirstSetup | undefined>('quick set-up', readQuick, undefined);
  const toast = useToast();
  const now = quick ?? first;
  const site = useSite({
    key: 'quick',
    title: 'Set-up',
    above: 'Without a job',
    backTo: '/set-up',
    jobId: null,
    surfaceId: null,
    job: now?.job,
    surface: now?.surface,
    kit,
    setTip: (tip) => {
      if (!now) return;
      setQuick({ ...now, surface: { ...now.surface, tip: { family: tip.family, code: writeTipCode(tip) } } });
      toast({ text: `${writeTipCode(tip)} it is.`, undo: () => setQuick(now) });
    },
    setGeometry: (geometry, said) => {
      if (!now) return;
      setQuick({ ...now, surface: { ...now.surface, geometry } });
      toast({ text: said, undo: () => setQuick(now) });
    },
  });
  if (site) return { kind: 'ready', site };
  if (failed) return { kind: 'failed', why: failed };
  return { kind: kit ? 'missing' : 'loading' };
}
