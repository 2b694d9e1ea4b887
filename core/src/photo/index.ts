export { GOOD_SHOT, drawCardPicture, type GreyPicture, type Shot } from './picture';
export { readCardPicture, type CardReading, type FanEnds, type PicturePoint } from './readPicture';
