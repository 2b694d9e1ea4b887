import type { Job, ScheduleFields } from '@fine-spray/contract';
import { scheduleResult, type SitePlanFound } from '@fine-spray/contract/planning';
import { counted, showText } from '@fine-spray/core/units';
import { useRouter } from 'expo-router';
import CalendarDays from 'lucide-react-native/icons/calendar-days';
import Check from 'lucide-react-native/icons/check';
import Play from 'lucide-react-native/icons/play';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useKept } from '@/data/kept';
import { useMay } from '@/data/may';
import { useList, useWrites } from '@/data/resources';
import type { StartWorker } from '@/data/worker';
import { JobFrame, type LoadedJob } from '@/features/frame';
import {
  Changes,
  Findings,
  chanceText,
  DAYS_FAILED,
  clockText,
  dayText,
  fieldsOf,
  midnightOf,
  minuteOf,
  momentBeside,
  namesOf,
  shortMoment,
  useFollowed,
  useKnownSchedule,
} from '@/features/days';
import { useSiteLog } from '@/data/record';
import { RemindersPanel } from '@/features/reminders';
import { LIES_OPEN } from '@/ui/printing';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { useOneTap } from '@/ui/oneTap';
import { Header, Screen } from '@/ui/screen';
import { Segmented } from '@/ui/segmented';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { SiteTargets } from '@/ui/target';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { Rail } from './Rail';
import { TaskNow } from './TaskNow';
import { useSteps } from './useSteps';
import { useTodayJobs } from './useTodayJobs';
import { whatNow, type Doing } from './whatNow';

const TITLE = 'Today';

/** The first thing in the morning: what is done now, what comes next, and what waits for what. */
export function TodayScreen({ jobId }: { jobId?: string | undefined }) {
  const jobs = useList('jobs');
  if (!jobs.data)
    return (
      <Screen title={TITLE}>
        {jobs.error ? (
          <ErrorState title="The plan cannot be shown now" text={whyFailed(jobs.error)} />
        ) : (
          <Skeleton rows={4} height={120} />
        )}
      </Screen>
    );
  return <Chosen jobs={jobs.data} linked={jobId} />;
}

function Chosen({ jobs, linked }: { jobs: readonly Job[]; linked: string | undefined }) {
  const { planned, pending, job, toPlan, choose } = useTodayJobs(jobs, linked);
  const router = useRouter();
  if (!job)
    return (
      <Screen title={TITLE}>
        {pending ? (
          <Skeleton rows={4} height={120} />
        ) : (
          <EmptyState
            title="No job is worked by a plan yet"
            text="Plan the days of a job: what is to be done today stands here then, and the log is written by doing it."
          >
            {toPlan ? (
              <Button
                label={`Plan the days of ${toPlan.name}`}
                kind="primary"
                icon={CalendarDays}
                onPress={() => router.navigate(`/jobs/${toPlan.id}/days`)}
              />
            ) : (
              <Button label="To the jobs" kind="primary" onPress={() => router.navigate('/')} />
            )}
          </EmptyState>
        )}
      </Screen>
    );
  const choice =
    planned.length > 1 ? (
      <Choice
        label="Job"
        value={job.id}
        options={planned.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={choose}
      />
    ) : null;
  return (
    <SiteTargets>
      <JobFrame jobId={job.id} title={TITLE} backTo="/" waiting={<Skeleton rows={4} height={120} />}>
        {(loaded) => <OfJob key={job.id} {...loaded} choice={choice} />}
      </JobFrame>
    </SiteTargets>
  );
}

/** The clock moves on while one looks: a plan is looked at anew every few minutes, and when one comes back. */
const LOOK = 5 * 60_000;
function useNow(): Date {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const look = () => setNow(new Date());
    const timer = setInterval(look, LOOK);
    globalThis.addEventListener?.('focus', look);
    return () => {
      clearInterval(timer);
      globalThis.removeEventListener?.('focus', look);
    };
  }, []);
  return now;
}

function OfJob({ choice, ...loaded }: LoadedJob & { choice: React.ReactNode }) {
  const now = useNow();
  const { row } = useKnownSchedule(loaded.job, now);
  if (!row)
    return (
      <Screen title={TITLE} above={loaded.job.name}>
        <Skeleton rows={4} height={120} />
      </Screen>
    );
  return <Today {...loaded} {...{ row, now, choice }} />;
}

const ALL = 'all';
const readPerson = (stored: unknown): string | undefined => (typeof stored === 'string' ? stored : undefined);

