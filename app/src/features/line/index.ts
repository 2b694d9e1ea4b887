export { LineScreen } from './LineScreen';
export { lineRequest } from './lineRequest';
export { pumpFor } from './pumpFor';
