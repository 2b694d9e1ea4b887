import type { BatchWrite, Surface } from '@fine-spray/contract';
import { LAYER_NAMES, layerKey, layersOf, ofWork, withLayerTip } from '@fine-spray/contract/planning';
import {
  FAMILY_DATA,
  counted,
  showText,
  writeTipCode,
  type OneMore,
  type TipSet,
  type TipUse,
  type UnitSystem,
} from '@fine-spray/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useMay } from '@/data/may';
import { contentOf, useBatch } from '@/data/resources';
import type { StartWorker } from '@/data/worker';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { Button } from '@/ui/button';
import { useOneTap } from '@/ui/oneTap';
import { Panel } from '@/ui/panel';
import { Screen } from '@/ui/screen';
import { Segmented } from '@/ui/segmented';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { useTipSet } from './useTipSet';

const TITLE = 'Tips for the job';

/** The fewest tips for all layers of a job, ours first, with what each surface loses by it. */
export function JobTipsScreen({ jobId }: { jobId: string }) {
  return (
    <JobFrame
      jobId={jobId}
      title={TITLE}
      backTo={`/jobs/${jobId}/take`}
      waiting={<Skeleton rows={4} height={120} />}
    >
      {(loaded) => <JobTips {...loaded} />}
    </JobFrame>
  );
}

/** How near its best tip every surface stays, how many tips at most, and whether any is bought. */
interface Wanted {
  readonly loss: '0.05' | '0.1' | '0.2';
  readonly most: 'any' | '4' | '3' | '2';
  readonly whose: 'any' | 'ours';
}

const LOSSES = [
  { value: '0.05', label: '5 %' },
  { value: '0.1', label: '10 %' },
  { value: '0.2', label: '20 %' },
] as const;
const MOST = [
  { value: 'any', label: 'Any' },
  { value: '4', label: '4' },
  { value: '3', label: '3' },
  { value: '2', label: '2' },
] as const;
const WHOSE = [
  { value: 'any', label: 'Ours or bought' },
  { value: 'ours', label: 'Only ours' },
] as const;

/** "Hall · Walls", and which layer where it is not the finish. */
function workName(surface: Surface, key: string): string {
  const { room, name } = surface;
  const layers = layersOf(surface);
  const layer = layers.find((_layer, index) => layerKey(layers, index) === key);
  const under = layer && layer.role !== 'finish' ? `, ${LAYER_NAMES[layer.role].toLowerCase()}` : '';
  return `${room === '' ? name : `${room} · ${name}`}${under}`;
}

/** How often the tip is changed, and what giving each its very best would make of that. */
function changesText({ changes, changesAtBest }: TipSet): string {
  const times = changes === 0 ? 'never' : changes === 1 ? 'once' : `${changes} times`;
  const more =
    changesAtBest > changes ? `, where the best of these for each would make it ${changesAtBest}` : '';
  return `Sprayed coating by coating in the order of the list, the tip changes ${times} within a coating${more}.`;
}

/** "4 tips, 1 to buy". */
function answerText({ tips }: TipSet): string {
  const bought = tips.filter(({ ours }) => !ours).length;
  return `${counted(tips.length, 'tip')}, ${bought === 0 ? 'all ours' : `${bought} to buy`}`;
}

/** How a surface fares with the tip it gets beside its best one: nothing said where it takes as long. */
function lossText({ used, best }: TipUse, system: UnitSystem): string {
  const more = used.time - best.time;
  const time = showText(Math.abs(more), 'trigger', system);
  if (time.startsWith('0 ')) return '';
  return `: ${time} ${more > 0 ? 'slower' : 'quicker'} than with ${writeTipCode(best.tip)}, its best`;
}

/** "617 standard, on your rack: 12 min and 0.5 L on 9 surfaces, the film as even." */
function moreText({ code, tip, ours, time, paint, evenness, ids }: OneMore, system: UnitSystem): string {
  const litres = paint > 0 ? ` and ${showText(paint, 'volume', system)}` : '';
  const points = Math.round(100 * Math.abs(evenness));
  const even =
    points === 0 ? 'the film as even' : `the film ${points} % ${evenness > 0 ? 'more' : 'less'} even`;
  return `${code} ${FAMILY_DATA[tip.family].name.toLowerCase()}${ours ? ', on your rack' : ''}: ${showText(time, 'trigger', system)}${litres} on ${counted(ids.length, 'layer')}, ${even}.`;
}

