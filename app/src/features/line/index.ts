export { LineScreen } from './LineScreen';
export { lineRequest } from './lineRequest';
