import { KitScreen } from '@/features/kit';

export default KitScreen;
