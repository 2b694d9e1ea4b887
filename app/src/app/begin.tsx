import { BeginScreen } from '@/features/screens';

export default BeginScreen;
