export { PlaceScreen } from './PlaceScreen';
export { newPlace, usePlaceActions } from './newPlace';
export { PlaceRows } from './PlaceRows';
