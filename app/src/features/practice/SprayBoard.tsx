import { LiveFilm, type PracticeTarget, type Recording } from '@fine-spray/core/practice';
import { beatFor } from '@fine-spray/core/film';
import { boxOf } from '@fine-spray/core/shape';
import { quantity, show, showBeside, showText } from '@fine-spray/core/units';
import Coffee from 'lucide-react-native/icons/coffee';
import Metronome from 'lucide-react-native/icons/metronome';
import RotateCcw from 'lucide-react-native/icons/rotate-ccw';
import Undo from 'lucide-react-native/icons/undo-2';
import {
  createElement,
  startTransition,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
} from 'react';
import { View } from 'react-native';
import { idle, inTurns } from '@/data/turns';
import { Watched } from '@/data/watched';
import { useAwake } from '@/ui/awake';
import { canSound, canVibrate, useBeat } from '@/ui/beat';
import { Beside } from '@/ui/beside';
import { Button } from '@/ui/button';
import { usePreference } from '@/ui/preference';
import { Segmented } from '@/ui/segmented';
import { Slider } from '@/ui/slider';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { TickRow } from '@/ui/tickRow';
import { useUnits } from '@/ui/units';
import { FilmCanvases } from './FilmCanvases';
import { FilmLegend } from './FilmLegend';
import { rehearse } from './rehearse';
import { Spraying, type Canvases, type Ways } from './spraying';

/** A break that somebody takes, to see what it does to an edge, s. */
const BREAK = 300;
const DISTANCES = { min: 0.1, max: 0.6, step: 0.01 } as const;
/** Within this of the wanted speed it is right. */
const RIGHT = 0.12;

/** Slower than this a gun stands still, m/s. */
const STILL = 0.02;

const speedWord = (speed: number, wanted: number): string =>
  speed < wanted * (1 - RIGHT) ? 'faster' : speed > wanted * (1 + RIGHT) ? 'slower' : 'right';

/** A piece to spray with a finger, a mouse, a pen or keys; the film comes as it is laid. */
export function SprayBoard({
  target,
  onDone,
}: {
  target: PracticeTarget;
  onDone: (recording: Recording) => void;
}) {
  const begun = useMemo(() => LiveFilm.begin(target), [target]);
  if (!begun.ok) return <ErrorState title="Nothing to spray here" text={begun.message} />;
  return <Board target={target} film={begun.value} onDone={onDone} />;
}

/** Strokes so far, and how fast the last one was, m/s. */
interface Strokes {
  readonly count: number;
  readonly speed: number | undefined;
}
const NO_STROKES: Strokes = { count: 0, speed: undefined };

/** Text in it moves nothing else on the page: a layout of all of it for each speed would cost a picture of the film. */
const CONTAINED = {
  display: 'inline-block',
  contain: 'strict',
  height: '1.25em',
  lineHeight: '1.25em',
  verticalAlign: 'bottom',
  whiteSpace: 'nowrap',
} as const;

/**
 * How fast the gun moves. It is told many times a second and written into the page as it is: a turn of React for each costs a slow
 * phone a picture of the film.
 */
function SpeedLine({ now, wanted }: { now: Watched<number | undefined>; wanted: number }) {
  const { system } = useUnits();
  const digits = useRef<HTMLSpanElement>(null);
  const beside = useRef<HTMLSpanElement>(null);
  const word = useRef<HTMLSpanElement>(null);
  const { unit } = show(wanted, 'speed', system);
  useEffect(() => {
    const said = showText(wanted, 'speed', system);
    const into = ({ current: span }: typeof word, text: string) => {
      if (span) span.textContent = text;
    };
    const write = () => {
      const speed = now.current();
      const moves = speed !== undefined && speed >= STILL;
      into(digits, show(speed ?? 0, 'speed', system).number);
      into(beside, showBeside(speed ?? 0, 'speed', system));
      into(word, moves ? `${speedWord(speed, wanted)}: ${said}` : `wanted ${said}`);
    };
    write();
    return now.subscribe(write);
  }, [now, wanted, system, digits, beside, word]);
  const written = (ref: typeof word, width: string, textAlign: 'left' | 'right' = 'left') =>
    createElement('span', { ref, style: { ...CONTAINED, width, textAlign } });
  return (
    <View className="flex-row flex-wrap items-baseline justify-between gap-x-3" testID="spray-speed">
      <View>
        <View className="flex-row items-baseline gap-1">
          <Words size={44} weight="digits-bold" colour="wet">
            {written(digits, '4ch')}
          </Words>
          <Words size={22} weight="semi" colour="wet">
            {unit}
          </Words>
        </View>
        <Words size={14} colour="ink2">
          {written(beside, '12ch')}
        </Words>
      </View>
      <Words weight="semi">{written(word, '16ch', 'right')}</Words>
    </View>
  );
}

