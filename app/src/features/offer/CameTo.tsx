import type { Offer, OfferFigures } from '@fine-spray/contract';
import { cameTo, netOfWork, plannedCoats, type CostBeside } from '@fine-spray/contract/planning';
import { comparePlan, exactMoney, hoursText, showText } from '@fine-spray/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { localDay } from '@/data/day';
import { useJobHere } from '@/data/jobHere';
import { jobsOfPaint, tipsOf, useSiteLog } from '@/data/record';
import { BringingJob, type LoadedJob } from '@/features/frame';
import { Panel } from '@/ui/panel';
import { Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** Hours that are written down are all of them only where they come near what such a job takes. */
const MOST_WRITTEN = 0.8;

/** What an accepted offer came to, as far as the log has it. */
export function CameTo({
  job,
  surfaces,
  offer,
  figures,
}: LoadedJob & { offer: Offer; figures: OfferFigures }) {
  const { log, failed, retry } = useSiteLog();
  const here = useJobHere(job.id);
  const came = useMemo(() => {
    if (!log) return undefined;
    const planned = plannedCoats(surfaces, job, log.kit);
    const compared = comparePlan(planned, log.record, tipsOf(log.kit), job.id, jobsOfPaint(log), localDay);
    return cameTo(figures, netOfWork(offer, figures), job.id, log.record, compared);
  }, [log, surfaces, job, figures, offer]);
  const { system } = useUnits();
  if (!here.here) return <BringingJob {...here} />;
  if (!came || !log)
    return failed ? <BringingJob failed={failed} retry={retry} /> : <Skeleton rows={1} height={200} />;
  if (came.hours.came === 0 && came.paint.came === 0)
    return (
      <Words colour="ink2">
        Nothing is written down for this job yet: what it comes to stands here beside the offer.
      </Words>
    );
  const money = (amount: number) => exactMoney(Math.round(amount), figures.currency, figures.numbers);
  const inMoney = ({ offered, came: amount }: CostBeside) => ({
    offered: money(offered),
    came: money(amount),
  });
  const lines = [
    { name: 'Paint', ...inMoney(came.paint) },
    {
      name: 'Hours',
      offered: hoursText(came.hours.offered, system),
      came: hoursText(came.hours.came, system),
    },
    { name: 'Labour', ...inMoney(came.labour) },
    { name: 'Used up besides', offered: money(came.consumables), came: 'not counted' },
  ];
  const some = came.hours.came < MOST_WRITTEN * came.hours.offered;
  return (
    <Panel title="What it came to" testID="came-to">
      <Words size={30} weight="bold">
        {`${money(came.left.came)} left`}
      </Words>
      <Words colour="ink2">{`of the price for the work, as far as it is written down; ${money(came.left.offered)} by the offer`}</Words>
      {some ? (
        <Words colour="caution" weight="semi">
          {`Only ${hoursText(came.hours.came, system)} of ${hoursText(came.hours.offered, system)} offered are written down: what is left is likely less.`}
        </Words>
      ) : null}
      <View role="table" aria-label="Offered and came to" className="gap-1">
        <View role="row" className="flex-row gap-3">
          <Words role="columnheader" className="min-w-0 flex-1" size={14} colour="ink2">
            Part
          </Words>
          <Words role="columnheader" size={14} colour="ink2" className="w-24 text-right">
            Offered
          </Words>
          <Words role="columnheader" size={14} colour="ink2" className="w-24 text-right">
            Came to
          </Words>
        </View>
        {lines.map(({ name, offered, came: amount }) => (
          <View key={name} role="row" className="flex-row items-baseline gap-3">
            <Words role="rowheader" className="min-w-0 flex-1">
              {name}
            </Words>
            <Words role="cell" weight="digits" className="w-24 text-right">
              {offered}
            </Words>
            <Words role="cell" weight="digits" className="w-24 text-right">
              {amount}
            </Words>
          </View>
        ))}
      </View>
      {came.unpriced.map(({ coating, volume }) => (
        <Words key={coating} colour="caution">
          {`${showText(volume, 'volume', system)} of ${log.names.coating(coating) ?? 'a coating that was deleted'} have no price in the offer and are not in it.`}
        </Words>
      ))}
      <Words size={14} colour="ink2">
        Paint at the offer's price a litre, hours at its price an hour: timed work, and coats from start to
        finish.
      </Words>
    </Panel>
  );
}
