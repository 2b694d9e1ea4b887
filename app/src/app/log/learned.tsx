import { LearnedScreen } from '@/features/screens';

export default LearnedScreen;
