import type { Job, Surface } from '@fine-spray/contract';
import {
  coatWithin,
  layerKey,
  layersOf,
  requestFor,
  type CoatOfSurface,
  type Kit,
} from '@fine-spray/contract/planning';
import { passingOf, type SetupCard } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Pressable } from 'react-native';
import { toolHref } from '@/features/site';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { PassPicture } from './PassPicture';

/** The order of the passes of a coat as a still picture; a tap plays it. */
export function PassStill({
  surface,
  job,
  kit,
  coat,
  card,
}: {
  surface: Surface;
  job: Job;
  kit: Kit;
  coat: CoatOfSurface;
  card: SetupCard;
}) {
  const { system } = useUnits();
  const router = useRouter();
  const { passing, layer } = useMemo(() => {
    const within = coatWithin(surface, coat);
    const request = within && requestFor(surface, job, kit, within.layer);
    const found = request && passingOf(request, card, { coat: within.index }, system);
    const layers = layersOf(surface);
    const index = layers.findIndex(
      (one) => one.role === within?.layer.role && one.coatingId === coat.coatingId,
    );
    return {
      passing: found?.ok ? found.value : undefined,
      layer: within && within.layer.role !== 'finish' ? layerKey(layers, index) : undefined,
    };
  }, [surface, job, kit, coat, card, system]);
  const stage = passing?.stages[0];
  if (!passing || !stage) return null;
  const rest = passing.stages.length - 1;
  return (
    <Pressable
      role="button"
      aria-label="How to pass it"
      testID="pass-still"
      onPress={() => router.navigate(toolHref(`/jobs/${job.id}/surfaces/${surface.id}`, 'passes', layer))}
      className="gap-1"
    >
      <PassPicture
        stage={stage}
        fan={passing.fanWidth}
        name={`${stage.name} with its passes`}
        maxHeight={180}
      />
      <Words weight="semi" colour="identity" className="underline">
        {`How to pass it: ${stage.name}${rest > 0 ? ` and ${rest} more` : ''}`}
      </Words>
      <Words>{stage.how[0]}</Words>
    </Pressable>
  );
}
