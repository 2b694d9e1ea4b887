export { AreaLines } from './AreaLines';
export { OverrideField } from './OverrideField';
