export { BuyScreen } from './BuyScreen';
export { aboutText } from './money';
export { usePurchase, type StartPurchaseWorker } from './usePurchase';
