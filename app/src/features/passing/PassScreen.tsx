import {
  counted,
  gunAt,
  mainPiece,
  passingOf,
  piecesOf,
  showText,
  stageAt,
  viewpointsOf,
  type DoorStands,
  type PieceGeometry,
  type RollingCrew,
  type SetupCard,
} from '@fine-spray/core';
import Pause from 'lucide-react-native/icons/pause';
import Play from 'lucide-react-native/icons/play';
import SkipBack from 'lucide-react-native/icons/skip-back';
import SkipForward from 'lucide-react-native/icons/skip-forward';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { Site } from '@/features/site';
import { Beside } from '@/ui/beside';
import { Button, IconButton } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { Panel } from '@/ui/panel';
import { Segmented } from '@/ui/segmented';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { PassPicture } from './PassPicture';
import { TimeLine, timeText } from './TimeLine';
import { PACES, usePlayed, type Pace } from './usePlayed';

/** Ordinals of coats, as many as anybody lays. */
const COATS = ['First coat', 'Second coat', 'Third coat', 'Fourth coat'];
/** What stands on the floor in its picture. */
const ON_FLOOR: ReadonlySet<string> = new Set(['wall', 'lapped-fence', 'door']);

/** How a surface is passed: its pieces in order, each pass played on its drawing. */
export function PassScreen({ site }: { site: Site }) {
  if (!site.card.ok) return <ErrorState title="No passes to draw" text={site.card.message} />;
  return <Passes site={site} card={site.card.value} />;
}

function Passes({ site, card }: { site: Site; card: SetupCard }) {
  const { request, place } = site;
  const { system } = useUnits();
  const [coat, setCoat] = useState(0);
  const [doors, setDoors] = useState<DoorStands>('racked');
  const [crew, setCrew] = useState<RollingCrew>('alone');
  const found = useMemo(
    () => passingOf(request, card, { coat, doors, crew, place }, system),
    [request, card, coat, doors, crew, place, system],
  );
  const passing = found.ok ? found.value : undefined;
  const played = usePlayed(passing?.time ?? 0);
  if (!passing) return <ErrorState title="No passes to draw" text={found.ok ? '' : found.message} />;
  const { index, within } = stageAt(passing, played.time);
  const stage = passing.stages[index];
  if (!stage) return null;
  const gun = gunAt(stage.passes, within, passing.gunSpeed);
  const pass = (gun?.pass ?? 0) + 1;

  /** To the start of the pass before or after the one that is on. */
  function step(by: 1 | -1) {
    const starts = (passing?.stages ?? []).flatMap(({ from, passes }) =>
      passes.map(({ start }) => from + start),
    );
    const hair = 0.01;
    const next =
      by > 0
        ? starts.find((start) => start > played.time + hair)
        : starts.findLast((start) => start < played.time - hair);
    played.to(next ?? (by > 0 ? (passing?.time ?? 0) : 0));
  }

  const name = `${stage.name} to scale: pass ${pass} of ${stage.passes.length}`;
  const picture = (
    <View className="gap-2 rounded-2xl border border-rule bg-sheet p-3" testID="passing">
      <View>
        <Words weight="semi" colour="ink2">
          {passing.stages.length > 1 ? `${index + 1} of ${passing.stages.length}` : 'All in one go'}
        </Words>
        <Words size={22} weight="bold" heading={2} aria-live="polite">
          {stage.name}
        </Words>
      </View>
      <PassPicture
        stage={stage}
        fan={passing.fanWidth}
        gun={gun}
        name={name}
        feet={ON_FLOOR.has(request.element)}
      />
      <View className="flex-row items-baseline justify-between">
        <Words weight="semi">{`Pass ${pass} of ${stage.passes.length}`}</Words>
        <Words>{`${timeText(played.time)} of ${timeText(passing.time)}`}</Words>
      </View>
      <TimeLine passing={passing} time={played.time} onTo={played.to} />
      <View className="flex-row items-center gap-2">
        <IconButton icon={SkipBack} name="Pass before" onPress={() => step(-1)} />
        {played.still ? (
          <Button label="Next pass" kind="primary" className="flex-1" onPress={() => step(1)} />
        ) : (
          <Button
            label={played.playing ? 'Stop' : 'Play'}
            icon={played.playing ? Pause : Play}
            kind="primary"
            className="flex-1"
            onPress={played.toggle}
          />
        )}
        <IconButton icon={SkipForward} name="Pass after" onPress={() => step(1)} />
      </View>
      {played.still ? null : (
        <Segmented
          label="Pace"
          value={String(played.pace)}
          options={PACES.map((one) => ({
            value: String(one),
            label: one === 1 ? 'As sprayed' : `${one} times`,
          }))}
          onChange={(value) => played.setPace(Number(value) as Pace)}
        />
      )}
      <Words size={14} colour="ink2">
        Ring: pull the trigger. Dot: let go, off the piece.
      </Words>
    </View>
  );
  const words = (
    <>
      <Panel title="How" testID="how">
        {stage.before ? (
          <Words weight="semi">
            {`Before: ${stage.before.text}${stage.before.time === undefined ? '' : ` About ${timeText(stage.before.time)}.`}`}
          </Words>
        ) : null}
        {stage.how.map((sentence) => (
          <Words key={sentence}>{sentence}</Words>
        ))}
        <Words>
          {stage.steps > 0
            ? `${counted(stage.steps, 'step', 'steps')} to the side in all: the feet go, the gun stays square.`
            : 'All of it within the arm: feet stay, the body turns.'}
        </Words>
        {stage.overReach > 0.05 ? (
          <Words>{`The top ${showText(stage.overReach, 'size', system)} is over reach from the floor: a platform or a longer gun, never a ladder with one hand on the gun.`}</Words>
        ) : null}
        {stage.alike > 1 ? <Words weight="semi">{`${stage.alike} alike, one after the other.`}</Words> : null}
        {card.coats > 1 && coat === 0 ? <Words>{passing.nextCoat}</Words> : null}
      </Panel>
      <Options
        {...{ site, card, coat, setCoat, doors, setDoors, crew, setCrew }}
        rolled={passing.rolled}
        place={place}
      />
      {passing.stages.length > 1 ? (
        <Panel title="In this order" testID="stages">
          {passing.stages.map(({ name: title, from, to }, place) => (
            <Button
              key={place}
              kind={place === index ? 'plain' : 'quiet'}
              label={`${place + 1}. ${title}, ${timeText(to - from)}`}
              className="self-start"
              onPress={() => played.to(from)}
            />
          ))}
        </Panel>
      ) : null}
      <Words size={14} colour="ink2">
        {`Passes and speed are those of the card; times are with the gun on the move, without ladders, masks and moving on.${mainPiece(request.geometry).openings.some(({ at }) => at === undefined) ? ' Openings stand evenly apart here: their places are not measured.' : ''}`}
      </Words>
    </>
  );
  return <Beside left={picture} right={words} />;
}

