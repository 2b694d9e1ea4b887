import { WearScreen } from '@/features/screens';

export default WearScreen;
