import { TodayScreen } from '@/features/screens';

export default TodayScreen;