export function Today({
  row,
  now,
  choice,
  startWorker,
  ...loaded
}: LoadedJob & {
  row: NonNullable<ReturnType<typeof useKnownSchedule>['row']>;
  now: Date;
  choice: React.ReactNode;
  startWorker?: StartWorker;
}) {
  const { job } = loaded;
  const fields = useMemo(() => fieldsOf(row), [row]);
  const { state, last, again } = useFollowed(loaded, fields, now, {
    mode: 'follow',
    others: false,
    startWorker,
  });
  const steps = useSteps(loaded);
  const [who, setWho] = useKept<string>('today person', readPerson, ALL);
  const [opened, setOpenedTask] = useState<string>();
  const page = useRef<ScrollView>(null);
  /** What is opened stands at the top. */
  const setOpened = (task: string | undefined) => {
    setOpenedTask(task);
    page.current?.scrollTo({ y: 0 });
  };
  const person = fields.crew.findIndex(({ name }) => name === who);
  const first = midnightOf(fields);
  const minute = minuteOf(first, now);
  const shown = state.kind === 'done' ? state.planned : last;
  const found = shown?.ok === true ? shown : undefined;
  const what = useMemo(
    () => found && whatNow(found, minute, person < 0 ? undefined : person),
    [found, minute, person],
  );
  const all = what ? [...what.running, ...what.today, ...(what.later?.doing ?? [])] : [];
  const current: Doing | undefined =
    all.find(({ task }) => task.id === opened) ??
    what?.running[0] ??
    what?.ready[0] ??
    what?.today[0] ??
    what?.later?.doing[0];
  const take = useTake(row);
  const mayPlan = useMay('plans');
  const stale = state.kind !== 'done';
  const act = useOneTap(async () => {
    if (!current) return;
    steps.step(current.task, current.task.running ? 'done' : 'started');
    // What comes next is looked at next.
    setOpened(current.task.running ? undefined : current.task.id);
    await Promise.resolve();
  });
  return (
    <View className="min-h-0 flex-1">
      <Header title={TITLE} above={job.name} />
      <ScrollView
        ref={page}
        tabIndex={0}
        className={LIES_OPEN}
        contentContainerClassName="w-full max-w-[1080px] gap-4 px-4 pb-6"
      >
        {choice}
        {fields.crew.length > 1 ? (
          <Segmented
            label="Whose work"
            value={person < 0 ? ALL : who}
            options={[
              { value: ALL, label: 'All' },
              ...fields.crew.map(({ name }) => ({ value: name, label: name })),
            ]}
            onChange={(value) => {
              setWho(value);
              setOpened(undefined);
            }}
          />
        ) : null}
        {state.kind === 'failed' ? (
          <ErrorState title="No plan yet" text={DAYS_FAILED} onRetry={again} />
        ) : null}
        {!shown && state.kind !== 'failed' ? <Skeleton rows={3} height={140} /> : null}
        {shown && !shown.ok ? (
          shown.done ? (
            <EmptyState title="All of it is done" text={`By its log nothing is left to do on ${job.name}.`} />
          ) : (
            <ErrorState title="The plan cannot be followed" text={shown.messages.join(' ')} />
          )
        ) : null}
        <DueNow />
        <Findings {...loaded} first={first} now={now} />
        {found && what ? (
          <>
            {current ? (
              <TaskNow
                key={current.task.id}
                {...{ loaded, fields, steps, doing: current, planned: found, minute }}
              />
            ) : (
              <EmptyState title="Nothing for this person" text="Choose somebody else, or all." />
            )}
            <Rail fields={fields} what={what} now={minute} />
            <Waits {...{ what, fields }} now={minute} />
            <List title="Today" doing={what.today} {...{ fields, current, onOpen: setOpened }} />
            {what.later ? (
              <List
                title={dayText(first, what.later.day)}
                doing={what.later.doing}
                {...{ fields, current, onOpen: setOpened }}
              />
            ) : null}
            <Finish {...{ fields, planned: found, jobId: job.id }} />
            <Changes fields={fields} planned={found} mayPlan={mayPlan} onTake={() => take(found)} />
          </>
        ) : null}
      </ScrollView>
      {current ? (
        <View className="gap-2 border-t border-rule bg-sheet px-4 py-3">
          <View className="flex-row gap-2">
            <Button
              label={current.task.running ? 'Done' : 'Start'}
              kind="primary"
              icon={current.task.running ? Check : Play}
              disabled={!steps.ready || stale}
              className="min-h-[64px] max-w-[760px] flex-1"
              onPress={act}
            />
            <Button
              label={current.task.running ? 'Not begun' : 'Skip'}
              className="min-h-[64px]"
              disabled={!steps.ready || stale}
              onPress={() => {
                steps.step(current.task, current.task.running ? 'put back' : 'skipped');
                setOpened(undefined);
              }}
            />
          </View>
        </View>
      ) : null}
    </View>
  );
}

