import { useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useKept } from '@/data/kept';
import { useAwake } from '@/ui/awake';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import { useVoice } from '@/ui/voice';
import { VoiceLine } from '@/ui/voiceLine';
import { meanOf } from '@fine-spray/contract';

/** Readings that fit on one check. */
const MOST = 9;
/** Readings further apart than this share of their mean were not of one paint, or not of one thumb. */
const APART = 0.1;

/** What the watch hears. A word takes a moment to be heard: of a long cup time that is little. */
const SPOKEN = ['start', 'stop'];

const half = (seconds: number) => (Math.round(seconds * 2) / 2).toFixed(1);

/** A cup that runs longer than this was forgotten, ms: no cup time is over ten minutes. */
const FORGOTTEN = 600_000;

/** When a stopwatch was started, ms since 1970; nothing of one that nobody stopped. */
const readStart = (stored: unknown): number | undefined =>
  typeof stored === 'number' && stored <= Date.now() && Date.now() - stored < FORGOTTEN ? stored : undefined;

/**
 * A stopwatch for one thumb: one large button, started when the cup clears, stopped when the stream breaks. It runs on behind another
 * screen, and on a phone that locks.
 */
export function Stopwatch({
  label,
  of,
  readings,
  onChange,
  listens = true,
  now = () => Date.now(),
}: {
  label: string;
  /** What is timed: its start is kept on this device under that. */
  of: string;
  readings: readonly number[];
  onChange: (readings: readonly number[]) => void;
  /** It is this one that is spoken to. */
  listens?: boolean;
  now?: () => number;
}) {
  const [started, setStarted] = useKept<number | undefined>(`stopwatch ${of} ${label}`, readStart, undefined);
  const [, setTick] = useState(0);
  const running = started !== undefined;
  useAwake(running);
  useEffect(() => {
    if (!running) return undefined;
    const timer = setInterval(() => setTick((tick) => tick + 1), 100);
    return () => clearInterval(timer);
  }, [running]);
  function press() {
    if (started === undefined) {
      setStarted(now());
      return;
    }
    const seconds = (now() - started) / 1000;
    setStarted(undefined);
    if (seconds >= 2) onChange([...readings, Math.round(seconds * 10) / 10].slice(-MOST));
  }
  const voice = useVoice(
    SPOKEN,
    (word) => {
      if ((word === 'stop') === running) press();
    },
    listens,
  );
  const spread = readings.length > 1 ? (Math.max(...readings) - Math.min(...readings)) / meanOf(readings) : 0;
  return (
    <View className="gap-2" role="group" aria-label={label}>
      <Pressable
        role="button"
        onPress={press}
        className={`min-h-[132px] items-center justify-center rounded-2xl border-4 px-4 ${running ? 'border-identity bg-identity-tint' : 'border-ink bg-sheet'}`}
      >
        <Words size={64} weight="digits-bold" testID={`${label} time`}>
          {running ? half((now() - started) / 1000) : readings.length > 0 ? half(meanOf(readings)) : '0.0'}
        </Words>
        <Words weight="bold">
          {running ? 'Stop when the stream breaks' : 'Start when the cup clears the paint'}
        </Words>
      </Pressable>
      <VoiceLine voice={voice} words={SPOKEN} />
      {readings.length > 0 ? (
        <View className="flex-row flex-wrap items-center gap-2">
          <Words className="min-w-0 flex-1">{`${readings.map(half).join(', ')} s. Mean ${half(meanOf(readings))}${readings.length > 1 ? `, ${Math.round(spread * 100)} % apart` : ', once more tells how sure'}.`}</Words>
          <Button label="Take the last off" kind="quiet" onPress={() => onChange(readings.slice(0, -1))} />
        </View>
      ) : null}
      {spread > APART ? (
        <Words colour="caution">
          Caution: the readings lie far apart. Stir, wait until bubbles are gone, and take another.
        </Words>
      ) : null}
    </View>
  );
}

/** A time read off another watch, put in by hand. */
export function TypedTime({ onAdd }: { onAdd: (seconds: number) => void }) {
  const [seconds, setSeconds] = useState(40);
  const step = (by: number) => setSeconds(Math.min(600, Math.max(2, seconds + by)));
  return (
    <View className="flex-row flex-wrap items-center gap-2">
      <Button label="−0.5" aria-label="−0.5, half a second less" onPress={() => step(-0.5)} />
      <Button label="−5" aria-label="−5, five seconds less" onPress={() => step(-5)} />
      <Words size={22} weight="digits-bold">{`${half(seconds)} s`}</Words>
      <Button label="+5" aria-label="+5, five seconds more" onPress={() => step(5)} />
      <Button label="+0.5" aria-label="+0.5, half a second more" onPress={() => step(0.5)} />
      <Button label="Add this time" onPress={() => onAdd(seconds)} />
    </View>
  );
}
