import { plannedCoats } from '@fine-spray/contract/planning';
import { coatName } from '@fine-spray/contract/log';
import {
  BESIDE_PLAN,
  CAUSES,
  comparePlan,
  counted,
  filmAchieved,
  showRange,
  showText,
  type CoatCompared,
  type CoatingCompared,
  type Explained,
} from '@fine-spray/core';
import { unboxedBatches } from '@fine-spray/core/record';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { localDay } from '@/data/day';
import { coatingsOf, jobsOfPaint, tipsOf, type SiteLog } from '@/data/record';
import { useWhy } from '@/features/setup';
import { LogFrame, goneAmong, useChosenJob } from '@/features/frame';
import { Button } from '@/ui/button';
import { CautionBox } from '@/ui/caution';
import { Panel } from '@/ui/panel';
import { EmptyState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** Litres, film and hours against the plan as the job goes, what is still needed, and where it went. */
export function ActualScreen({ jobId }: { jobId?: string | undefined }) {
  return (
    <LogFrame broad title="Plan against actual" above="Log" backTo="/log">
      {(log) => <Loaded log={log} jobId={jobId} />}
    </LogFrame>
  );
}

function Loaded({ log, jobId }: { log: SiteLog; jobId: string | undefined }) {
  const { system } = useUnits();
  const stray = useMemo(
    () => comparePlan([], log.record, tipsOf(log.kit), undefined, jobsOfPaint(log)),
    [log],
  );
  const some = stray.length > 0 || goneAmong(log.old, log.jobs).length > 0;
  const none = some ? 'No job, or one that was deleted' : undefined;
  const { job, choice, wait, isNone } = useChosenJob(log, jobId, none);
  const why = useWhy();
  const compared = useMemo(() => {
    if (!job) return stray;
    // The plan as it was made, without what this very log has taught since.
    const planned = plannedCoats(
      log.surfaces.filter((one) => one.jobId === job.id),
      job,
      log.kit,
    );
    return comparePlan(planned, log.record, tipsOf(log.kit), job.id, jobsOfPaint(log), localDay);
  }, [job, log, stray]);
  if (!job && !isNone)
    return <EmptyState title="No job yet" text="What is sprayed is held against the plan of a job." />;
  if (wait)
    return (
      <>
        {choice}
        {wait}
      </>
    );
  const begun = compared.filter(
    ({ coats, used, delivered, out }) =>
      delivered !== undefined || used + out > 0 || coats.some(({ state }) => state !== 'to do'),
  );
  const short = compared.filter((one) => one.short);
  const name = (id: string) => log.names.coating(id) ?? 'A coating that was deleted';
  const done = compared.flatMap(({ coats }) => coats.filter(({ state }) => state === 'done')).length;
  const all = compared.reduce((sum, { coats }) => sum + coats.length, 0);
  return (
    <>
      <View className="gap-1" testID="actual-answer">
        {short.length > 0 ? (
          short.map((one) => (
            <View key={one.coating} className="flex-row flex-wrap items-baseline gap-x-3">
              <Words
                size={30}
                weight="bold"
                colour="caution"
              >{`Short by ${showText(one.short?.volume ?? 0, 'volume', system)}`}</Words>
              <Words size={18} weight="semi">
                {shortWords(one, log)}
              </Words>
            </View>
          ))
        ) : (
          <Words size={30} weight="bold">
            {begun.length > 0
              ? 'What is here is enough, as far as deliveries are written down'
              : 'Nothing is written down for this job yet'}
          </Words>
        )}
        <Words colour="ink2">{`${done} of ${counted(all, 'coat')} done.`}</Words>
      </View>
      {choice}
      <Unboxed
        log={log}
        surfaces={new Set(log.surfaces.filter((one) => one.jobId === job?.id).map(({ id }) => id))}
      />
      {begun.map((one) => (
        <CoatingPanel key={one.coating} compared={one} log={log} title={name(one.coating)} onWhy={why.ask} />
      ))}
      {begun.length === 0 ? (
        <EmptyState
          title="Nothing to compare yet"
          text="Write down litres, combs and finished coats: each stands here beside its plan."
        />
      ) : null}
      {why.sheet}
    </>
  );
}

/** "Interior wall matt, before the second coat of Boat hall, South wall (likely 9 to 21 L)". */
function shortWords({ coating, short }: CoatingCompared, log: SiteLog): string {
  if (!short) return '';
  const { before } = short;
  const where = log.names.surface(before.surface) ?? 'a surface that was deleted';
  return `of ${log.names.coating(coating) ?? ''}, before the ${coatName(before.coat).toLowerCase()} of ${where}`;
}

function Unboxed({ log, surfaces }: { log: SiteLog; surfaces: ReadonlySet<string> }) {
  const found = unboxedBatches(log.record).filter(({ surface }) => surfaces.has(surface));
  return found.map(({ surface, batches }) => (
    <CautionBox
      key={surface}
      what={`${log.names.surface(surface) ?? 'one wall'} from batches that were not boxed`}
      why={`${batches.join(' and ')} may differ in colour on one wall.`}
      instead="Box what is left before the next coat, or change batch at a corner."
    />
  ));
}

/** Coats of which an older program wrote the plan as the litres: used up, and left out of what is compared. */
function Repeated({ coats }: { coats: readonly CoatCompared[] }) {
  const repeated = coats.filter(({ repeatsPlan }) => repeatsPlan).length;
  if (repeated === 0) return null;
  return (
    <Words colour="caution" testID="actual-repeats">
      {`${counted(repeated, 'coat')} ${repeated === 1 ? 'has' : 'have'} only the litres of the plan, which an older version filled in. They count as used and are left out of what is compared. Put right what you know.`}
    </Words>
  );
}

/** One coating: used beside planned, what is still needed, where it went, coat by coat. */
function CoatingPanel({
  compared,
  log,
  title,
  onWhy,
}: {
  compared: CoatingCompared;
  log: SiteLog;
  title: string;
  onWhy: (number: Explained) => void;
}) {
  const { system } = useUnits();
  const [all, setAll] = useState(false);
  const { coats, planned, used, plannedDone, usedDone, needed, atHand, short, factor, out } = compared;
  const litres = (value: number) => showText(value, 'volume', system);
  const over = plannedDone > 0 ? usedDone / plannedDone - 1 : 0;
  const begun = coats.filter(({ state }) => state !== 'to do');
  const shown = all ? coats : begun;
  const thinned = coats.some(
    ({ planned: { thinning }, actual }) => thinning > 0 || (actual?.thinner ?? 0) > 0,
  );
  return (
    <Panel title={title} testID="actual-coating">
      <Bars planned={planned} used={used} needed={needed.value} />
      <Repeated coats={coats} />
      <View className="flex-row flex-wrap gap-x-6 gap-y-2">
        <Figure
          label="Used"
          value={litres(used)}
          note={
            plannedDone > 0
              ? `planned for these coats ${litres(plannedDone)}, ${over >= 0 ? '+' : '−'}${Math.abs(Math.round(over * 100))} %`
              : ''
          }
        />
        <Figure
          label="Still needed"
          value={litres(needed.value)}
          note={`likely ${showRange(needed.low, needed.high, 'volume', system)}`}
          onPress={() => onWhy(needed)}
        />
        {atHand ? (
          <Figure
            label="At hand"
            value={litres(atHand.value)}
            note={deliveredWords(compared, litres)}
            onPress={() => onWhy(atHand)}
          />
        ) : (
          <Figure label="At hand" value="?" note="write deliveries down" />
        )}
        <Figure
          label="Litres over plan"
          value={`${factor.value.toFixed(2)} ×`}
          note={`likely ${factor.low.toFixed(2)} to ${factor.high.toFixed(2)}`}
          onPress={() => onWhy(factor)}
        />
      </View>
      {short ? (
        <Words
          weight="bold"
          colour="caution"
        >{`Short by ${litres(short.volume)} (likely ${litres(Math.max(0, short.low))} to ${litres(short.high)}) ${shortWords(compared, log)}.`}</Words>
      ) : null}
      <Beside compared={compared} log={log} />
      {out > 0 ? (
        <Words colour="ink2">{`${litres(out)} given back, taken away or poured away.`}</Words>
      ) : null}
      {thinned ? (
        <Words size={14} colour="ink2">
          Litres here are of paint as it is sold: the thinner in it is left out.
        </Words>
      ) : null}
      <Causes compared={compared} />
      <View>
        {shown.map((one) => (
          <CoatLine key={`${one.planned.surface} ${one.planned.coat}`} compared={one} log={log} />
        ))}
      </View>
      <Film compared={compared} log={log} onWhy={onWhy} />
      {begun.length < coats.length ? (
        <Button
          label={all ? 'Only what is begun' : `${coats.length - begun.length} coats to come`}
          kind="quiet"
          className="self-start"
          onPress={() => setAll(!all)}
        />
      ) : null}
    </Panel>
  );
}

/** "of 40 L delivered"; said where more was used than that. */
function deliveredWords(
  { delivered = 0, unwritten = 0 }: CoatingCompared,
  litres: (volume: number) => string,
): string {
  return unwritten > LEAST
    ? `${litres(unwritten)} more were used than came: a delivery is not written down`
    : `of ${litres(delivered)} delivered`;
}

/** Paint that went on no coat of the plan. */
function Beside({ compared: { beside }, log }: { compared: CoatingCompared; log: SiteLog }) {
  const { system } = useUnits();
  return beside.map(({ why, volume, surfaces }) => (
    <Words key={why} colour="ink2">
      {[
        `${showText(volume, 'volume', system)} ${BESIDE_PLAN[why]}`,
        surfaces.map((id) => log.names.surface(id) ?? 'one that was deleted').join(', '),
      ]
        .filter((part) => part !== '')
        .join(': ')}
      .
    </Words>
  ));
}

function Figure({
  label,
  value,
  note,
  onPress,
}: {
  label: string;
  value: string;
  note: string;
  onPress?: () => void;
}) {
  const inside = (
    <>
      <Words size={14} colour="ink2">
        {label}
      </Words>
      <Words size={22} weight="digits-bold">
        {value}
      </Words>
      <Words size={14} colour="ink2">
        {note}
      </Words>
    </>
  );
  return onPress ? (
    <Pressable role="button" onPress={onPress} className="min-h-[48px] min-w-[120px]">
      {inside}
    </Pressable>
  ) : (
    <View className="min-w-[120px]">{inside}</View>
  );
}

/** Used and still needed beside the plan, to one scale. */
function Bars({ planned, used, needed }: { planned: number; used: number; needed: number }) {
  const { system } = useUnits();
  const most = Math.max(planned, used + needed, 1e-9);
  const share = (value: number) => `${(100 * value) / most}%` as const;
  return (
    <View
      role="img"
      aria-label={`Planned ${showText(planned, 'volume', system)}, used ${showText(used, 'volume', system)}, still needed ${showText(needed, 'volume', system)}`}
      className="gap-1"
    >
      <View className="h-3 rounded-full border-2 border-ink2" style={{ width: share(planned) }} />
      <View className="h-5 flex-row">
        <View className="rounded-l-full bg-identity" style={{ width: share(used) }} />
        <View
          className="rounded-r-full border-2 border-dashed border-identity"
          style={{ width: share(needed) }}
        />
      </View>
      <Words size={14} colour="ink2">
        Above: plan. Below: used, and dashed what is still needed.
      </Words>
    </View>
  );
}

/** Less than this is not worth a line, m³. */
const LEAST = 5e-5;

/** Where more or less than planned went, as bars to both sides of the plan. */
function Causes({ compared: { causes, plannedDone, usedDone } }: { compared: CoatingCompared }) {
  const { system } = useUnits();
  const shown = causes.filter(({ volume }) => Math.abs(volume) > LEAST);
  if (shown.length === 0) return null;
  const most = Math.max(...shown.map(({ volume }) => Math.abs(volume)));
  const worst = shown.reduce((a, b) => (b.volume > a.volume ? b : a));
  return (
    <View className="gap-2">
      <Words weight="semi">{`Where ${showText(Math.abs(usedDone - plannedDone), 'volume', system)} ${usedDone >= plannedDone ? 'more' : 'less'} than planned went`}</Words>
      {shown.map(({ cause, volume }) => (
        <View key={cause} className="flex-row items-center gap-3">
          <Words size={14} className="w-[132px]">
            {CAUSES[cause].name}
          </Words>
          <View className="h-4 flex-1 flex-row">
            <View className="flex-1 flex-row justify-end border-r border-ink">
              {volume < 0 ? (
                <View className="h-4 border-2 border-ink2" style={{ width: `${(100 * -volume) / most}%` }} />
              ) : null}
            </View>
            <View className="flex-1">
              {volume > 0 ? (
                <View className="h-4 bg-identity" style={{ width: `${(100 * volume) / most}%` }} />
              ) : null}
            </View>
          </View>
          <Words size={14} weight="digits-bold" className="w-16 text-right">
            {`${volume >= 0 ? '+' : '−'}${showText(Math.abs(volume), 'volume', system)}`}
          </Words>
        </View>
      ))}
      {worst.volume > LEAST ? (
        <Words size={14} colour="ink2">
          {CAUSES[worst.cause].better}
        </Words>
      ) : null}
    </View>
  );
}

const STATES = { 'to do': 'to come', begun: 'begun', done: 'done' } as const;

function CoatLine({
  compared: { planned, plan, used, actual, state, time },
  log,
}: {
  compared: CoatCompared;
  log: SiteLog;
}) {
  const { system } = useUnits();
  const minutes = (seconds: number) => `${Math.round(seconds / 60)} min`;
  const parts = [
    used > 0
      ? `${showText(used, 'volume', system)}, plan ${showText(plan, 'volume', system)}`
      : `${showText(plan, 'volume', system)} planned`,
    actual?.wet === undefined
      ? undefined
      : `film ${showText(actual.wet, 'wetFilm', system)}, plan ${showText(planned.wet, 'wetFilm', system)}`,
    time === undefined
      ? planned.time > 0
        ? `${minutes(planned.time)} planned`
        : undefined
      : `${minutes(time)}, plan ${minutes(planned.time)}`,
  ];
  return (
    <View className="border-b border-rule py-2">
      <Words weight="semi">{`${log.names.surface(planned.surface) ?? ''}, ${coatName(planned.coat).toLowerCase()} · ${STATES[state]}`}</Words>
      <Words size={14} colour="ink2">
        {parts.filter(Boolean).join(' · ')}
      </Words>
    </View>
  );
}

/** Dry film of the surfaces that have one, from gauge or combs. */
function Film({
  compared,
  log,
  onWhy,
}: {
  compared: CoatingCompared;
  log: SiteLog;
  onWhy: (number: Explained) => void;
}) {
  const { system } = useUnits();
  const coatings = coatingsOf(log.kit);
  const surfaces = [
    ...new Set(compared.coats.filter(({ actual }) => actual).map(({ planned }) => planned.surface)),
  ];
  const found = surfaces.flatMap((id) => filmAchieved(log.record, id, coatings) ?? []);
  if (found.length === 0) return null;
  return (
    <View className="gap-1">
      <Words weight="semi">Dry film so far</Words>
      <View className="flex-row flex-wrap gap-2">
        {found.map(({ surface, dry }) => (
          <Pressable
            key={surface}
            role="button"
            onPress={() => onWhy(dry)}
            className="min-h-[48px] justify-center rounded-xl border border-rule px-3"
          >
            <Words
              size={14}
            >{`${log.names.surface(surface) ?? ''}: ${showText(dry.value, 'dryFilm', system)}`}</Words>
          </Pressable>
        ))}
      </View>
    </View>
  );
}
