import {
  wallFilm,
  type SetupCard,
  type SetupRequest,
  type UnitSystem,
  type WallFilm,
} from '@fine-spray/core';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { FilmReport, FilmRequest } from '@/workers/film.worker';
import type { FilmPictureData } from '@/workers/filmBands';

export type FilmState =
  | { readonly kind: 'working'; readonly share: number }
  | { readonly kind: 'done'; readonly film: FilmPictureData }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'refused'; readonly message: string };

/** Starts the worker that lays the film. */
export type StartFilmWorker = () => Worker;

const startWorker: StartFilmWorker = () =>
  new Worker(new URL('../../workers/film.worker', window.location.href));

/**
 * The film a card lays on its surface, worked out in a worker: its progress, its end, and a way to stop it. A new card
 * or hand ends the run before.
 */
export function useFilm(
  request: SetupRequest,
  card: SetupCard,
  seed: number | undefined,
  system: UnitSystem,
  start: StartFilmWorker = startWorker,
): { wall: WallFilm | undefined; state: FilmState; stop: () => void; again: () => void } {
  const planned = useMemo(() => wallFilm(request, card, seed, system), [request, card, seed, system]);
  const [state, setState] = useState<FilmState>({ kind: 'working', share: 0 });
  const [run, setRun] = useState(0);
  const [worker, setWorker] = useState<Worker>();
  const wanted = card.wetFilm.value;
  useEffect(() => {
    if (!planned.ok) {
      setState({ kind: 'refused', message: planned.message });
      return undefined;
    }
    setState({ kind: 'working', share: 0 });
    const laying = start();
    setWorker(laying);
    laying.onmessage = ({ data }: MessageEvent<FilmReport>) => {
      if (data.kind === 'progress') setState({ kind: 'working', share: data.share });
      else if (data.kind === 'done') setState({ kind: 'done', film: data.film });
      else setState({ kind: 'refused', message: data.refusal.message });
    };
    laying.onerror = () =>
      setState({ kind: 'refused', message: 'The film could not be worked out on this device.' });
    const order: FilmRequest = { job: planned.value.job, wanted };
    laying.postMessage(order);
    return () => laying.terminate();
  }, [planned, wanted, run, start]);
  const stop = useCallback(() => {
    worker?.terminate();
    setState({ kind: 'stopped' });
  }, [worker]);
  const again = useCallback(() => setRun((count) => count + 1), []);
  return { wall: planned.ok ? planned.value : undefined, state, stop, again };
}
