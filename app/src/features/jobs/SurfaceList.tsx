import type { Job, Surface } from '@fine-spray/contract';
import { requestFor, type Kit } from '@fine-spray/contract/planning';
import { setupCard, showText } from '@fine-spray/core';
import { Link } from 'expo-router';
import { memo, useMemo, type ReactElement } from 'react';
import { FlatList, Pressable, View } from 'react-native';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** Every row has this height, so that a long list scrolls without measuring. */
const ROW_HEIGHT = 76;

interface RowProps {
  readonly surface: Surface;
  readonly job: Job;
  readonly kit: Kit;
  readonly current: boolean;
}

const SurfaceRow = memo(function SurfaceRow({ surface, job, kit, current }: RowProps) {
  const { system } = useUnits();
  const answer = useMemo(() => {
    const request = requestFor(surface, job, kit);
    return request ? setupCard(request, system) : undefined;
  }, [surface, job, kit, system]);
  const coating = kit.coatings.find(({ id }) => id === surface.coatingId);
  return (
    <Link href={`/jobs/${job.id}/surfaces/${surface.id}`} asChild>
      <Pressable
        role="link"
        aria-current={current ? 'page' : undefined}
        style={{ height: ROW_HEIGHT }}
        className={`flex-row items-center gap-3 border-b border-rule px-4 ${current ? 'bg-identity-tint' : ''}`}
      >
        <View className="min-w-0 flex-1">
          <Words size={14} colour="ink2" numberOfLines={1}>
            {[surface.room, coating?.name].filter(Boolean).join(' · ')}
          </Words>
          <Words weight="semi" numberOfLines={1}>
            {surface.name}
          </Words>
        </View>
        <View className="items-end">
          <Words size={18} weight="digits-bold">
            {answer?.ok ? answer.value.tip.code : '–'}
          </Words>
          <Words size={14} colour={answer?.ok ? 'ink2' : 'danger'}>
            {answer?.ok ? showText(answer.value.paint.value, 'volume', system) : 'look at it'}
          </Words>
        </View>
      </Pressable>
    </Link>
  );
});

/** All surfaces of a job; rows are worked out only when they come into sight. */
export function SurfaceList({
  surfaces,
  job,
  kit,
  currentId,
  header,
}: {
  surfaces: readonly Surface[];
  job: Job;
  kit: Kit;
  currentId?: string | undefined;
  header?: ReactElement;
}) {
  return (
    <FlatList
      data={surfaces}
      keyExtractor={({ id }) => id}
      getItemLayout={(_data, index) => ({ length: ROW_HEIGHT, offset: ROW_HEIGHT * index, index })}
      initialNumToRender={12}
      windowSize={5}
      ListHeaderComponent={header ?? null}
      tabIndex={0}
      renderItem={({ item }) => (
        <SurfaceRow surface={item} job={job} kit={kit} current={item.id === currentId} />
      )}
    />
  );
}
