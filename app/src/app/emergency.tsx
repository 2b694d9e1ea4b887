import { EmergencyScreen } from '@/features/emergency';

export default EmergencyScreen;
