import { fetchedLater } from '@/ui/lazy';
import { Screen } from '@/ui/screen';
import { Skeleton } from '@/ui/states';

export { newSurface } from './newSurface';

export const SurfaceScreen = fetchedLater(
  async () => (await import('./SurfaceScreen')).SurfaceScreen,
  <Screen title="Surface">
    <Skeleton rows={3} height={220} />
  </Screen>,
);

export const QuickSetup = fetchedLater(
  async () => (await import('./QuickSetup')).QuickSetup,
  <Screen title="Set-up" above="Without a job">
    <Skeleton rows={3} height={220} />
  </Screen>,
);
