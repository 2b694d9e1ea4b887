import { ENTRY_KINDS, kindOf, troubleKinds, logFileOf, type EntryKind } from '@fine-spray/contract';
import { CSV_STYLES, csvOf } from '@fine-spray/contract/formats';
import {
  journal,
  weatherWords,
  journalSheet,
  viscosityLines,
  viscositySheet,
  type JournalDay,
  type JournalLine,
} from '@fine-spray/contract/log';
import { counted } from '@fine-spray/core';
import { useQueryClient } from '@tanstack/react-query';
import { format } from 'date-fns/format';
import Download from 'lucide-react-native/icons/download';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { fileOf, whyFailed } from '@/data/api';
import { device } from '@/data/device';
import { saveBlob, saveFile } from '@/data/deviceFiles';
import { useJobHere } from '@/data/jobHere';
import { entriesElsewhere, openJobs } from '@/data/oldJobs';
import { useSiteLog, type SiteLog } from '@/data/record';
import { BringingJob } from '@/features/frame';
import { SheetOut, ViscosityPaper, usePaperSize } from '@/features/paper';
import { TableOut, useCsvStyle } from '@/features/tables';
import { Button } from '@/ui/button';
import { useOneTap } from '@/ui/oneTap';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import { LongList } from '@/ui/longList';
import { Header, Screen } from '@/ui/screen';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { EntryRow, ROW_HEIGHT, offsetAt } from './EntryRows';
import { zippedLog } from './zippedLog';

/** Height of the line above a day, px. */
const DAY_HEIGHT = 96;

type Item = { readonly day: JournalDay } | { readonly line: JournalLine };

/** Days with their entries as one list: ten thousand scroll like ten. */
const itemsOf = (days: readonly JournalDay[]): readonly Item[] =>
  days.flatMap((day) => [{ day }, ...day.lines.map((line) => ({ line }))]);

const heightOf = (item: Item) => ('day' in item ? DAY_HEIGHT : ROW_HEIGHT);

/** The whole log, day by day, to read, to search, to print and to take along. */
export function JournalScreen({ jobId }: { jobId?: string | undefined }) {
  const { log, failed, retry } = useSiteLog('as it comes');
  if (log) return <Loaded log={log} jobId={jobId} />;
  return (
    <Screen title="Journal" above="Log" backTo="/log">
      {failed ? (
        <ErrorState title="The log cannot be read now" text={whyFailed(failed)} onRetry={retry} />
      ) : (
        <Skeleton rows={6} />
      )}
    </Screen>
  );
}

const ALL = 'all';
const TROUBLE = 'trouble';

function Loaded({ log, jobId }: { log: SiteLog; jobId: string | undefined }) {
  const { system } = useUnits();
  const [text, setText] = useState('');
  const [job, setJob] = useState(jobId ?? ALL);
  const [kind, setKind] = useState<string>(ALL);
  const wanted = useDeferredValue(text);
  const days = useMemo(() => {
    const kinds = kind === ALL ? undefined : kind === TROUBLE ? troubleKinds() : [kind as EntryKind];
    return journal(
      log.entries,
      { names: log.names, system, offsetAt },
      { text: wanted, ...(job === ALL ? {} : { jobId: job }), ...(kinds ? { kinds } : {}) },
    );
  }, [log, system, wanted, job, kind]);
  const items = useMemo(() => itemsOf(days), [days]);
  const count = days.reduce((sum, { lines }) => sum + lines.length, 0);
  return (
    <View className="min-h-0 flex-1">
      <Header title="Journal" above="Log" backTo="/log" />
      <LongList
        items={items}
        keyOf={(item) => ('day' in item ? item.day.day : item.line.entry.id)}
        heightOf={heightOf}
        first={14}
        windows={7}
        className="w-full max-w-[760px] px-4 pb-10"
        head={
          <View className="gap-3 pb-2">
            <View className="print:hidden">
              <TextField label="Find" value={text} onChange={setText} />
            </View>
            <View className="flex-row gap-2 print:hidden">
              <View className="min-w-0 flex-1">
                <Choice
                  label="Job"
                  value={job}
                  options={[
                    { value: ALL, label: 'All jobs' },
                    ...log.jobs.map(({ id, name }) => ({ value: id, label: name })),
                  ]}
                  onChange={setJob}
                />
              </View>
              <View className="min-w-0 flex-1">
                <Choice
                  label="What"
                  value={kind}
                  options={[
                    { value: ALL, label: 'Everything' },
                    { value: TROUBLE, label: 'Trouble', note: 'Clogs, faults, touch-ups, near misses' },
                    ...ENTRY_KINDS.map((value) => ({ value: value, label: kindOf(value).name })),
                  ]}
                  onChange={setKind}
                />
              </View>
            </View>
            <Words
              colour="ink2"
              aria-live="polite"
            >{`${counted(count, 'entry', 'entries')} on ${counted(days.length, 'day')}${log.whole ? '' : ', and more to come'}`}</Words>
            <OldJobsToo log={log} job={job === ALL ? undefined : job} />
            <ExportButtons log={log} days={days} job={job === ALL ? undefined : job} />
            {count === 0 && !(job !== ALL && log.old.has(job)) ? (
              <EmptyState
                title={log.entries.length === 0 ? 'Nothing written down yet' : 'Nothing like that in the log'}
                text={
                  log.entries.length === 0
                    ? 'What is written on site stands here, day by day.'
                    : 'Take a word out, or look in all jobs.'
                }
              />
            ) : null}
          </View>
        }
        renderItem={(item) =>
          'day' in item ? (
            <DayHead day={item.day} job={job === ALL ? undefined : job} />
          ) : (
            <EntryRow line={item.line} fixed />
          )
        }
      />
    </View>
  );
}

