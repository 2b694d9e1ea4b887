export { BuyScreen } from './BuyScreen';
