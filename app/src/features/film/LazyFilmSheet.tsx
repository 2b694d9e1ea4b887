import { fetchedLater } from '@/ui/lazy';
import type { FilmSheetProps } from './FilmSheet';

/** The film sheet, fetched when it is first opened: the simulation is not part of the first load. */
export const LazyFilmSheet = fetchedLater<FilmSheetProps>(
  async () => (await import('./FilmSheet')).FilmSheet,
  null,
);