/** How many strokes there are, and what the last one was like: read out, too. */
function StrokeLine({ told, passes, wanted }: { told: Watched<Strokes>; passes: number; wanted: number }) {
  const { system } = useUnits();
  const { count, speed } = useSyncExternalStore(told.subscribe, told.current, told.current);
  if (count === 0) return `${passes} ${passes === 1 ? 'pass' : 'passes'} planned. Begin off the piece.`;
  if (speed === undefined) return `Stroke ${count} of about ${passes}.`;
  const word = speedWord(speed, wanted);
  return `Stroke ${count} of about ${passes}: ${showText(speed, 'speed', system)}, ${word === 'right' ? 'right' : `go ${word}`}.`;
}

const areThere = (canvases: {
  readonly [Name in keyof Canvases]: Canvases[Name] | null;
}): canvases is Canvases => Object.values(canvases).every((one) => one !== null);

/** How somebody holds the gun; switches are remembered on this device. */
function useWays(target: PracticeTarget) {
  const first = target.wall.job.strokes[0]?.points[0];
  const [distance, setDistance] = useState<number>(target.settings.distance);
  const [fan, setFan] = useState<Ways['fan']>(first && first.orientation === 0 ? 'level' : 'upright');
  const [wrist, setWrist] = usePreference<Ways['wrist']>('practice-wrist', 'locked', ['locked', 'swings']);
  const [triggerBy, setTriggerBy] = usePreference<Ways['triggerBy']>('practice-trigger', 'finger', [
    'finger',
    'second',
  ]);
  const [ghost, setGhost] = usePreference<'on' | 'off'>('practice-ghost', 'on', ['on', 'off']);
  const ways = useMemo(
    (): Ways => ({ distance, fan, wrist, triggerBy, ghost: ghost === 'on' }),
    [distance, fan, wrist, triggerBy, ghost],
  );
  return { ways, setDistance, setFan, setWrist, setTriggerBy, setGhost };
}

