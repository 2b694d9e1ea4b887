export { SystemNotes } from './SystemNotes';
export { SystemSheet } from './SystemSheet';
export { SystemsScreen } from './SystemsScreen';
export { UnderLayers } from './UnderLayers';
export { systemText } from './layers';
export { useKeepSystem } from './useKeepSystem';
