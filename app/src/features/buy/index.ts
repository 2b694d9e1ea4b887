export { BuyScreen } from './BuyScreen';
export { moneyText } from './money';
export { usePurchase, type StartPurchaseWorker } from './usePurchase';
