import {
  capital,
  counted,
  mainPiece,
  show,
  showText,
  type Explained,
  type SetupCard,
  type SetupRequest,
} from '@fine-spray/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { StartWorker } from '@/data/worker';
import { useWhy } from '@/features/setup';
import { Button } from '@/ui/button';
import { BigNumber } from '@/ui/number';
import { Segmented } from '@/ui/segmented';
import { Progress } from '@/ui/progress';
import { Sheet } from '@/ui/sheet';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import type { FilmPictureData } from '@/workers/filmBands';
import { FilmPicture, Legend, shownBands } from './FilmPicture';
import { useFilm } from './useFilm';

export interface FilmSheetProps {
  readonly request: SetupRequest;
  readonly card: SetupCard;
  readonly onClose: () => void;
  readonly startWorker?: StartWorker;
}

/** Some percent as people say it: never "0 %" for a little. */
function percent(share: number): string {
  if (share <= 0) return 'Nothing';
  return share < 0.01 ? 'Less than 1 %' : `${Math.round(share * 100)} %`;
}

/** What the film is like, in words. */
function Verdict({ film, least, sag }: { film: FilmPictureData; least: string; sag: string }) {
  const { shareUnderMinimum, shareOverSag, variation, holidays } = film.statistics;
  return (
    <View className="gap-0.5" testID="film-verdict">
      <Words weight="semi">{`${percent(shareUnderMinimum)} is thinner than ${least}. ${percent(shareOverSag)} is over the sag limit of ${sag}.`}</Words>
      <Words colour="ink2">
        {`It varies by ${Math.round(variation * 100)} %.${holidays.length > 0 ? ` ${holidays.length} missed ${holidays.length === 1 ? 'spot' : 'spots'}.` : ''}`}
      </Words>
    </View>
  );
}

/** A number of the plan that opens. */
function PlanCell({
  label,
  number,
  text,
  onOpen,
}: {
  label: string;
  number: Explained;
  text: string;
  onOpen: (number: Explained) => void;
}) {
  return (
    <Pressable
      role="button"
      onPress={() => onOpen(number)}
      className="min-h-[56px] min-w-[45%] flex-1 rounded-xl p-2 hover:bg-identity-tint"
    >
      <Words size={14} colour="ink2">
        {label}
      </Words>
      <Words size={18} weight="bold">
        {text}
      </Words>
      <Words className="sr-only">Why this number</Words>
    </Pressable>
  );
}

