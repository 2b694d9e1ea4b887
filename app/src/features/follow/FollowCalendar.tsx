import {
  calendarLinks,
  newCalendarLink,
  type CalendarKind,
  type CalendarLink,
  type NewCalendarLink,
} from '@fine-spray/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { format } from 'date-fns/format';
import CalendarSync from 'lucide-react-native/icons/calendar-sync';
import Copy from 'lucide-react-native/icons/copy';
import Share2 from 'lucide-react-native/icons/share-2';
import { useState } from 'react';
import { View } from 'react-native';
import { call, whyFailed } from '@/data/api';
import { canShareText, copyText, shareText } from '@/data/deviceFiles';
import { keys } from '@/data/resources';
import { Button } from '@/ui/button';
import { useOneTap } from '@/ui/oneTap';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';

const KINDS: Readonly<Record<CalendarKind, string>> = {
  windows: 'Recoat windows',
  days: 'Plan of the days',
};

const dayText = (at: string) => format(Date.parse(at), 'd MMM yyyy, HH:mm');

/** A calendar that calendar programs follow by themselves: a secret address to give away, and to take back. */
export function FollowCalendar({
  jobId,
  jobName,
  what,
}: {
  jobId: string;
  jobName: string;
  what: CalendarKind;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button label="Follow in a calendar" icon={CalendarSync} onPress={() => setOpen(true)} />
      {open ? <Addresses {...{ jobId, jobName, what }} onClose={() => setOpen(false)} /> : null}
    </>
  );
}

function Addresses({
  jobId,
  jobName,
  what,
  onClose,
}: {
  jobId: string;
  jobName: string;
  what: CalendarKind;
  onClose: () => void;
}) {
  const client = useQueryClient();
  const toast = useToast();
  const [made, setMade] = useState<NewCalendarLink>();
  const path = `/api/jobs/${jobId}/calendars`;
  const { data = [], error } = useQuery({
    queryKey: keys.calendars(jobId),
    queryFn: async ({ signal }) => calendarLinks.parse(await call('GET', path, undefined, { signal })).items,
  });
  const again = () => client.invalidateQueries({ queryKey: keys.calendars(jobId) });
  const make = useOneTap(async () => {
    try {
      const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
      setMade(newCalendarLink.parse(await call('POST', path, { what, zone: timeZone })));
      await again();
    } catch (failed) {
      toast({ text: `No address made: ${whyFailed(failed)}` });
    }
  });
  const copy = async (address: string) => {
    const copied = await copyText(address);
    toast({ text: copied ? 'The address is copied.' : 'Not copied: hold the address and copy it by hand.' });
  };
  const end = async ({ id, what: of }: CalendarLink) => {
    try {
      await call('DELETE', `/api/calendars/${id}`);
      // What is told once stays in sight unless it is the one that ended.
      if (id === made?.id) setMade(undefined);
      await again();
      toast({ text: `${KINDS[of]}: this address leads nowhere from now on.` });
    } catch (failed) {
      toast({ text: `Not taken back: ${whyFailed(failed)}` });
    }
  };
  return (
    <Sheet title={`Follow: ${KINDS[what].toLowerCase()}`} onClose={onClose}>
      <View className="gap-4" testID="follow-calendar">
        <Words>
          A calendar program asks for this address by itself and moves what has moved. Whoever has the address
          sees this calendar of the job, and nothing else. Times are a plan; try with a finger and read the
          data sheet.
        </Words>
        {made === undefined ? (
          <Button label="Make an address" kind="primary" icon={CalendarSync} onPress={() => make()} />
        ) : (
          <View className="gap-2 rounded-xl border-2 border-identity p-3">
            <Words weight="semi">Told once: put it into the calendar program now.</Words>
            <Words selectable className="break-all" testID="calendar-address">
              {made.url}
            </Words>
            <View className="flex-row flex-wrap gap-2">
              <Button label="Copy" icon={Copy} onPress={() => void copy(made.url)} />
              {canShareText() ? (
                <Button
                  label="Share"
                  icon={Share2}
                  onPress={() => void shareText(`${jobName}: ${KINDS[what].toLowerCase()}`, made.url)}
                />
              ) : null}
            </View>
          </View>
        )}
        {error ? <Words colour="caution">{whyFailed(error)}</Words> : null}
        {data.map((link) => (
          <View
            key={link.id}
            testID="calendar-link"
            className="min-h-[56px] flex-row flex-wrap items-center gap-2 border-t border-rule py-1"
          >
            <View className="min-w-0 flex-1">
              <Words weight="semi">{`${KINDS[link.what]}, ${dayText(link.createdAt)}`}</Words>
              <Words size={14} colour="ink2">
                {link.usedAt ? `Asked for last ${dayText(link.usedAt)}` : 'Not asked for yet'}
              </Words>
            </View>
            <Button
              label="Take back"
              aria-label={`Take back: ${KINDS[link.what]}, ${dayText(link.createdAt)}`}
              kind="danger"
              onPress={() => void end(link)}
            />
          </View>
        ))}
      </View>
    </Sheet>
  );
}
