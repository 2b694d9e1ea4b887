import { cardTried, triedOf, type Tried } from '@fine-spray/core/practice';
import type { SetupCard } from '@fine-spray/core/setup';
import type { FilmStatistics } from '@fine-spray/core/simulation';
import { showText, type DisplayKind } from '@fine-spray/core/units';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { FilmPicture, Legend, shownBands, useFilm } from '@/features/film';
import type { Site } from '@/features/site';
import { Beside } from '@/ui/beside';
import { Button } from '@/ui/button';
import { BigNumber } from '@/ui/number';
import { Panel } from '@/ui/panel';
import { Segmented } from '@/ui/segmented';
import { Slider } from '@/ui/slider';
import { ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import type { FilmPictureData } from '@/workers/filmBands';

/** A usual hand is the same each time. */
const SEED = 20;

/** What is said of a film, tried and as on the card. */
const FIGURES: readonly (readonly [string, DisplayKind, (film: FilmStatistics) => number])[] = [
  ['Mean', 'wetFilm', ({ mean }) => mean],
  ['Varies by', 'percent', ({ variation }) => variation],
  ['Too thin', 'percent', ({ shareUnderMinimum }) => shareUnderMinimum],
  ['Over the sag limit', 'percent', ({ shareOverSag }) => shareOverSag],
];

/** What another lap, speed or distance would do, tried on the card before anything is sprayed. */
export function TryScreen({ site }: { site: Site }) {
  if (!site.card.ok) return <ErrorState title="Nothing to try yet" text={site.card.message} />;
  return <Trying site={site} card={site.card.value} />;
}

function Trying({ site, card }: { site: Site; card: SetupCard }) {
  const { system } = useUnits();
  const own = useMemo(() => triedOf(card), [card]);
  const [tried, setTried] = useState<Tried>(own);
  const [hand, setHand] = useState<'steady' | 'usual'>('usual');
  const settled = useDeferredValue(tried);
  const changed = useMemo(() => cardTried(card, settled), [card, settled]);
  const seed = hand === 'usual' ? SEED : undefined;
  const { wall, state } = useFilm(site.request, changed, seed, system);
  const plain = useFilm(site.request, card, seed, system);
  const film = state.kind === 'done' ? state.film : undefined;
  const before = plain.state.kind === 'done' ? plain.state.film : undefined;
  const change = (next: Partial<Tried>) => setTried({ ...tried, ...next });
  const isOwn = tried === own;
  const row = (name: string, now: string | undefined, was: string | undefined) => (
    <View key={name} className="flex-row justify-between gap-3 border-b border-rule py-1">
      <Words className="min-w-0 flex-1">{name}</Words>
      <Words weight="semi">{now ?? '…'}</Words>
      <Words colour="ink2" className="w-[96px] text-right">
        {was ?? '…'}
      </Words>
    </View>
  );
  return (
    <Beside
      left={
        <View className="gap-3" testID="try-film">
          <View>
            <Words size={14} weight="semi" colour="wet">
              Mean wet film, tried
            </Words>
            {film ? (
              <BigNumber value={film.statistics.mean} kind="wetFilm" size={64} colour="wet" />
            ) : (
              <Skeleton rows={1} height={64} />
            )}
            <Words colour="ink2">{`Wanted: ${showText(card.wetFilm.value, 'wetFilm', system)}.`}</Words>
          </View>
          {state.kind === 'refused' ? (
            <ErrorState title="This cannot be sprayed" text={state.message} />
          ) : null}
          {film && wall ? <FilmPicture wall={wall} film={film} passes={false} /> : null}
          {film ? <Legend bands={shownBands(film)} /> : null}
        </View>
      }
      right={
        <>
          <Panel title="Try" testID="try">
            <Slider
              label="Lap"
              value={tried.overlap}
              min={0}
              max={0.75}
              step={0.01}
              text={`${showText(tried.overlap, 'percent', system)} of the fan`}
              onChange={(overlap) => change({ overlap })}
            />
            <Slider
              label="Gun speed"
              value={tried.gunSpeed}
              min={0.15}
              max={1.5}
              step={0.01}
              text={showText(tried.gunSpeed, 'speed', system)}
              onChange={(gunSpeed) => change({ gunSpeed })}
            />
            <Slider
              label="Gun distance"
              value={tried.distance}
              min={0.1}
              max={0.6}
              step={0.01}
              text={showText(tried.distance, 'distance', system)}
              onChange={(distance) => change({ distance })}
            />
            <Segmented
              label="Hand"
              value={hand}
              options={[
                { value: 'usual', label: 'A usual hand' },
                { value: 'steady', label: 'A steady hand' },
              ]}
              onChange={setHand}
            />
            <Button label="As on the card" disabled={isOwn} onPress={() => setTried(own)} />
          </Panel>
          <Panel title="Tried, and as on the card">
            <View>
              {FIGURES.map(([name, kind, of]) => {
                const text = (one: FilmPictureData | undefined) =>
                  one && showText(of(one.statistics), kind, system);
                return row(name, text(film), text(before));
              })}
              {row(
                'Passes',
                wall && String(wall.plan.passes.length),
                plain.wall && String(plain.wall.plan.passes.length),
              )}
            </View>
            <Words size={14} colour="ink2">
              A plan, not a measurement: the comb on the wet film tells. Nothing of this changes the card.
            </Words>
          </Panel>
        </>
      }
    />
  );
}
