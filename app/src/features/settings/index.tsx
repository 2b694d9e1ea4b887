import { fetchedLater } from '@/ui/lazy';
import { Screen } from '@/ui/screen';
import { Skeleton } from '@/ui/states';

export const SettingsScreen = fetchedLater(
  async () => (await import('./SettingsScreen')).SettingsScreen,
  <Screen title="Settings">
    <Skeleton />
  </Screen>,
);
