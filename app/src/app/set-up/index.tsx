import { QuickSetup } from '@/features/screens';

export default QuickSetup;
