import { KitScreen } from '@/features/screens';

export default KitScreen;
