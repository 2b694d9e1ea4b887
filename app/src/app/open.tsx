import { OpenJobScreen } from '@/features/screens';

export default OpenJobScreen;
