import {
  LiveFilm,
  cutThrough,
  filmUntil,
  lastsOf,
  momentsOf,
  replay,
  type CutPoint,
  type PracticeTarget,
  type Recording,
} from '@fine-spray/core/practice';
import { showText } from '@fine-spray/core/units';
import Pause from 'lucide-react-native/icons/pause';
import Play from 'lucide-react-native/icons/play';
import { createElement, useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Segmented } from '@/ui/segmented';
import { Slider } from '@/ui/slider';
import { Words } from '@/ui/text';
import { useTheme, type Palette } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';
import { CutChart } from './CutChart';
import { drawOver } from './drawGun';
import { FilmCanvases, fitted } from './FilmCanvases';
import { FilmLegend } from './FilmLegend';
import { paintCells, tonesOf, wholeBox } from './paintFilm';

/** Breaks longer than this are gone over, s. */
const LONGEST_BREAK = 3;

/** A film that is laid once more, up to a moment. */
class Replayed {
  private film: LiveFilm;
  private readonly moments: ReturnType<typeof momentsOf>;
  private next = 0;

  constructor(
    private readonly target: PracticeTarget,
    private readonly recording: Recording,
    film: LiveFilm,
  ) {
    this.film = film;
    this.moments = momentsOf(recording);
  }

  /** Goes to a moment: on from where it is, or anew where that lies before. */
  to(time: number): void {
    const now = this.moments[this.next - 1]?.gun.time ?? -Infinity;
    if (time < now) {
      const begun = filmUntil(this.target, this.recording, time);
      if (begun.ok) this.film = begun.value;
      this.next = this.after(time);
      return;
    }
    const until = this.after(time);
    replay(this.film, this.moments, this.next, until);
    this.next = until;
    this.film.pass(time);
  }

  /** The film along an upright line, m from the left. */
  cut(x: number): readonly CutPoint[] {
    return cutThrough(this.film, { x });
  }

  /** The moment after a break that is too long to be sat through. */
  afterBreak(time: number): number {
    const next = this.moments[this.next]?.gun.time;
    return next !== undefined && next - time > LONGEST_BREAK ? next : time;
  }

  draw(
    below: HTMLCanvasElement,
    above: HTMLCanvasElement,
    palette: Palette,
    ghost: boolean,
    cut: number,
  ): void {
    const { film } = this;
    const { columns, rows, cell } = film.simulation.grid;
    const flat = below.getContext('2d');
    const over = above.getContext('2d');
    if (!flat || !over) return;
    if (below.width !== columns) [below.width, below.height] = [columns, rows];
    const picture = new ImageData(columns, rows);
    paintCells(picture, film, tonesOf(palette), wholeBox(film));
    flat.putImageData(picture, 0, 0);
    const wide = fitted(above);
    const dense = above.width / (wide || above.width);
    const last = this.moments[this.next - 1];
    const sheet = {
      target: this.target,
      palette,
      scale: (wide || 1) / (columns * cell),
      height: rows * cell,
      wide,
    };
    drawOver(over, sheet, {
      gun: last ? { ...last.gun, open: last.trigger } : undefined,
      wanted: undefined,
      ghost: { shown: ghost, next: -1 },
      runs: film.runs(),
    });
    // Where it is cut through.
    const x = (cut / (columns * cell)) * above.width;
    over.setTransform(1, 0, 0, 1, 0, 0);
    over.strokeStyle = palette.ink;
    over.lineWidth = 2 * dense;
    over.setLineDash([2 * dense, 4 * dense]);
    over.beginPath();
    over.moveTo(x, 0);
    over.lineTo(x, above.height);
    over.stroke();
    over.setLineDash([]);
  }

  private after(time: number): number {
    const next = this.moments.findIndex(({ gun }) => gun.time > time);
    return next < 0 ? this.moments.length : next;
  }
}

/** What was sprayed once more, on a time line: the film grows as it did, beside the planned passes. */
export function Replay({
  target,
  recording,
  onClose,
}: {
  target: PracticeTarget;
  recording: Recording;
  onClose: () => void;
}) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const begin = recording.strokes[0]?.points[0]?.time ?? 0;
  const lasts = lastsOf(recording);
  const below = useRef<HTMLCanvasElement>(null);
  const above = useRef<HTMLCanvasElement>(null);
  const [time, setTime] = useState(begin);
  const [cutAt, setCutAt] = useState<number>(target.wall.job.width / 2);
  const [cut, setCut] = useState<readonly CutPoint[]>([]);
  const [playing, setPlaying] = useState(false);
  const [pace, setPace] = useState<'0.5' | '1' | '2'>('1');
  const replayed = useMemo(() => {
    const begun = LiveFilm.begin(target);
    return begun.ok ? new Replayed(target, recording, begun.value) : undefined;
  }, [target, recording]);
  useEffect(() => {
    if (!replayed || !below.current || !above.current) return;
    replayed.to(time);
    replayed.draw(below.current, above.current, palette, true, cutAt);
    setCut(replayed.cut(cutAt));
  }, [replayed, time, palette, cutAt]);
  useEffect(() => {
    if (!playing) return undefined;
    let last = performance.now();
    let frame = requestAnimationFrame(function turn(at) {
      const seconds = (Math.max(0, at - last) / 1000) * Number(pace);
      last = at;
      setTime((now) => {
        const next = Math.min(begin + lasts, (replayed?.afterBreak(now) ?? now) + seconds);
        if (next >= begin + lasts) setPlaying(false);
        return next;
      });
      frame = requestAnimationFrame(turn);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, pace, begin, lasts, replayed]);
  const { cell, width, height } = target.wall.job;
  return (
    <View className="gap-3" testID="replay">
      {createElement(
        'div',
        {
          role: 'img',
          'aria-label': 'What was sprayed, as it was laid',
          style: { maxWidth: `${(60 * width) / height}vh` },
        },
        <FilmCanvases
          below={below}
          above={[above]}
          columns={Math.round(width / cell)}
          rows={Math.round(height / cell)}
        />,
      )}
      <Slider
        label="Time"
        value={time}
        min={begin}
        max={begin + lasts}
        step={0.05}
        text={`${(time - begin).toFixed(1)} of ${lasts.toFixed(1)} s`}
        onChange={(next) => {
          setPlaying(false);
          setTime(next);
        }}
      />
      <View className="flex-row flex-wrap gap-2">
        <Button
          label={playing ? 'Stop' : 'Play'}
          icon={playing ? Pause : Play}
          kind="primary"
          className="min-h-[56px] flex-1"
          onPress={() => {
            if (!playing && time >= begin + lasts) setTime(begin);
            setPlaying(!playing);
          }}
        />
        <Button label="Back to the score" className="min-h-[56px]" onPress={onClose} />
      </View>
      <Segmented
        label="Pace"
        value={pace}
        options={[
          { value: '0.5', label: 'Half speed' },
          { value: '1', label: 'As it was' },
          { value: '2', label: 'Twice' },
        ]}
        onChange={setPace}
      />
      <Slider
        label="Cut through at"
        value={cutAt}
        min={0}
        max={width}
        step={0.01}
        text={showText(cutAt, 'size', system)}
        onChange={setCutAt}
      />
      <CutChart target={target} points={cut} />
      <Words size={14} colour="ink2">
        The dashed lines are the planned passes. Long breaks are gone over.
      </Words>
      <FilmLegend />
    </View>
  );
}
