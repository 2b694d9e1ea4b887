export { USUAL_HAND, wallFilm, type WallFilm } from './wallFilm';
