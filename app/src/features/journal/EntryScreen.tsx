import { kindOf, isKnown, isReadable, timeOf, type Entry } from '@fine-spray/contract';
import {
  contested,
  overruledAmong,
  picturesOf,
  entryWords,
  journalLine,
  placeWords,
  skewWords,
  unreadableWords,
} from '@fine-spray/contract/log';
import { format } from 'date-fns/format';
import { useRouter } from 'expo-router';
import Pencil from 'lucide-react-native/icons/pencil';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useEntryHere } from '@/data/jobHere';
import { useLog } from '@/data/log';
import { outbox } from '@/data/outbox';
import { useSiteLog, type SiteLog } from '@/data/record';
import { pictures as onTheirWay } from '@/data/pictures';
import { useWriteDown, useWriteTogether } from '@/data/writeDown';
import { BringingJob } from '@/features/frame';
import { AddPictures, PictureEntry, pictureEntries, usePictures } from '@/features/pictures';
import { Button } from '@/ui/button';
import { useOneTap } from '@/ui/oneTap';
import { Panel } from '@/ui/panel';
import { Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { SiteTargets } from '@/ui/target';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { EntryRows, offsetAt } from './EntryRows';
import { writePath } from './links';

/** One entry whole: all it says, what it replaced and what replaced it, and the way to put it right. */
export function EntryScreen({ entryId }: { entryId: string }) {
  const { log, failed, retry } = useSiteLog();
  const entry = log?.entries.find(({ id }) => id === entryId);
  const bringing = useEntryHere(entryId, !log || entry !== undefined);
  return (
    <SiteTargets>
      <Screen
        title={entry && isKnown(entry) ? kindOf(entry.kind).name : 'Entry'}
        above="Log"
        backTo="/log/journal"
      >
        {log && entry ? <Shown log={log} entryId={entryId} /> : null}
        {log && !entry && !bringing.here ? (
          <BringingJob failed={bringing.failed} retry={bringing.retry} />
        ) : null}
        {log && !entry && bringing.here ? (
          <ErrorState
            title="There is no such entry"
            text="It may be on another device still, and not sent yet."
          />
        ) : null}
        {failed ? (
          <ErrorState title="The log cannot be read now" text={whyFailed(failed)} onRetry={retry} />
        ) : null}
        {!log && !failed ? <Skeleton rows={3} /> : null}
      </Screen>
    </SiteTargets>
  );
}

function Shown({ log, entryId }: { log: SiteLog; entryId: string }) {
  const { system } = useUnits();
  const { waiting } = useLog();
  const writeDown = useWriteDown();
  const router = useRouter();
  const entry = log.entries.find(({ id }) => id === entryId);
  if (!entry) return null;
  const replaced = log.entries.filter(({ id }) => id === entry.replaces);
  const replacing = log.entries.filter(({ replaces }) => replaces === entry.id);
  const over = overruledAmong(log.entries);
  const holds = !over.has(entry.id);
  const line = (one: typeof entry) =>
    journalLine(
      one,
      { names: log.names, system, offsetAt },
      log.entries.find(({ id }) => id === over.get(one.id)),
    );
  const rivals = contested(log.entries).get(entry.id) ?? [];
  const waits = waiting.some(({ id }) => id === entry.id);
  const skew = skewWords(entry);
  const takeBack = () => {
    if (outbox.takeBack(entry.id)) {
      router.navigate('/log/journal');
      return;
    }
    writeDown(
      {
        kind: 'withdrawn',
        payload: { why: '' },
        jobId: entry.jobId,
        surfaceId: entry.surfaceId,
        replaces: entry.id,
      },
      'Taken back. It stays in sight and counts no more.',
    );
  };
  return (
    <>
      <Panel>
        <Words size={22} weight="bold">
          {isReadable(entry)
            ? entryWords(entry, log.names, system) || kindOf(entry.kind).name
            : unreadableWords(entry)}
        </Words>
        <Words>{placeWords(entry, log.names)}</Words>
        <Words colour="ink2">{`${format(timeOf(entry), 'd MMMM yyyy, HH:mm')}${entry.author ? `, ${entry.author}` : ''}`}</Words>
        {waits ? (
          <Words weight="semi" colour="caution">
            Waits on this device to be sent.
          </Words>
        ) : null}
        {skew ? <Words colour="caution">{skew}</Words> : null}
        <Words size={14} colour="ink2">{`Id ${entry.id}`}</Words>
      </Panel>
      <EntryPictures
        log={log}
        entry={entry}
        more={holds && entry.kind !== 'withdrawn' && entry.kind !== 'picture'}
      />
      {rivals.length > 1 ? (
        <Words weight="bold" colour="caution" role="alert">
          Two devices put this right at once. Both stand below and the later one counts: take back the one
          that is wrong.
        </Words>
      ) : null}
      {replacing.length > 0 ? (
        <View className="gap-2">
          <Words weight="bold" heading={2}>
            Put right by
          </Words>
          <EntryRows lines={replacing.map(line)} />
        </View>
      ) : null}
      {replaced.length > 0 ? (
        <View className="gap-2">
          <Words weight="bold" heading={2}>
            It replaced
          </Words>
          <EntryRows lines={replaced.map(line)} />
        </View>
      ) : null}
      {holds && entry.kind !== 'withdrawn' ? (
        <View className="flex-row flex-wrap gap-2">
          {!isReadable(entry) || kindOf(entry.kind).byTool ? null : (
            <Button
              label="Put it right"
              kind="primary"
              icon={Pencil}
              onPress={() => router.navigate(writePath(entry.kind, `entry=${entry.id}`))}
            />
          )}
          <Button label="Take it back" onPress={takeBack} />
        </View>
      ) : null}
    </>
  );
}

/** The pictures of an entry, and the way to put one to it later. */
function EntryPictures({ log, entry, more }: { log: SiteLog; entry: Entry; more: boolean }) {
  const together = useWriteTogether();
  const form = usePictures(`entry ${entry.id}`);
  const shown = picturesOf(log.entries, entry);
  const { drafts } = form;
  const { jobId, surfaceId } = entry;
  const write = useOneTap(() => {
    const shots = drafts.map(({ id }) => id);
    together(
      pictureEntries(drafts, entry.id, { jobId, surfaceId }),
      shots.length === 1 ? 'The picture is with the entry.' : `${shots.length} pictures are with the entry.`,
      () => void onTheirWay.drop(shots),
    );
    void onTheirWay.written(shots);
    form.done();
  });
  if (shown.length === 0 && !more) return null;
  return (
    <Panel title={shown.length > 0 ? 'Pictures' : 'A picture with it'} testID="entry-pictures">
      {shown.map((picture) => (
        <PictureEntry key={picture.entry.id} picture={picture} />
      ))}
      {more ? <AddPictures pictures={form} /> : null}
      {drafts.length > 0 ? (
        <Button label="Put it with the entry" kind="primary" className="min-h-[64px]" onPress={write} />
      ) : null}
    </Panel>
  );
}
