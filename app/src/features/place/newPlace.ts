import type { BatchWrite, Job, Place, PlaceFields, Surface } from '@fine-spray/contract';
import type { Kit } from '@fine-spray/contract/planning';
import { usualElevation, usualRoom, type PlaceKind, type PlaceMeasure } from '@fine-spray/core';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { whyFailed } from '@/data/api';
import { newId } from '@/data/newId';
import { broughtBack, deletion, keys, useBatch } from '@/data/resources';
import { nextPosition, surfaceWrites, surfacesOfPlace } from '@/data/takeoff';
import { useOneTap } from '@/ui/oneTap';
import { useToast } from '@/ui/toast';

const STARTS: Readonly<Record<PlaceKind, { name: string; measure: () => PlaceMeasure }>> = {
  room: { name: 'New room', measure: usualRoom },
  elevation: { name: 'New elevation', measure: usualElevation },
  loose: { name: 'Pieces', measure: () => ({ kind: 'loose', features: [], skipped: [] }) },
};

/** A place to start from, with the sizes of a usual one. */
export function newPlace(jobId: string, kind: PlaceKind, position: number): PlaceFields {
  const { name, measure } = STARTS[kind];
  return { jobId, name, position, measure: measure() as PlaceFields['measure'] };
}

/** Making, copying and deleting places with the surfaces that follow from them. */
export function usePlaceActions(job: Job, places: readonly Place[], surfaces: readonly Surface[], kit: Kit) {
  const client = useQueryClient();
  const send = useBatch();
  const router = useRouter();
  const toast = useToast();
  const failed = (what: string) => (error: unknown) => toast({ text: `${what}: ${whyFailed(error)}` });
  const open = (id: string) => router.navigate(`/jobs/${job.id}/places/${id}`);

  async function make(place: PlaceFields, like: readonly Surface[] = []): Promise<void> {
    const placeId = newId();
    const follow = surfaceWrites({
      ...{ placeId, place, existing: [], coatings: kit.coatings },
      remembered: like,
    });
    await send([{ resource: 'places', id: placeId, content: { ...place, version: 0 } }, ...follow]);
    open(placeId);
  }
  const position = nextPosition(places, surfaces);
  return {
    add: useOneTap((kind: PlaceKind) => make(newPlace(job.id, kind, position)).catch(failed('Not made'))),
    /** A copy with everything that was chosen for its surfaces. */
    copy: useOneTap((place: Place) => {
      const { jobId, name, measure } = place;
      const fresh = { ...measure, features: measure.features.map((one) => ({ ...one, id: newId() })) };
      return make(
        { jobId, name: `${name}, copy`.slice(0, 120), position, measure: fresh },
        surfacesOfPlace(surfaces, place.id),
      ).catch(failed('Not copied'));
    }),
    remove: async (place: Place) => {
      // As they stand now: what was being stored a moment ago has changed them.
      const now = client.getQueryData<Surface[]>(keys.ofJob('surfaces', job.id)) ?? surfaces;
      const own = surfacesOfPlace(now, place.id);
      const gone = own.map(deletion('surfaces'));
      const undo: BatchWrite[] = [
        { resource: 'places', id: place.id, content: broughtBack(place) },
        ...own.map((row): BatchWrite => ({
          resource: 'surfaces',
          id: row.id,
          content: broughtBack(row),
        })),
      ];
      try {
        await send([...gone, deletion('places')(place)]);
        router.navigate(`/jobs/${job.id}`);
        toast({
          text: `${place.name} and its surfaces are deleted.`,
          undo: () => void send(undo).catch(failed('Not brought back')),
        });
      } catch (error) {
        failed('Not deleted')(error);
      }
    },
  };
}
