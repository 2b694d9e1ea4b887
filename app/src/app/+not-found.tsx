import { ErrorState } from '@/ui/states';
import { Screen } from '@/ui/screen';

export default function NotFound() {
  return (
    <Screen title="Not here" backTo="/">
      <ErrorState title="There is nothing at this address" text="Go back to the jobs." />
    </Screen>
  );
}
