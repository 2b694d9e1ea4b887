export { CaptureScreen } from './CaptureScreen';
export { combed, lastComb } from './combed';
export { cardsOf } from './cards';
export { abrasionOf, finishedCoat, startedCoat, tipInGun, type CaptureContext } from './defaults';
export { useStation } from './useStation';
export { LogScreen } from './LogScreen';
