import { useRouter } from 'expo-router';
import Check from 'lucide-react-native/icons/check';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useKit } from '@/data/kit';
import { useMay } from '@/data/may';
import { keys, useBatch, useCompany, useList } from '@/data/resources';
import { useQueryClient } from '@tanstack/react-query';
import { Button } from '@/ui/button';
import { useOneTap } from '@/ui/oneTap';
import { Screen } from '@/ui/screen';
import { Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useToast } from '@/ui/toast';
import { usualKit } from './usualKit';

/** One of the steps to the first answer. */
function Step({
  number,
  title,
  done,
  children,
}: {
  number: number;
  title: string;
  done: boolean;
  children: ReactNode;
}) {
  const { palette } = useTheme();
  return (
    <View className="flex-row gap-3 rounded-2xl border border-rule bg-sheet p-4">
      <View className="w-8 items-center pt-0.5" {...(done ? { role: 'img', 'aria-label': 'Done' } : {})}>
        {done ? (
          <Check size={22} color={palette.identity} aria-hidden />
        ) : (
          <Words size={22} weight="digits-bold">
            {number}
          </Words>
        )}
      </View>
      <View className="min-w-0 flex-1 gap-2">
        <Words size={18} weight="bold" heading={2}>
          {title}
        </Words>
        {children}
      </View>
    </View>
  );
}

/** An empty company on its way to its first answer: a kit, a set-up, a job. */
export function BeginScreen() {
  const { kit } = useKit();
  const jobs = useList('jobs');
  const company = useCompany();
  const mayKit = useMay('kit');
  const client = useQueryClient();
  const write = useBatch();
  const toast = useToast();
  const router = useRouter();
  const begin = useOneTap(async () => {
    try {
      await write(usualKit());
      for (const name of ['sprayers', 'hoses', 'coatings'] as const)
        await client.invalidateQueries({ queryKey: keys.list(name) });
      router.navigate('/set-up');
    } catch (error) {
      toast({ text: `Not made: ${whyFailed(error)}` });
    }
  });
  if (!kit || !jobs.data)
    return (
      <Screen title="Begin" backTo="/">
        <Skeleton rows={3} height={120} />
      </Screen>
    );
  const ready = kit.sprayers.length > 0 && kit.coatings.length > 0;
  return (
    <Screen title="Begin" above={company.data?.name} backTo="/">
      <Step number={1} title="A kit" done={ready}>
        <Words>
          {ready
            ? 'There is a sprayer and there are coatings. Put in the tips you own, and your own sprayer: the answers get better with it.'
            : 'Every answer stands on a sprayer, its hose and a coating. A usual kit has one of each kind with working defaults; change it to yours when there is time.'}
        </Words>
        {ready ? (
          <Button label="Open the kit" className="self-start" onPress={() => router.navigate('/kit')} />
        ) : mayKit ? (
          <>
            <Button label="Begin with a usual kit" kind="primary" onPress={() => begin()} />
            <Button label="Put in my own" kind="quiet" onPress={() => router.navigate('/kit')} />
          </>
        ) : (
          <Words colour="ink2">The kit is put in by a lead or an owner.</Words>
        )}
      </Step>
      <Step number={2} title="The first answer" done={false}>
        <Words>Tip, pressure, speed and litres for a wall: change what is asked and it moves.</Words>
        <Button
          label="Set up a wall"
          disabled={!ready}
          kind={ready ? 'primary' : 'plain'}
          onPress={() => router.navigate('/set-up')}
        />
      </Step>
      <Step number={3} title="The first job" done={jobs.data.length > 0}>
        <Words>A name, then rooms by length, width and height: paint, hours and days follow.</Words>
        <Button label="New job" disabled={!ready} onPress={() => router.navigate('/new')} />
      </Step>
    </Screen>
  );
}