/** What this set-up lays on the wall: the film to scale, where it is thin or heavy, and what the passes take. */
export function FilmSheet({ request, card, onClose, startWorker }: FilmSheetProps) {
  const { system } = useUnits();
  const [seed, setSeed] = useState<number>();
  const [passes, setPasses] = useState(true);
  const why = useWhy();
  const { wall, state, stop, again } = useFilm(request, card, seed, system, startWorker);
  if (why.sheet) return why.sheet;
  const film = state.kind === 'done' ? state.film : undefined;
  const text = (value: number, kind: Explained['kind']) => showText(value, kind, system);
  const { count } = mainPiece(request.geometry);
  return (
    <Sheet title="Film on the wall" onClose={onClose}>
      {film && wall ? (
        <>
          <View className="gap-1">
            <Words size={14} weight="semi" colour="wet">
              Mean wet film
            </Words>
            <View testID="film-mean">
              <BigNumber value={film.statistics.mean} kind="wetFilm" size={64} colour="wet" />
            </View>
            {card.laterSpeed ? <Words>The first coat: what soaks in is not in the film.</Words> : null}
            <Verdict
              film={film}
              least={text(wall.job.limits.minimum, 'wetFilm')}
              sag={text(wall.job.limits.sagLimit, 'wetFilm')}
            />
          </View>
          <FilmPicture wall={wall} film={film} passes={passes} />
          <Legend bands={shownBands(film)} />
        </>
      ) : null}
      {state.kind === 'working' ? (
        <Progress doing="Laying the passes" label="Passes laid" share={state.share} onStop={stop} />
      ) : null}
      {state.kind === 'stopped' ? (
        <View className="gap-3 rounded-2xl border border-rule bg-sheet p-4">
          <Words weight="semi">Stopped. Nothing was kept.</Words>
          <Button label="Lay the passes" kind="primary" onPress={again} className="self-start" />
        </View>
      ) : null}
      {state.kind === 'refused' ? (
        <ErrorState title="No film to show" text={state.message} onRetry={again} />
      ) : null}

      <View className="gap-2">
        <Segmented
          label="Hand"
          value={seed === undefined ? 'steady' : 'usual'}
          options={[
            { value: 'steady', label: 'Steady hand' },
            { value: 'usual', label: 'Usual hand' },
          ]}
          onChange={(hand) => setSeed(hand === 'steady' ? undefined : 1)}
        />
        {seed === undefined ? null : (
          <View className="flex-row flex-wrap items-center gap-2">
            <Words size={14} colour="ink2" className="min-w-[200px] flex-1">
              The lap strays by 5 % of the fan, the speed by 10 %.
            </Words>
            <Button label="Another try" onPress={() => setSeed(seed + 1)} />
          </View>
        )}
        <Segmented
          label="Passes"
          value={passes ? 'shown' : 'hidden'}
          options={[
            { value: 'shown', label: 'Show passes' },
            { value: 'hidden', label: 'Film only' },
          ]}
          onChange={(value) => setPasses(value === 'shown')}
        />
      </View>

      {wall ? (
        <View className="gap-1 rounded-2xl border border-rule bg-sheet p-2">
          <Words weight="bold" heading={2} className="p-2">
            {`${counted(wall.plan.passes.length, 'pass', 'passes')} for ${count > 1 ? `one of ${count} pieces` : 'one coat'}${card.passesPerCoat > 1 ? `, laid ${card.passesPerCoat} times` : ''}`}
          </Words>
          <View className="flex-row flex-wrap">
            <PlanCell
              label="Trigger open"
              number={wall.plan.triggerTime}
              text={triggerText(wall.plan.triggerTime.value)}
              onOpen={why.ask}
            />
            <PlanCell
              label="Through the gun"
              number={wall.plan.paintOut}
              text={text(wall.plan.paintOut.value, 'volume')}
              onOpen={why.ask}
            />
            <PlanCell
              label="Misses the piece"
              number={wall.plan.overspray}
              text={text(wall.plan.overspray.value, 'volume')}
              onOpen={why.ask}
            />
            <PlanCell
              label="Way of the gun"
              number={wall.plan.travel}
              text={text(wall.plan.travel.value, 'reach')}
              onOpen={why.ask}
            />
          </View>
          <Words className="px-2">
            {`All coats of the whole surface: ${text(card.tip.candidate.overspray, 'volume')} misses it.`}
          </Words>
          <Words size={14} colour="ink2" className="px-2 pb-2">
            {`${wall.plan.reason} Ring: pull the trigger. Dot: let go, off the piece.${mainPiece(request.geometry).openings.some(({ at }) => at === undefined) ? ' Openings stand evenly apart here: their places are not measured.' : ''}`}
          </Words>
        </View>
      ) : null}
      {wall && wall.order.length > 0 ? (
        <View className="gap-2 rounded-2xl border border-rule bg-sheet p-4" testID="order">
          <Words weight="bold" heading={2}>
            In this order
          </Words>
          {wall.order.map(({ name, how, passes: number }, index) => (
            <View key={name} className="flex-row gap-3">
              <Words weight="digits-bold">{index + 1}</Words>
              <View className="min-w-0 flex-1">
                <Words weight="semi">{`${capital(name)}: ${counted(number, 'pass', 'passes')}`}</Words>
                <Words size={14} colour="ink2">{`${how}.`}</Words>
              </View>
            </View>
          ))}
        </View>
      ) : null}
      <Words size={14} colour="ink2">
        An even fan of a new tip, no levelling and no rebound. A comb on the wall tells more than this
        picture.
      </Words>
    </Sheet>
  );
}

/** Seconds under two minutes, minutes above. */
function triggerText(seconds: number): string {
  if (seconds < 120) return `${Math.round(seconds)} s`;
  const { number, unit } = show(seconds, 'trigger', 'metric');
  return `${number} ${unit}`;
}
