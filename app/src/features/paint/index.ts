export { PaintCheckScreen } from './PaintCheckScreen';
