export type { FilmSheetProps } from './FilmSheet';
export { LazyFilmSheet } from './LazyFilmSheet';
