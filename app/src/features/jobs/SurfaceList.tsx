import type { Job, Surface } from '@fine-spray/contract';
import type { Kit } from '@fine-spray/contract/planning';
import { showText } from '@fine-spray/core';
import { Link } from 'expo-router';
import { memo, useMemo, type ReactElement } from 'react';
import { Pressable, View } from 'react-native';
import { LongList } from '@/ui/longList';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import type { Answer } from '@/workers/answers.worker';
import { useAnswers } from './useAnswers';

/** A usual job is drawn whole, so that the browser finds in it and a screen reader reads it through; more than that only near the window. */
const WHOLE = 100;
const windowsOf = (surfaces: number) => (surfaces <= WHOLE ? 21 : 5);

/** Every row has this height, so that a long list scrolls without measuring. */
const ROW_HEIGHT = 76;
const rowHeight = () => ROW_HEIGHT;

interface RowProps {
  readonly surface: Surface;
  readonly coating: string | undefined;
  readonly answer: Answer | undefined;
  readonly current: boolean;
}

/** The tip of a row, and under it its paint; a dash for one that is refused, dots while it is worked out. */
function Verdict({ answer }: { answer: Answer | undefined }) {
  const { system } = useUnits();
  const refused = answer !== undefined && answer.paint === undefined;
  const paint = answer?.paint === undefined ? '' : showText(answer.paint, 'volume', system);
  return (
    <View className="items-end">
      <Words size={18} weight="digits-bold">
        {answer ? (answer.code ?? '–') : '…'}
      </Words>
      <Words size={14} colour={refused ? 'danger' : 'ink2'}>
        {refused ? 'look at it' : paint}
      </Words>
    </View>
  );
}

const SurfaceRow = memo(function SurfaceRow({ surface, coating, answer, current }: RowProps) {
  return (
    <Link href={`/jobs/${surface.jobId}/surfaces/${surface.id}`} asChild>
      <Pressable
        role="link"
        aria-current={current ? 'page' : undefined}
        style={{ height: ROW_HEIGHT }}
        className={`flex-row items-center gap-3 border-b border-rule px-4 ${current ? 'bg-identity-tint' : ''}`}
      >
        <View className="min-w-0 flex-1">
          <Words size={14} colour="ink2" numberOfLines={1}>
            {[surface.room, coating].filter(Boolean).join(' · ')}
          </Words>
          <Words weight="semi" numberOfLines={1}>
            {surface.name}
          </Words>
        </View>
        <Verdict answer={answer} />
      </Pressable>
    </Link>
  );
});

/** All surfaces of a job, each with the answer of its set-up. */
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
  const { system } = useUnits();
  const answerOf = useAnswers(surfaces, job, kit, system);
  const names = useMemo(() => new Map(kit.coatings.map(({ id, name }) => [id, name])), [kit]);
  return (
    <LongList
      items={surfaces}
      keyOf={({ id }) => id}
      heightOf={rowHeight}
      first={12}
      windows={windowsOf(surfaces.length)}
      head={header}
      renderItem={(item) => (
        <SurfaceRow
          surface={item}
          coating={names.get(item.coatingId)}
          answer={answerOf(item)}
          current={item.id === currentId}
        />
      )}
    />
  );
}
