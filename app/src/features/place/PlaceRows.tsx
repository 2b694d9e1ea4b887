import type { Place, Surface } from '@fine-spray/contract';
import { counted, measure, showText } from '@fine-spray/core';
import { Link } from 'expo-router';
import { Pressable, View } from 'react-native';
import { surfacesOfPlace } from '@/data/takeoff';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** What one knows a place by in a list. */
function areaText(surfaces: readonly Surface[], system: 'metric' | 'us'): string {
  const area = surfaces.reduce((sum, { geometry }) => {
    const result = measure(geometry);
    return sum + (result.ok ? result.value.net : 0);
  }, 0);
  const count = counted(surfaces.length, 'surface');
  return surfaces.length === 0 ? 'nothing measured yet' : `${showText(area, 'area', system)}, ${count}`;
}

/** The places of a job, each with what follows from it. */
export function PlaceRows({
  jobId,
  places,
  surfaces,
}: {
  jobId: string;
  places: readonly Place[];
  surfaces: readonly Surface[];
}) {
  const { system } = useUnits();
  return (
    <View>
      {places.map((place) => (
        <Link key={place.id} href={`/jobs/${jobId}/places/${place.id}`} asChild>
          <Pressable
            role="link"
            className="min-h-[56px] flex-row items-center gap-3 border-b border-rule py-2"
          >
            <Words weight="semi" className="min-w-0 flex-1" numberOfLines={1}>
              {place.name}
            </Words>
            <Words size={14} colour="ink2">
              {areaText(surfacesOfPlace(surfaces, place.id), system)}
            </Words>
          </Pressable>
        </Link>
      ))}
    </View>
  );
}
