export { OfferScreen } from './OfferScreen';
export { OffersScreen } from './OffersScreen';
export { BlockRows } from './BlockRows';
export { PaymentRows } from './PaymentRows';
