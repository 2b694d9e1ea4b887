export { TipStanding } from './TipStanding';
export { WearScreen } from './WearScreen';
