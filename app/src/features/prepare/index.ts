export { PrepareScreen } from './PrepareScreen';
export { useToPrepare } from './useToPrepare';
