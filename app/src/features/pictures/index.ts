export { AddPictures } from './AddPictures';
export { LogPicture } from './LogPicture';
export { PictureEntry } from './PictureEntry';
export { pictureEntries, usePictures, type FormPictures } from './usePictures';