/** What can be done another way: the coat, how a door stands, who rolls, from where a ceiling is seen. */
function Options({
  site,
  card,
  coat,
  setCoat,
  doors,
  setDoors,
  crew,
  setCrew,
  rolled,
  place,
}: {
  site: Site;
  card: SetupCard;
  coat: number;
  setCoat: (coat: number) => void;
  doors: DoorStands;
  setDoors: (doors: DoorStands) => void;
  crew: RollingCrew;
  setCrew: (crew: RollingCrew) => void;
  rolled: boolean;
  place: Parameters<typeof viewpointsOf>[1];
}) {
  const { element, geometry } = site.request;
  const main = mainPiece(geometry);
  const views = element === 'ceiling' ? viewpointsOf(main, place) : [];
  const chosen = views.findIndex(({ at }) => {
    const { seenFrom } = main;
    return seenFrom !== undefined && Math.hypot(at.x - seenFrom.x, at.y - seenFrom.y) < 0.01;
  });
  const drawn = element === 'door' && piecesOf(geometry).length > 1;
  if (card.coats < 2 && views.length === 0 && !drawn && !rolled) return null;
  /** A ceiling seen from somewhere else: its passes are laid anew, on every screen. */
  function seenFrom(index: number) {
    const view = views[index];
    if (!view) return;
    const from = (piece: PieceGeometry) => (piece === main ? { ...piece, seenFrom: view.at } : piece);
    const next =
      geometry.shape === 'pieces'
        ? { ...geometry, pieces: geometry.pieces.map(from) }
        : geometry.shape === 'item'
          ? geometry
          : { ...geometry, seenFrom: view.at };
    site.setGeometry(next as Site['surface']['geometry'], `Seen from: ${view.name.toLowerCase()}.`);
  }
  return (
    <Panel title="Otherwise">
      {card.coats > 1 ? (
        <Segmented
          label="Coat"
          value={String(coat)}
          options={COATS.slice(0, card.coats).map((label, index) => ({ value: String(index), label }))}
          onChange={(value) => setCoat(Number(value))}
        />
      ) : null}
      {drawn ? (
        <Segmented
          label="Doors"
          value={doors}
          options={[
            { value: 'racked', label: 'In the rack' },
            { value: 'hung', label: 'In the frame' },
          ]}
          onChange={setDoors}
        />
      ) : null}
      {rolled ? (
        <Segmented
          label="Who rolls it in"
          value={crew}
          options={[
            { value: 'alone', label: 'Alone' },
            { value: 'two', label: 'One sprays, one rolls' },
          ]}
          onChange={setCrew}
        />
      ) : null}
      {views.length > 0 ? (
        <Choice
          label="Seen from"
          value={String(chosen < 0 ? views.findIndex(({ name }) => name === 'Left side') : chosen)}
          options={views.map(({ name }, index) => ({ value: String(index), label: name }))}
          onChange={(value) => seenFrom(Number(value))}
        />
      ) : null}
    </Panel>
  );
}
