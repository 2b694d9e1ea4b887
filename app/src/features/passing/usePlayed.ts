import { useEffect, useRef, useState } from 'react';
import { wantsStill } from '@/ui/motion';

export const PACES = [1, 4, 16] as const;
export type Pace = (typeof PACES)[number];

/**
 * A time line that can be played: where it is, whether it runs and how fast. It stops at its end, and begins anew from there. Nothing runs
 * by itself where no motion is wanted.
 * @param length s
 */
export function usePlayed(length: number) {
  const [time, setTime] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [pace, setPace] = useState<Pace>(4);
  const last = useRef<number>(undefined);
  const now = Math.min(time, length);
  useEffect(() => {
    if (!playing) return undefined;
    let frame = requestAnimationFrame(function next(at) {
      const passed = last.current === undefined ? 0 : (at - last.current) / 1000;
      last.current = at;
      setTime((before) => Math.min(length, before + passed * pace));
      frame = requestAnimationFrame(next);
    });
    return () => {
      cancelAnimationFrame(frame);
      last.current = undefined;
    };
  }, [playing, pace, length]);
  useEffect(() => {
    if (playing && now >= length) setPlaying(false);
  }, [playing, now, length]);
  return {
    time: now,
    playing: playing && now < length,
    pace,
    setPace,
    /** Goes to a moment and stays there. */
    to: (moment: number) => {
      setPlaying(false);
      setTime(Math.min(length, Math.max(0, moment)));
    },
    toggle: () => {
      if (now >= length) setTime(0);
      setPlaying((on) => now >= length || !on);
    },
    /** No motion is wanted: passes are gone through one by one. */
    still: wantsStill(),
  };
}

export type Played = ReturnType<typeof usePlayed>;
