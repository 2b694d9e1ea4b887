import { JobList } from '@/features/home';

export default JobList;