function Board({
  target,
  film,
  onDone,
}: {
  target: PracticeTarget;
  film: LiveFilm;
  onDone: (recording: Recording) => void;
}) {
  const { system } = useUnits();
  const { palette } = useTheme();
  const { ways, setDistance, setFan, setWrist, setTriggerBy, setGhost } = useWays(target);
  const surface = useRef<HTMLDivElement>(null);
  const below = useRef<HTMLCanvasElement>(null);
  const above = useRef<HTMLCanvasElement>(null);
  const upmost = useRef<HTMLCanvasElement>(null);
  const spraying = useRef<Spraying>(undefined);
  // Told to the line that shows it, and to nothing else of the screen.
  const [speed] = useState(() => new Watched<number | undefined>(undefined));
  const [strokes] = useState(() => new Watched(NO_STROKES));
  const [some, setSome] = useState(false);
  const [full, setFull] = useState(false);
  const now = useRef({ ways, palette });
  now.current = { ways, palette };
  useAwake();

  useEffect(() => {
    const div = surface.current;
    const canvases = { film: below.current, standing: above.current, moving: upmost.current };
    if (!div || !areThere(canvases)) return undefined;
    const { ways, palette } = now.current;
    // Until somebody begins.
    const begun = new AbortController();
    inTurns(rehearse(target, ways, palette), begun.signal, idle).catch(() => undefined);
    const made = new Spraying(target, film, canvases, ways, palette, {
      onSpeed: (now) => {
        begun.abort();
        speed.set(now);
      },
      onStrokes: (count, last) => {
        strokes.set({ count, speed: last });
        // Buttons can wait for a picture of the film.
        startTransition(() => setSome(count > 0));
      },
      onFull: () => setFull(true),
      onDistance: (factor) =>
        setDistance((distance) =>
          Math.min(DISTANCES.max, Math.max(DISTANCES.min, Math.round(distance * factor * 1000) / 1000)),
        ),
    });
    spraying.current = made;
    const leave = made.attach(div);
    return () => {
      begun.abort();
      leave();
    };
  }, [target, film, setDistance, below, above, upmost, speed, strokes]);
  useEffect(() => spraying.current?.hold(ways), [ways]);
  useEffect(() => spraying.current?.paintWith(palette), [palette]);

  const { grid } = film.simulation;
  const wanted = target.settings.gunSpeed;
  const passes = target.wall.plan.passes.length;
  const { left, right } = boxOf(target.wall.piece.outline);
  const beat = beatFor(quantity(Math.max(0.3, right - left)), quantity(wanted), system);
  const beating = useBeat(beat.ok ? beat.value.interval : 1, beat.ok ? beat.value.beats : 1, {
    sound: canSound(),
    vibration: canVibrate(),
  });
  const board = (
    <View className="gap-2">
      <SpeedLine now={speed} wanted={wanted} />
      {createElement(
        'div',
        {
          ref: surface,
          tabIndex: 0,
          role: 'application',
          'aria-label':
            'The piece. Arrow keys move the gun at the wanted speed, hold the space bar to spray. With a finger or a mouse: press and move.',
          'data-testid': 'spray-surface',
          style: {
            position: 'relative',
            touchAction: 'none',
            userSelect: 'none',
            cursor: 'crosshair',
            paddingBottom: 44,
            maxWidth: `${(62 * grid.columns) / grid.rows}vh`,
          },
        },
        <FilmCanvases below={below} above={[above, upmost]} columns={grid.columns} rows={grid.rows} />,
      )}
      <Words role="status" testID="spray-stroke">
        {full ? (
          'As much as can be recorded: look at it, or start over.'
        ) : (
          <StrokeLine told={strokes} passes={passes} wanted={wanted} />
        )}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        <Button
          label="Take back"
          icon={Undo}
          disabled={!some}
          className="flex-1"
          onPress={() => {
            spraying.current?.undo();
            setFull(false);
          }}
        />
        <Button
          label="Start over"
          icon={RotateCcw}
          disabled={!some}
          className="flex-1"
          onPress={() => {
            spraying.current?.begin({ strokes: [] });
            setFull(false);
          }}
        />
      </View>
      <Button
        label="Look at the film"
        kind="primary"
        className="min-h-[56px]"
        disabled={!some}
        onPress={() => spraying.current && onDone(spraying.current.recording())}
      />
    </View>
  );
  const ways1 = (
    <View className="gap-3">
      <Slider
        label="Gun distance"
        value={ways.distance}
        {...DISTANCES}
        text={`${showText(ways.distance, 'distance', system)} of ${showText(target.settings.distance, 'distance', system)}`}
        onChange={setDistance}
      />
      <Segmented
        label="Fan"
        value={ways.fan}
        options={[
          { value: 'upright', label: 'Fan upright' },
          { value: 'level', label: 'Fan level' },
        ]}
        onChange={setFan}
      />
      <Segmented
        label="Wrist"
        value={ways.wrist}
        options={[
          { value: 'locked', label: 'Wrist locked' },
          { value: 'swings', label: 'Wrist swings' },
        ]}
        onChange={setWrist}
      />
      <Segmented
        label="Trigger"
        value={ways.triggerBy}
        options={[
          { value: 'finger', label: 'Pull by touching' },
          { value: 'second', label: 'By a second finger' },
        ]}
        onChange={setTriggerBy}
      />
      <TickRow
        label="Planned passes to follow"
        on={ways.ghost}
        onPress={() => setGhost(ways.ghost ? 'off' : 'on')}
      />
      <View className="flex-row flex-wrap gap-2">
        <Button
          label={beating.running ? 'Stop the beat' : 'Beat of the speed'}
          icon={Metronome}
          onPress={beating.toggle}
        />
        <Button
          label="Break of 5 minutes"
          icon={Coffee}
          disabled={!some}
          onPress={() => spraying.current?.rest(BREAK)}
        />
      </View>
      {beating.running && beating.count !== undefined ? (
        <Words weight="bold" aria-hidden>
          {`Beat ${(beating.count % (beat.ok ? beat.value.beats : 1)) + 1}`}
        </Words>
      ) : null}
      <FilmLegend />
    </View>
  );
  return <Beside left={board} right={ways1} />;
}
