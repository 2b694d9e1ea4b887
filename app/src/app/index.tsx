import { JobList } from '@/features/jobs';

export default JobList;
