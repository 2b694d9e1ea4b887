import { PracticeScreen } from '@/features/screens';

export default PracticeScreen;
