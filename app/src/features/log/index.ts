export { CaptureScreen } from './CaptureScreen';
export { LogScreen } from './LogScreen';
export { COMMON, OTHERS, isFormKind } from './tiles';
