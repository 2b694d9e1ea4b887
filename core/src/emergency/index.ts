export {
  EMERGENCY_CARDS,
  EMERGENCY_IDS,
  EMERGENCY_PRECEDENCE,
  type EmergencyCard,
  type EmergencyId,
} from './cards';
