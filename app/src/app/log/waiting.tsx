import { WaitingScreen } from '@/features/screens';

export default WaitingScreen;
