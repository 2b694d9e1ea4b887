import type { ByMethod, JobToWorkOut } from '@fine-spray/contract/planning';
import { METHOD_NAMES, PRECEDENCE_NOTE, hoursText, moneyText, showText } from '@fine-spray/core';
import { useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';
import { runWorker, type StartWorker } from '@/data/worker';
import { useWholeJob } from '@/features/days';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { useWhy } from '@/features/setup';
import { Panel } from '@/ui/panel';
import { Screen } from '@/ui/screen';
import { EmptyState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import type { MethodsReport } from '@/workers/methods.worker';
import { BESIDES, fromText, isClose, quickestText } from './words';

const TITLE = 'Spray or roll';

const startWorker: StartWorker = () =>
  new Worker(new URL('../../workers/methods.worker', window.location.href));

/** Walls and ceilings sprayed, rolled, or rolled from the pump: hours, paint and money of each, and from when on spraying pays. */
export function MethodsScreen({ jobId }: { jobId: string }) {
  return (
    <JobFrame
      jobId={jobId}
      title={TITLE}
      backTo={`/jobs/${jobId}`}
      waiting={<Skeleton rows={3} height={160} />}
    >
      {(loaded) => (
        <Screen title={TITLE} above={loaded.job.name} backTo={`/jobs/${jobId}`}>
          <Methods {...loaded} />
        </Screen>
      )}
    </JobFrame>
  );
}

/** The ways to do a job, worked out in a worker. */
function useMethods(whole: JobToWorkOut | undefined, start: StartWorker): MethodsReport | undefined {
  const [report, setReport] = useState<MethodsReport>();
  useEffect(() => {
    if (!whole) return undefined;
    return runWorker(start, whole, setReport, () =>
      setReport({ ok: false, message: 'This could not be worked out on this device. Try again.' }),
    );
  }, [whole, start]);
  return report;
}

export function Methods({ start = startWorker, ...loaded }: LoadedJob & { start?: StartWorker }) {
  const whole = useWholeJob(loaded);
  const report = useMethods(whole, start);
  if (!whole || !report) return <Skeleton rows={3} height={160} />;
  const { currency } = whole.book;
  const [first, ...rooms] = report.ok ? report.all : [];
  if (!report.ok || !first)
    return (
      <EmptyState
        title="Nothing to compare yet"
        text={report.ok ? 'There are no walls or ceilings in this job.' : report.message}
      />
    );
  return (
    <>
      <Way one={first} title="Walls and ceilings of the job" currency={currency} answer />
      {rooms.length > 1
        ? rooms.map((one) => <Way key={one.room} one={one} title={one.room ?? ''} currency={currency} />)
        : null}
      <Panel title="What decides besides">
        {BESIDES.map((text) => (
          <Words key={text}>{text}</Words>
        ))}
      </Panel>
      <Words size={14} colour="ink2">
        {`As many coats each way, hours of one person. Rates of rolling are working defaults, ±40 %. ${PRECEDENCE_NOTE}`}
      </Words>
    </>
  );
}

/** One room, or the job, each way beside the others. */
function Way({
  one,
  title,
  currency,
  answer = false,
}: {
  one: ByMethod;
  title: string;
  currency: string;
  answer?: boolean;
}) {
  const { system } = useUnits();
  const { ask, sheet } = useWhy();
  return (
    <View
      className={`gap-2 rounded-2xl bg-sheet p-4 ${answer ? 'border-2 border-identity' : 'border border-rule'}`}
      testID={answer ? 'methods-answer' : 'methods-room'}
    >
      <Words weight="semi" colour={answer ? 'ink2' : 'ink'} heading={2}>
        {title}
      </Words>
      <Words size={answer ? 22 : 16} weight={answer ? 'bold' : 'regular'}>
        {quickestText(one, system)}
      </Words>
      {isClose(one) ? (
        <Words colour="ink2">The ranges lie over each other: hours alone do not decide it.</Words>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        {one.answers.map(({ method, hours, paint }, index) => {
          const cost = one.cost[index];
          return (
            <View key={method} className="min-w-[150px] flex-1 gap-1 rounded-xl border border-rule p-3">
              <Words weight="semi">{METHOD_NAMES[method]}</Words>
              <Pressable role="button" className="min-h-[48px] justify-center" onPress={() => ask(hours)}>
                <Words size={22} weight="digits-bold">
                  {hoursText(hours.value, system)}
                </Words>
                <Words
                  size={14}
                  colour="ink2"
                >{`${hoursText(hours.low, system)} to ${hoursText(hours.high, system)}`}</Words>
              </Pressable>
              <Pressable role="button" className="min-h-[48px] justify-center" onPress={() => ask(paint)}>
                <Words>{`${showText(paint.value, 'volume', system)} of paint`}</Words>
              </Pressable>
              {cost === null || cost === undefined ? null : (
                <Words>{`${moneyText(cost, currency)} together`}</Words>
              )}
            </View>
          );
        })}
      </View>
      <Words colour="ink2">{fromText(one, system)}</Words>
      {sheet}
    </View>
  );
}
