import { useEffect, useRef, useState } from 'react';

/** What a beat is told by. */
export interface Told {
  readonly sound: boolean;
  readonly vibration: boolean;
}

/** Lengths and pitches of a click: the first of a stroke is higher, so that one hears where it begins. */
const CLICK = { first: 1320, other: 880, lasts: 0.06 } as const;
const BUZZ = { first: 90, other: 40 } as const;

function click(audio: AudioContext, first: boolean): void {
  const [tone, gain] = [audio.createOscillator(), audio.createGain()];
  const now = audio.currentTime;
  tone.frequency.value = first ? CLICK.first : CLICK.other;
  gain.gain.setValueAtTime(0.4, now);
  gain.gain.exponentialRampToValueAtTime(0.001, now + CLICK.lasts);
  tone.connect(gain).connect(audio.destination);
  tone.start(now);
  tone.stop(now + CLICK.lasts);
}

/**
 * A running beat: which one it is now, from 0; nothing while it stands still. By the clock, so that none is lost or late by the ones
 * before.
 * @param interval from beat to beat, s
 * @param beats of a stroke
 */
export function useBeat(interval: number, beats: number, told: Told) {
  const [running, setRunning] = useState(false);
  const [count, setCount] = useState<number>();
  const audio = useRef<AudioContext>(undefined);
  const now = useRef(told);
  now.current = told;
  useEffect(() => {
    if (!running) return undefined;
    const begun = performance.now();
    let at = 0;
    let timer: ReturnType<typeof setTimeout>;
    const next = () => {
      const first = at % beats === 0;
      setCount(at);
      if (now.current.sound && audio.current) click(audio.current, first);
      if (now.current.vibration) navigator.vibrate(first ? BUZZ.first : BUZZ.other);
      at += 1;
      timer = setTimeout(next, Math.max(0, begun + at * interval * 1000 - performance.now()));
    };
    next();
    return () => {
      clearTimeout(timer);
      setCount(undefined);
    };
  }, [running, interval, beats]);
  useEffect(() => () => void audio.current?.close(), []);
  return {
    running,
    count,
    toggle: () => {
      // A browser sounds only what a tap began.
      if ('AudioContext' in globalThis) audio.current ??= new AudioContext();
      setRunning(!running);
    },
  };
}

export const canSound = (): boolean => 'AudioContext' in globalThis;
export const canVibrate = (): boolean =>
  typeof (globalThis.navigator as Navigator | undefined)?.vibrate === 'function';
