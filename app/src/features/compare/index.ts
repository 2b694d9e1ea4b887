export { SetUpsSheet } from './SetUpsSheet';
export { SystemsSheet } from './SystemsSheet';
