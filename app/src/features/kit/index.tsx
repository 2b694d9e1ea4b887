import { fetchedLater } from '@/ui/lazy';
import { Screen } from '@/ui/screen';
import { Skeleton } from '@/ui/states';

export const KitScreen = fetchedLater(
  async () => (await import('./KitScreen')).KitScreen,
  <Screen title="Kit">
    <Skeleton />
  </Screen>,
);

export const CoatingScreen = fetchedLater(
  async () => (await import('./CoatingScreen')).CoatingScreen,
  <Screen title="Coating" backTo="/kit">
    <Skeleton />
  </Screen>,
);
