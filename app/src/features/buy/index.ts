export { BuyScreen } from './BuyScreen';
export { useOrders } from './useOrders';
export { usePurchase } from './usePurchase';
