export { CaptureScreen } from './CaptureScreen';
export { LogScreen } from './LogScreen';
