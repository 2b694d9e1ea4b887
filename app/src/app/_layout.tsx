import '../../global.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { Slot, usePathname } from 'expo-router';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { gate } from '@/data/gate';
import { useLastSeen, useTapsOfBefore } from '@/data/lastSeen';
import { hasOpened, opening, pageClient } from '@/data/opening';
import { whenSettled } from '@/data/settled';
import { SetupComing, SignInScreen, Strip, fetchScreens } from '@/features/screens';
import { Shell } from '@/ui/shell';
import { Skeleton } from '@/ui/states';
import { ThemeProvider } from '@/ui/theme/theme';
import { ToastProvider } from '@/ui/toast';
import { UnitsProvider } from '@/ui/units';

/** Screens that need nobody: the way in, and the emergency card. */
const OPEN = new Set(['/sign-in', '/emergency']);

/** The screen of the address; where the server lets nobody in, how to get in. The emergency card is for everyone. */
function Screens({ stands }: { stands: boolean }) {
  const shut = useSyncExternalStore(gate.subscribe, gate.current, gate.current);
  const path = usePathname();
  useLastSeen(path, stands && !shut);
  return shut && !OPEN.has(path) ? <SignInScreen /> : <Slot />;
}

/** What this device last saw is on its way. */
function Coming() {
  const path = usePathname();
  return path === '/set-up' ? <SetupComing /> : <Skeleton rows={5} />;
}

export default function Layout() {
  useTapsOfBefore();
  // What this device last saw comes first: everything opens without the server.
  const [kept, setKept] = useState(hasOpened);
  useEffect(() => void opening.then(() => setKept(true)), []);
  // The other screens are fetched once the first one stands: read before, they would hold it up on a slow phone.
  const [stands, setStands] = useState(false);
  useEffect(() => (kept ? whenSettled(pageClient, () => setStands(true)) : undefined), [kept]);
  useEffect(() => {
    if (stands) void fetchScreens();
  }, [stands]);
  return (
    <QueryClientProvider client={pageClient}>
      <ThemeProvider>
        <UnitsProvider>
          <ToastProvider>
            <Shell strip={stands ? <Strip /> : null}>{kept ? <Screens stands={stands} /> : <Coming />}</Shell>
          </ToastProvider>
        </UnitsProvider>
      </ThemeProvider>
    </QueryClientProvider>
  );
}
