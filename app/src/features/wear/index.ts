export { WearScreen } from './WearScreen';