/** What is to be looked after, once the log is there. */
function DueNow() {
  const { log } = useSiteLog('as it comes');
  return log ? <RemindersPanel log={log} /> : null;
}

/** Takes a plan as it is now for the one that is known; two taps take it once. */
function useTake(row: { readonly id: string; readonly version: number } & ScheduleFields) {
  const { put } = useWrites('schedules');
  const toast = useToast();
  return useOneTap(async (planned: SitePlanFound) => {
    try {
      const content = { ...fieldsOf(row as Parameters<typeof fieldsOf>[0]), version: row.version };
      await put({ id: row.id, content: { ...content, result: scheduleResult(planned) } });
      toast({ text: 'Everybody works by it now.' });
    } catch (error) {
      toast({ text: `Not taken: ${whyFailed(error)}` });
    }
  });
}

/** What dries, until when, and what can be done meanwhile. */
function Waits({
  what,
  fields,
  now,
}: {
  what: ReturnType<typeof whatNow>;
  fields: ScheduleFields;
  now: number;
}) {
  const first = midnightOf(fields);
  const [soonest, ...others] = what.drying;
  if (!soonest) return null;
  const meanwhile = what.ready.find(({ task }) => task.id !== soonest.task.id);
  return (
    <View className="gap-1 rounded-2xl border border-rule bg-sheet p-4" testID="waits">
      <Words weight="semi">{`Dry for the next from ${momentBeside(first, soonest.until, now)}: ${soonest.task.name}.`}</Words>
      {others.slice(0, 2).map(({ task, until }) => (
        <Words key={task.id}>{`From ${momentBeside(first, until, now)}: ${task.name}.`}</Words>
      ))}
      {meanwhile ? <Words colour="ink2">{`Meanwhile: ${meanwhile.task.name}.`}</Words> : null}
    </View>
  );
}

function List({
  title,
  doing,
  fields,
  current,
  onOpen,
}: {
  title: string;
  doing: readonly Doing[];
  fields: ScheduleFields;
  current: Doing | undefined;
  onOpen: (task: string) => void;
}) {
  const first = midnightOf(fields);
  if (doing.length === 0) return null;
  return (
    <View className="rounded-2xl border border-rule bg-sheet px-4 py-2">
      <Words weight="bold" size={18} heading={2}>
        {title}
      </Words>
      {doing.map(({ task, one }) => (
        <Pressable
          key={task.id}
          role="button"
          aria-current={task.id === current?.task.id ? 'step' : undefined}
          onPress={() => onOpen(task.id)}
          className={`-mx-2 min-h-[56px] flex-row items-center gap-3 border-t border-rule px-2 ${task.id === current?.task.id ? 'bg-identity-tint' : ''}`}
          testID="today-task"
        >
          <Words weight="digits-bold" className="w-14">
            {clockText(first, one.start)}
          </Words>
          <View className="min-w-0 flex-1 py-1">
            <Words weight={task.kind === 'spray' ? 'semi' : 'regular'}>{task.name}</Words>
            <Words size={14} colour="ink2">
              {[
                `until ${clockText(first, one.end)}`,
                namesOf(fields, one.people),
                task.running ? 'begun' : '',
              ]
                .filter(Boolean)
                .join(' · ')}
            </Words>
          </View>
        </Pressable>
      ))}
    </View>
  );
}

/** When the job may be done, and the way to all of its days. */
function Finish({
  fields,
  planned,
  jobId,
}: {
  fields: ScheduleFields;
  planned: SitePlanFound;
  jobId: string;
}) {
  const router = useRouter();
  const { system } = useUnits();
  const first = midnightOf(fields);
  return (
    <View className="gap-2 rounded-2xl border border-rule bg-sheet p-4" testID="finish">
      <Words weight="semi">{`By plan done ${shortMoment(first, planned.plan.finish)}, ${counted(planned.tasks.length, 'task')} left.`}</Words>
      {planned.chances ? <Words>{chanceText(first, planned.chances)}</Words> : null}
      <Words size={14} colour="ink2">
        {`Coats are taken to dry as at ${showText(fields.drying.air, 'temperature', system)} and ${showText(fields.drying.humidity, 'percent', system)}. Data sheets and labels take precedence.`}
      </Words>
      <Button
        label="All the days"
        icon={CalendarDays}
        className="self-start"
        onPress={() => router.navigate(`/jobs/${jobId}/days`)}
      />
    </View>
  );
}
