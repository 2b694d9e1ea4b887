import { NewJobScreen } from '@/features/screens';

export default NewJobScreen;
