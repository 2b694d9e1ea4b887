export { FilmSheet } from './FilmSheet';
