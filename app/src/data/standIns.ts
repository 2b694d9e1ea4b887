import { useCompany } from './resources';

/** Whether this company has stand-ins of outside devices switched on; not while that is not known. */
export function useStandIns(): boolean {
  const { data } = useCompany();
  return data?.book?.standIns ?? false;
}
