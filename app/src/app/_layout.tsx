import '../../global.css';
import Mono500 from '@expo-google-fonts/atkinson-hyperlegible-mono/500Medium/AtkinsonHyperlegibleMono_500Medium.ttf';
import Mono700 from '@expo-google-fonts/atkinson-hyperlegible-mono/700Bold/AtkinsonHyperlegibleMono_700Bold.ttf';
import Next400 from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf';
import Next600 from '@expo-google-fonts/atkinson-hyperlegible-next/600SemiBold/AtkinsonHyperlegibleNext_600SemiBold.ttf';
import Next700 from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf';
import { QueryClientProvider } from '@tanstack/react-query';
import { useFonts } from 'expo-font';
import { Slot } from 'expo-router';
import { useEffect, useState } from 'react';
import { device } from '@/data/device';
import { keepQueries } from '@/data/keptQueries';
import { makeQueryClient } from '@/data/resources';
import { Strip, fetchScreens } from '@/features/screens';
import { Shell } from '@/ui/shell';
import { Skeleton } from '@/ui/states';
import { ThemeProvider } from '@/ui/theme/theme';
import { ToastProvider } from '@/ui/toast';
import { UnitsProvider } from '@/ui/units';

export default function Layout() {
  const [client] = useState(makeQueryClient);
  // Text is shown in the system's font until ours are read; nothing waits for them.
  useFonts({ Next400, Next600, Next700, Mono500, Mono700 });
  // What this device last saw comes first: everything opens without the server.
  const [kept, setKept] = useState(false);
  useEffect(() => void keepQueries(client, device).then(() => setKept(true)), [client]);
  // The other screens are fetched once the first one stands: read before, they would hold it up on a slow phone.
  const [stands, setStands] = useState(false);
  useEffect(() => {
    if (!kept) return undefined;
    const timer = setTimeout(() => setStands(true), 200);
    return () => clearTimeout(timer);
  }, [kept]);
  useEffect(() => {
    if (stands) fetchScreens();
  }, [stands]);
  return (
    <QueryClientProvider client={client}>
      <ThemeProvider>
        <UnitsProvider>
          <ToastProvider>
            <Shell strip={stands ? <Strip /> : null}>{kept ? <Slot /> : <Skeleton rows={5} />}</Shell>
          </ToastProvider>
        </UnitsProvider>
      </ThemeProvider>
    </QueryClientProvider>
  );
}
