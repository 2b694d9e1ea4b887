export { PassStill } from './PassStill';
export { PassScreen } from './PassScreen';
