export { EmergencyScreen } from './EmergencyScreen';