export function JobTips({ job, surfaces, kit, startWorker }: LoadedJob & { startWorker?: StartWorker }) {
  const { system } = useUnits();
  const [wanted, setWanted] = useState<Wanted>({ loss: '0.1', most: 'any', whose: 'any' });
  const wish = useMemo(
    () => ({
      loss: Number(wanted.loss),
      most: wanted.most === 'any' ? undefined : Number(wanted.most),
      onlyOurs: wanted.whose === 'ours',
    }),
    [wanted],
  );
  const { set, working, failed } = useTipSet({ surfaces, job, kit, wish }, startWorker);
  const rows = useMemo(() => new Map(surfaces.map((one) => [one.id, one])), [surfaces]);
  const named = (ids: readonly string[]) =>
    ids.flatMap((id) => {
      const { surfaceId, layer } = ofWork(id);
      const surface = rows.get(surfaceId);
      return surface ? [workName(surface, layer)] : [];
    });
  const mayPlan = useMay('plans');
  const use = useTips(surfaces, set);
  if (surfaces.length === 0) {
    return (
      <Screen title={TITLE} above={job.name} backTo={`/jobs/${job.id}/take`}>
        <EmptyState
          title="No surfaces yet"
          text="Measure a room first: its surfaces say which tips they want."
        />
      </Screen>
    );
  }
  return (
    <Screen title={TITLE} above={job.name} backTo={`/jobs/${job.id}/take`}>
      {failed ? (
        <ErrorState title="No tips" text="The set-ups could not be worked out on this device." />
      ) : null}
      {set ? (
        <Panel testID="job-tips-answer">
          <Words size={30} weight="bold" aria-live="polite">
            {working ? 'Working …' : answerText(set)}
          </Words>
          <Words>
            {set.beyond.length + set.without.length === 0
              ? `Every coat stays within ${showText(wish.loss, 'percent', system)} of its best tip.`
              : `${counted(set.beyond.length + set.without.length, 'layer')} cannot stay within ${showText(wish.loss, 'percent', system)}.`}
          </Words>
          <Words testID="tip-changes">{changesText(set)}</Words>
          {mayPlan ? (
            <Button
              label="Use these tips"
              kind="primary"
              disabled={working || set.tips.length === 0}
              onPress={() => use()}
            />
          ) : null}
        </Panel>
      ) : failed ? null : (
        <Skeleton rows={3} height={120} />
      )}
      <Panel title="What you want">
        <Words size={14} colour="ink2">
          Each layer within so much of its best tip
        </Words>
        <Segmented
          label="Within"
          value={wanted.loss}
          options={LOSSES}
          onChange={(loss) => setWanted({ ...wanted, loss })}
        />
        <Words size={14} colour="ink2">
          At most so many tips
        </Words>
        <Segmented
          label="At most"
          value={wanted.most}
          options={MOST}
          onChange={(most) => setWanted({ ...wanted, most })}
        />
        <Segmented
          label="Whose"
          value={wanted.whose}
          options={WHOSE}
          onChange={(whose) => setWanted({ ...wanted, whose })}
        />
      </Panel>
      {set?.tips.map(({ code, tip, ours, ids }) => (
        <Panel key={`${tip.family} ${code}`} testID="job-tip">
          <View className="flex-row items-baseline gap-3">
            <Words size={30} weight="digits-bold">
              {code}
            </Words>
            <Words weight="semi" className="min-w-0 flex-1">
              {`${FAMILY_DATA[tip.family].name.toLowerCase()}, ${ours ? 'on your rack' : 'to buy'}`}
            </Words>
          </View>
          {set.uses
            .filter(({ id }) => ids.includes(id))
            .map((one) => (
              <Words
                key={one.id}
                size={14}
                colour={set.beyond.includes(one.id) ? 'caution' : 'ink2'}
              >{`${named([one.id]).join('')}${lossText(one, system)}`}</Words>
            ))}
        </Panel>
      ))}
      {set && set.without.length > 0 ? (
        <Panel title="Without a tip">
          {named(set.without).map((name) => (
            <Words key={name} colour="danger">
              {name}
            </Words>
          ))}
        </Panel>
      ) : null}
      {set?.more.some(({ time }) => time > 0) ? (
        <Panel title="One more would save">
          {set.more
            .filter(({ time }) => time > 0)
            .map((one) => (
              <Words key={`${one.tip.family} ${one.code}`}>{moreText(one, system)}</Words>
            ))}
        </Panel>
      ) : null}
      <Words size={14} colour="ink2">
        Primers and finishes alike. What was dialled in on a surface stays. A tip that you put on a surface by
        hand is replaced.
      </Words>
    </Screen>
  );
}

/** Puts the tips of a set on the surfaces, in one step that can be taken back. */
function useTips(surfaces: readonly Surface[], set: TipSet | undefined) {
  const send = useBatch();
  const toast = useToast();
  const failed = (error: unknown) => toast({ text: `Not changed: ${whyFailed(error)}` });
  return useOneTap(async () => {
    if (!set) return;
    const rows = surfaces.flatMap((row) => {
      const next = set.uses
        .filter(({ id }) => ofWork(id).surfaceId === row.id)
        .reduce<Surface>((now, { id, used }) => {
          const tip = { family: used.tip.family, code: writeTipCode(used.tip) };
          return { ...now, ...withLayerTip(now, ofWork(id).layer, tip) };
        }, row);
      const same = JSON.stringify(layersOf(next)) === JSON.stringify(layersOf(row));
      return same ? [] : [{ row, next }];
    });
    if (rows.length === 0) {
      toast({ text: 'The surfaces have these tips already.' });
      return;
    }
    const write = (row: Surface, version: number): BatchWrite => ({
      resource: 'surfaces',
      id: row.id,
      content: { ...contentOf(row), version },
    });
    try {
      const stored = await send(rows.map(({ row, next }) => write(next, row.version)));
      toast({
        text: `${counted(set.tips.length, 'tip')} on ${counted(rows.length, 'surface')}.`,
        undo: () => void send(rows.map(({ row }, at) => write(row, stored[at]?.version ?? 0))).catch(failed),
      });
    } catch (error) {
      failed(error);
    }
  });
}
