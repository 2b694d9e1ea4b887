import { useRouter, type Href } from 'expo-router';
import Check from 'lucide-react-native/icons/check';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Circle from 'lucide-react-native/icons/circle';
import CircleDashed from 'lucide-react-native/icons/circle-dashed';
import { Pressable, View } from 'react-native';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { jobPath, nextStage, type JobStands, type Stage } from './path';

/** Where each stage is worked on. Measuring begins on the job's screen itself. */
const leads = (jobId: string, planned: boolean): Readonly<Record<Exclude<Stage, 'measure'>, Href>> => ({
  systems: `/jobs/${jobId}/systems`,
  quantities: `/jobs/${jobId}/buy`,
  order: `/jobs/${jobId}/offers`,
  days: `/jobs/${jobId}/days`,
  buy: `/jobs/${jobId}/take`,
  site: planned ? `/today?job=${jobId}` : `/log?job=${jobId}`,
  actual: `/log/actual?job=${jobId}`,
});

const ICONS = { done: Check, open: Circle, waits: CircleDashed } as const;
const SAYS = { done: 'done', open: 'open', waits: 'waits' } as const;

/** The job as one path: its stages in the order people work, how each stands, and the one next thing. */
export function JobPath({
  jobId,
  stands,
  onMeasure,
}: {
  jobId: string;
  stands: JobStands;
  /** Missing for who may not. */
  onMeasure?: (() => void) | undefined;
}) {
  const router = useRouter();
  const { palette } = useTheme();
  const path = jobPath(stands);
  const next = nextStage(path, stands);
  const to = leads(jobId, stands.planned !== undefined);
  return (
    <View className="rounded-2xl border border-rule bg-sheet px-4 py-2" testID="job-path">
      {path.map(({ stage, title, text, state }, index) => {
        const Icon = ICONS[state];
        const isNext = stage === next;
        const open = () => {
          if (stage === 'measure') onMeasure?.();
          else router.navigate(to[stage]);
        };
        const works = stage !== 'measure' || onMeasure !== undefined;
        return (
          <Pressable
            key={stage}
            role="button"
            disabled={!works}
            aria-current={isNext ? 'step' : undefined}
            onPress={open}
            className={`min-h-[52px] flex-row items-center gap-3 ${index > 0 ? 'border-t border-rule' : ''} ${isNext ? '-mx-3 rounded-xl bg-identity-tint px-3' : ''}`}
          >
            <Icon
              size={20}
              color={state === 'done' || isNext ? palette.identity : palette.ink2}
              aria-hidden
            />
            <View className="min-w-0 flex-1 py-1">
              <Words weight={isNext ? 'bold' : 'semi'} colour={state === 'waits' ? 'ink2' : 'ink'}>
                {isNext ? `Next: ${title}` : title}
              </Words>
              <Words size={14} colour="ink2">
                {text}
              </Words>
              <Words className="sr-only">{SAYS[state]}</Words>
            </View>
            {works ? <ChevronRight size={20} color={palette.ink2} aria-hidden /> : null}
          </Pressable>
        );
      })}
    </View>
  );
}
