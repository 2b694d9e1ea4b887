import { PeopleScreen } from '@/features/screens';

export default PeopleScreen;