/** What of the log is not here, and the way to bring it: of the job that is looked at by itself, of all when somebody says so. */
function OldJobsToo({ log, job }: { log: SiteLog; job: string | undefined }) {
  const client = useQueryClient();
  const bringing = useJobHere(job);
  const [state, setState] = useState<
    { readonly done: number; readonly of: number } | { readonly why: string }
  >();
  const { old, entries } = log;
  const more = useMemo(() => entriesElsewhere(entries, old), [entries, old]);
  if (job !== undefined) return bringing.here ? null : <BringingJob {...bringing} />;
  if (old.size === 0 || !log.whole) return null;
  const all = async () => {
    const ids = [...old.keys()];
    setState({ done: 0, of: ids.length });
    try {
      await openJobs(client, ids, device, (done) => setState({ done, of: ids.length }));
      setState(undefined);
    } catch (error) {
      setState({ why: whyFailed(error) });
    }
  };
  const busy = state && 'of' in state ? state : undefined;
  return (
    <View className="items-start gap-2" testID="old-jobs">
      <Words colour="ink2">
        {`${counted(more, 'more entry', 'more entries')} of ${counted(old.size, 'job')} nobody has written for in two months ${more === 1 ? 'is' : 'are'} not in this list, in what is found, or in the files below.`}
      </Words>
      <Button
        label={busy ? `Bringing ${busy.done} of ${counted(busy.of, 'job')}` : 'Bring them here'}
        disabled={busy !== undefined}
        onPress={() => void all()}
      />
      {state && 'why' in state ? (
        <Words colour="caution" role="alert">{`They cannot be had now. ${state.why}`}</Words>
      ) : null}
    </View>
  );
}

/** The journal as it is filtered, as files. */
function ExportButtons({
  log,
  days,
  job,
}: {
  log: SiteLog;
  days: readonly JournalDay[];
  job: string | undefined;
}) {
  const { system } = useUnits();
  const [style] = useCsvStyle();
  const toast = useToast();
  const [fetched, setFetched] = useState<string>();
  const said = (name: string) => toast({ text: `${name} is in your downloads.` });
  const jsonText = () => {
    const kept = new Set(days.flatMap(({ lines }) => lines.map(({ entry }) => entry.id)));
    return `${JSON.stringify(logFileOf(log.entries.filter(({ id }) => kept.has(id))), null, 1)}\n`;
  };
  const json = () => {
    saveFile('site-log.json', 'application/json', jsonText());
    said('The log');
  };
  const withPictures = useOneTap(async () => {
    try {
      const { file, missing } = await zippedLog(
        {
          csv: csvOf(journalSheet(days), CSV_STYLES[style]),
          json: jsonText(),
          lines: days.flatMap(({ lines }) => lines),
        },
        (done, of) => setFetched(`Picture ${done} of ${of}`),
      );
      saveBlob('site-log.zip', file);
      toast({
        text:
          missing === 0
            ? 'The log with its pictures is in your downloads.'
            : `The log is in your downloads; ${counted(missing, 'picture')} could not be had and ${missing === 1 ? 'is' : 'are'} left out.`,
      });
    } finally {
      setFetched(undefined);
    }
  });
  return (
    <View className="flex-row flex-wrap gap-2">
      <TableOut label="Log" file="site log" make={() => journalSheet(days)} onSaved={() => said('The log')} />
      <Button label="JSON" icon={Download} onPress={json} />
      <Button
        label={fetched ?? 'With pictures'}
        icon={Download}
        disabled={fetched !== undefined}
        onPress={() => withPictures()}
      />
      <TableOut
        label="Viscosity"
        file="viscosity"
        make={() => viscositySheet(viscosityLines(log.entries, log.names, offsetAt), system)}
        onSaved={() => said('The sheet')}
      />
      <ViscosityPaper job={job} />
    </View>
  );
}

/** What a day was: date, weather, who; and on paper. */
function DayHead({ day, job }: { day: JournalDay; job: string | undefined }) {
  const { system } = useUnits();
  const [size] = usePaperSize();
  const date = format(new Date(`${day.day}T12:00:00`), 'EEE d MMM yyyy');
  const first = day.weather[0];
  const make = () => {
    const query = new URLSearchParams({
      size,
      units: system,
      zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      ...(job ? { job } : {}),
    });
    return fileOf(`/api/log/days/${day.day}?${query.toString()}`);
  };
  return (
    <View
      style={{ height: DAY_HEIGHT }}
      className="flex-row items-end gap-2 overflow-hidden border-b-2 border-ink pb-2"
    >
      <View className="min-w-0 flex-1">
        <Words size={18} weight="bold" heading={2} numberOfLines={1}>
          {date}
        </Words>
        <Words size={14} colour="ink2" numberOfLines={2}>
          {[day.authors.join(', '), first ? weatherWords(first, system) : undefined]
            .filter(Boolean)
            .join(' · ')}
        </Words>
      </View>
      <SheetOut
        label="PDF"
        name={`Sheet of ${date}`}
        spoken={`PDF of ${date}`}
        file={`site log ${day.day}`}
        make={make}
        instead="The CSV is made on this device."
      />
    </View>
  );
}
