export { EMERGENCY_CARD } from './emergency';
export { PRECEDENCE_NOTE, cautionsFor, type Caution, type CautionContext } from './cautions';
