export { SystemNotes } from './SystemNotes';
export { SystemSheet } from './SystemSheet';
export { SystemsScreen } from './SystemsScreen';
export { UnderLayers } from './UnderLayers';

export { useKeepSystem } from './useKeepSystem';
