import CloudOff from 'lucide-react-native/icons/cloud-off';
import HardDrive from 'lucide-react-native/icons/hard-drive';
import FileWarning from 'lucide-react-native/icons/file-exclamation-point';
import Send from 'lucide-react-native/icons/send';
import Clock from 'lucide-react-native/icons/clock-alert';
import RefreshCw from 'lucide-react-native/icons/refresh-cw';
import type { LucideIcon } from 'lucide-react-native';
import { CLOCK_TOLERANCE } from '@fine-spray/contract';
import { roughly } from '@fine-spray/contract/log';
import { useRouter } from 'expo-router';
import { useEffect, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { useOutbox, useSending } from '@/data/log';
import { call } from '@/data/api';
import { outbox } from '@/data/outbox';
import { pictures, usePicturesHere } from '@/data/pictures';
import { plans, usePlans } from '@/data/plans';
import { reach, watchReach } from '@/data/reach';
import { useUnreadable } from '@/data/sound';
import { update } from '@/data/update';
import { Notices } from '@/features/reminders';
import { Button } from '@/ui/button';
import { useLasting } from '@/ui/lasting';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';

const timeOf = (at: number) =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/** What waits is sent by then as a rule, ms. */
const SENT_BY_THEN = 2000;

/** What waits on this device: what goes up by itself, and what somebody has to look at. */
function keptWords(going: number, refused: number): string {
  const waits = going > 0 ? [`Kept on this device, ${going} waiting to send.`] : [];
  return [...waits, ...(refused > 0 ? [`${refused} not taken: kept until you decide.`] : [])].join(' ');
}

/** What holds on every screen, and what is told over other programs. */
export function Strip() {
  return (
    <>
      <Lines />
      <Notices />
    </>
  );
}

/** What holds everywhere: the server is away, entries wait, the clock is wrong, a new version is here. Nothing while all is well. */
function Lines() {
  const router = useRouter();
  useSending();
  const { waiting: entries, full, aside } = useOutbox();
  const planned = usePlans();
  const { reached, at, skew, storesNothing } = useSyncExternalStore(
    reach.subscribe,
    reach.current,
    reach.current,
  );
  const ready = useSyncExternalStore(update.subscribe, update.ready, update.ready);
  useEffect(
    () =>
      watchReach(
        () => call('GET', '/api/health'),
        () => {
          void plans.again();
          void outbox.again();
          void pictures.again();
        },
      ),
    [],
  );
  const { waiting: shots, full: noRoom } = usePicturesHere();
  const waiting = [...entries, ...planned, ...shots];
  const refused = waiting.filter((one) => one.refused !== undefined).length;
  const wrong = skew !== undefined && Math.abs(skew) > CLOCK_TOLERANCE;
  const away = reached === false;
  const refusesMore = full || noRoom;
  // What goes up within a moment has no line of its own.
  const stays = away || refusesMore || refused > 0 || storesNothing !== undefined;
  const waits = useLasting(waiting.length > 0, SENT_BY_THEN, stays);
  const unreadable = useUnreadable();
  const [first] = unreadable;
  if (!away && !waits && aside === 0 && !wrong && !ready && !first && !storesNothing) return null;
  return (
    <View role="status" className="gap-1 border-b border-rule bg-caution-tint px-4 py-1" testID="strip">
      {away ? (
        <Line
          icon={CloudOff}
          text={`The server is not reached. You see what this device has${at === undefined ? '' : ` as of ${timeOf(at)}`}.`}
        />
      ) : null}
      {storesNothing !== undefined && !away ? (
        <Line
          icon={HardDrive}
          text={`${storesNothing} What you write stays on this device until there is room.`}
        />
      ) : null}
      {waits ? (
        <View className="flex-row items-center gap-2">
          <Line
            icon={Send}
            text={
              refusesMore
                ? `This device takes no more: keep this page open until ${entries.length + shots.length} are sent.`
                : keptWords(waiting.length - refused, refused)
            }
          />
          <Button label="Look" kind="quiet" onPress={() => router.navigate('/log/waiting')} />
        </View>
      ) : null}
      {aside > 0 ? (
        <Line
          icon={Send}
          text={`${aside} left by another version of this program cannot be read yet; kept on this device.`}
        />
      ) : null}
      {first ? (
        <Line
          icon={FileWarning}
          text={`${first.name} cannot be read and is left out: ${first.why}${unreadable.length > 1 ? ` ${unreadable.length - 1} more like it.` : ''}`}
        />
      ) : null}
      {wrong ? (
        <Line
          icon={Clock}
          text={`The clock of this device is ${roughly(skew * 1000)} ${skew > 0 ? 'slow' : 'fast'}. What you write is put right by the server's.`}
        />
      ) : null}
      {ready ? (
        <View className="flex-row items-center gap-2">
          <Line icon={RefreshCw} text="A new version is ready." />
          <Button label="Use it now" kind="quiet" onPress={() => update.use()} />
        </View>
      ) : null}
    </View>
  );
}

function Line({ icon: Icon, text }: { icon: LucideIcon; text: string }) {
  const { palette } = useTheme();
  return (
    <View className="min-h-[32px] min-w-0 flex-1 flex-row items-center gap-2">
      <Icon size={18} color={palette.caution} aria-hidden />
      <Words size={14} weight="semi" colour="caution" className="min-w-0 flex-1">
        {text}
      </Words>
    </View>
  );
}
