import Check from 'lucide-react-native/icons/check';
import MapPin from 'lucide-react-native/icons/map-pin';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { SiteLog } from '@/data/record';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { knownPlace, type WorkPlace } from './place';

/** Surfaces in sight at once; a search finds the rest. */
const SHOWN = 60;

/** Where it is: shown large, changed with two taps. */
export function PlaceChoice({
  log,
  place,
  onChange,
}: {
  log: SiteLog;
  place: WorkPlace;
  onChange: (place: WorkPlace) => void;
}) {
  const [open, setOpen] = useState(false);
  const { palette } = useTheme();
  const { job, surface } = knownPlace(log, place);
  const title = surface ? surface.name : 'The job as a whole';
  const within = [surface?.room, job?.name].filter(Boolean).join(' · ');
  return (
    <>
      <Pressable
        role="button"
        onPress={() => setOpen(true)}
        className="min-h-[64px] flex-row items-center gap-3 rounded-2xl border-2 border-ink bg-sheet px-4 py-2"
        testID="work-place"
      >
        <MapPin size={24} color={palette.identity} aria-hidden />
        <View className="min-w-0 flex-1">
          <Words size={18} weight="bold">
            {job ? title : 'Without a job'}
          </Words>
          <Words size={14} colour="ink2" numberOfLines={2}>
            {job ? `${within} · change` : 'Choose a job and a surface'}
          </Words>
        </View>
      </Pressable>
      {open ? (
        <PlaceSheet
          log={log}
          place={place}
          onClose={() => setOpen(false)}
          onChange={(next) => {
            setOpen(false);
            onChange(next);
          }}
        />
      ) : null}
    </>
  );
}

function PlaceSheet({
  log,
  place,
  onClose,
  onChange,
}: {
  log: SiteLog;
  place: WorkPlace;
  onClose: () => void;
  onChange: (place: WorkPlace) => void;
}) {
  const { palette } = useTheme();
  const known = knownPlace(log, place);
  const [jobId, setJobId] = useState(known.job?.id ?? log.jobs[0]?.id ?? '');
  const [text, setText] = useState('');
  const wanted = text.trim().toLowerCase();
  const found = log.surfaces.filter(
    (one) => one.jobId === jobId && `${one.room} ${one.name}`.toLowerCase().includes(wanted),
  );
  const row = (id: string | null, name: string) => (
    <Pressable
      key={id ?? 'job'}
      role="radio"
      aria-checked={id === (known.surface?.id ?? null)}
      onPress={() => onChange({ jobId, surfaceId: id })}
      className={`min-h-[56px] flex-row items-center gap-3 rounded-xl px-4 ${id === (known.surface?.id ?? null) ? 'bg-identity-tint' : 'bg-sheet'}`}
    >
      <Words weight="semi" className="min-w-0 flex-1">
        {name}
      </Words>
      {id === (known.surface?.id ?? null) ? <Check size={20} color={palette.identity} aria-hidden /> : null}
    </Pressable>
  );
  return (
    <Sheet title="Where" onClose={onClose}>
      {log.jobs.length > 0 ? (
        <Choice
          label="Job"
          value={jobId}
          options={log.jobs.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setJobId}
        />
      ) : (
        <Words colour="ink2">There is no job yet. What is written down now belongs to none.</Words>
      )}
      {found.length > 8 || wanted !== '' ? <TextField label="Find" value={text} onChange={setText} /> : null}
      <View role="radiogroup" aria-label="Surface" className="gap-1">
        {row(null, 'The job as a whole')}
        {found.slice(0, SHOWN).map(({ id, room, name }) => row(id, [room, name].filter(Boolean).join(', ')))}
      </View>
      {found.length > SHOWN ? (
        <Words colour="ink2">{`${found.length - SHOWN} more: find them by name.`}</Words>
      ) : null}
    </Sheet>
  );
}
