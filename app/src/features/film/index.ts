export { FilmPicture, Legend, shownBands } from './FilmPicture';
export { FilmSheet } from './FilmSheet';
export { useFilm } from './useFilm';
