import {
  wallFilm,
  type SetupCard,
  type SetupRequest,
  type UnitSystem,
  type WallFilm,
} from '@fine-spray/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { runWorker, type StartWorker } from '@/data/worker';
import type { FilmReport, FilmRequest } from '@/workers/film.worker';
import type { FilmPictureData } from '@/workers/filmBands';

export type FilmState =
  | { readonly kind: 'working'; readonly share: number }
  | { readonly kind: 'done'; readonly film: FilmPictureData }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'refused'; readonly message: string };

const startWorker: StartWorker = () => new Worker(new URL('../../workers/film.worker', window.location.href));

/**
 * The film a card lays on its surface, worked out in a worker: its progress, its end, and a way to stop it. A new card
 * or hand ends the run before.
 */
export function useFilm(
  request: SetupRequest,
  card: SetupCard,
  seed: number | undefined,
  system: UnitSystem,
  start: StartWorker = startWorker,
): { wall: WallFilm | undefined; state: FilmState; stop: () => void; again: () => void } {
  const planned = useMemo(() => wallFilm(request, card, seed, system), [request, card, seed, system]);
  const [state, setState] = useState<FilmState>({ kind: 'working', share: 0 });
  const [run, setRun] = useState(0);
  const end = useRef<() => void>(undefined);
  const wanted = card.wetFilm.value;
  useEffect(() => {
    if (!planned.ok) {
      setState({ kind: 'refused', message: planned.message });
      return undefined;
    }
    setState({ kind: 'working', share: 0 });
    const order: FilmRequest = { job: planned.value.job, wanted };
    const take = (report: FilmReport) => {
      if (report.kind === 'progress') setState({ kind: 'working', share: report.share });
      else if (report.kind === 'done') setState({ kind: 'done', film: report.film });
      else setState({ kind: 'refused', message: report.refusal.message });
    };
    end.current = runWorker(start, order, take, () =>
      setState({ kind: 'refused', message: 'The film could not be worked out on this device.' }),
    );
    return end.current;
  }, [planned, wanted, run, start]);
  const stop = useCallback(() => {
    end.current?.();
    setState({ kind: 'stopped' });
  }, []);
  const again = useCallback(() => setRun((count) => count + 1), []);
  return { wall: planned.ok ? planned.value : undefined, state, stop, again };
}
