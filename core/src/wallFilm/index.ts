export { USUAL_HAND, passSettingsOf, wallFilm, type WallFilm } from './wallFilm';
