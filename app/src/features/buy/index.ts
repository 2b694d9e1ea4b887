export { BuyScreen } from './BuyScreen';
export { usePurchase } from './usePurchase';
