import { BookScreen } from '@/features/screens';

export default BookScreen;
