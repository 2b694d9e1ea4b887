import { counted } from '@fine-spray/core/units';
import type { JOB_STATUSES } from '@fine-spray/contract';
import type { Job } from '@fine-spray/contract';
import { Link, useRouter } from 'expo-router';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Settings from 'lucide-react-native/icons/settings-2';
import Plus from 'lucide-react-native/icons/plus';
import { useDeferredValue } from 'react';
import { Pressable, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useMay } from '@/data/may';
import { useCompany, useList } from '@/data/resources';
import { Button } from '@/ui/button';
import { Screen } from '@/ui/screen';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';

const STATUS_WORDS: Readonly<Record<Job['status'], string>> = {
  estimate: 'Estimates',
  'in progress': 'In progress',
  finished: 'Finished',
};
/** What is being worked on comes first. */
const STATUS_ORDER = [
  'in progress',
  'estimate',
  'finished',
] as const satisfies readonly (typeof JOB_STATUSES)[number][];

function JobRow({ job }: { job: Job }) {
  const { palette } = useTheme();
  return (
    <Link href={`/jobs/${job.id}`} asChild>
      <Pressable
        role="link"
        className="min-h-[72px] flex-row items-center gap-3 rounded-2xl border border-rule bg-sheet px-4 py-3"
      >
        <View className="min-w-0 flex-1">
          <Words size={18} weight="bold" numberOfLines={2}>
            {job.name}
          </Words>
          <Words colour="ink2" size={14} numberOfLines={1}>
            {[counted(job.surfaceCount, 'surface'), job.place].filter(Boolean).join(' · ')}
          </Words>
        </View>
        <ChevronRight size={22} color={palette.ink2} aria-hidden />
      </Pressable>
    </Link>
  );
}

/** The company's jobs, what is in progress first. */
export function JobList() {
  const jobs = useList('jobs');
  // Drawn in turns: a slow phone takes a quarter of a second for the first of them.
  const rows = useDeferredValue(jobs.data);
  const company = useCompany();
  const mayPlan = useMay('plans');
  const router = useRouter();
  const { palette } = useTheme();
  return (
    <Screen title="Jobs" above={company.data?.name}>
      <View className="flex-row gap-2">
        {mayPlan ? (
          <Button
            label="New job"
            kind="primary"
            icon={Plus}
            onPress={() => router.navigate('/new')}
            className="flex-1"
          />
        ) : null}
        <Link href="/settings" asChild>
          <Pressable
            role="link"
            className="min-h-[48px] flex-row items-center gap-2 rounded-xl border-2 border-ink bg-sheet px-4"
          >
            <Settings size={20} color={palette.ink} aria-hidden />
            <Words weight="semi">Settings</Words>
          </Pressable>
        </Link>
      </View>
      {jobs.isPending || (jobs.data && !rows) ? <Skeleton rows={4} /> : null}
      {jobs.isError && !jobs.data ? (
        <ErrorState
          title="The jobs cannot be read now"
          text={`${whyFailed(jobs.error)} Nothing is lost: everything stored is kept on the server.`}
          onRetry={() => void jobs.refetch()}
        />
      ) : null}
      {rows?.length === 0 ? (
        <View className="gap-3">
          <EmptyState
            title="No jobs yet"
            text="A kit, a first set-up, a first job: the first answer is a minute away."
          />
          <Button label="Begin" kind="primary" onPress={() => router.navigate('/begin')} />
        </View>
      ) : null}
      {STATUS_ORDER.map((status) => {
        const some = (rows ?? []).filter((job) => job.status === status);
        return some.length === 0 ? null : (
          <View key={status} className="gap-2">
            <Words weight="semi" colour="ink2" heading={2}>
              {STATUS_WORDS[status]}
            </Words>
            {some.map((job) => (
              <JobRow key={job.id} job={job} />
            ))}
          </View>
        );
      })}
      <Button
        label="Open a job file"
        kind="quiet"
        className="self-start"
        onPress={() => router.navigate('/open')}
      />
    </Screen>
  );
}
