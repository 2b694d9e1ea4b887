import { QuickSetup } from '@/features/surface';

export default QuickSetup;
