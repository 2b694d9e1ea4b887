export { BuyScreen } from './BuyScreen';
export { usePurchase, type StartPurchaseWorker } from './usePurchase';
