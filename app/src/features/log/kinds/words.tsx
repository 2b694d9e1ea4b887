import { numberText } from '@fine-spray/core/units';
import { CLOG_PLACES, INCIDENT_LEVELS, NOTE_LIMIT } from '@fine-spray/contract';
import { EMERGENCY_CARDS, FAULTS } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import Pipette from 'lucide-react-native/icons/pipette';
import ShieldAlert from 'lucide-react-native/icons/shield-alert';
import StickyNote from 'lucide-react-native/icons/sticky-note';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Segmented } from '@/ui/segmented';
import { Words } from '@/ui/text';
import { coatOf, tipInGun } from '../defaults';
import { CoatingField, TipChoiceField } from './fields';
import { textOf, type FormProps, type WrittenKind } from './types';

/** Words that are likely, to tap instead of type. */
function Suggestions({ words, onPress }: { words: readonly string[]; onPress: (word: string) => void }) {
  return (
    <View className="flex-row flex-wrap gap-2">
      {words.map((word) => (
        <Button key={word} label={word} className="min-h-[56px]" onPress={() => onPress(word)} />
      ))}
    </View>
  );
}

const PLACES = CLOG_PLACES.map((value) => ({ value, label: value }));
const CURES = ['Turned the tip', 'Cleaned the filter', 'Strained the paint', 'Larger orifice'];

function ClogForm(props: FormProps) {
  const { payload, errors, onChange } = props;
  return (
    <>
      <Segmented
        label="Where"
        value={textOf(payload, 'where')}
        options={PLACES}
        onChange={(where) => onChange({ where })}
      />
      <Words colour="ink2">What cured it</Words>
      <Suggestions words={CURES} onPress={(cure) => onChange({ cure })} />
      <TextField
        label="Cure"
        value={textOf(payload, 'cure')}
        error={errors['cure']}
        onChange={(cure) => onChange({ cure })}
      />
      <TipChoiceField {...props} none />
    </>
  );
}

const SEEN = [...Object.values(FAULTS).map(({ name }) => name), 'Sag', 'Overspray'].slice(0, 8);

function FaultForm({ payload, errors, onChange }: FormProps) {
  return (
    <>
      <Words colour="ink2">What went wrong</Words>
      <Suggestions words={SEEN} onPress={(what) => onChange({ what })} />
      <TextField
        label="What"
        value={textOf(payload, 'what')}
        error={errors['what']}
        onChange={(what) => onChange({ what })}
      />
      <TextField
        label="What cured it"
        value={textOf(payload, 'cure')}
        error={errors['cure']}
        multiline
        onChange={(cure) => onChange({ cure })}
      />
    </>
  );
}

const WHYS = ['Knock', 'Run', 'Holiday', 'Tape lifted it'];

function TouchUpForm(props: FormProps) {
  const { payload, errors, onChange, onInvalid } = props;
  return (
    <>
      <Suggestions words={WHYS} onPress={(why) => onChange({ why })} />
      <TextField
        label="Why"
        value={textOf(payload, 'why')}
        error={errors['why']}
        onChange={(why) => onChange({ why })}
      />
      <CoatingField {...props} none />
      <QuantityStepper
        label="Paint, if it matters"
        kind="volume"
        value={Number(payload['volume'] ?? 0)}
        step={{ metric: 0.1, us: 0.05 }}
        bounds={{ min: 0, max: 0.1 }}
        error={errors['volume']}
        onChange={(volume) => onChange({ volume })}
        onInvalid={(message) => onInvalid('volume', message)}
      />
    </>
  );
}

const LEVELS = INCIDENT_LEVELS.map((value) => ({
  value,
  label: value === 'incident' ? 'Somebody was hurt' : 'Near miss',
}));

/** What hurt, or nearly did: help comes first. */
function IncidentForm({ payload, errors, onChange }: FormProps) {
  const router = useRouter();
  return (
    <>
      <View className="gap-2 rounded-2xl border-2 border-danger bg-sheet p-4">
        <Words weight="bold">Somebody is hurt now? First help, then write.</Words>
        <Words>{EMERGENCY_CARDS.skin.lead}</Words>
        <Button
          label="Emergency card"
          kind="danger"
          className="min-h-[56px]"
          onPress={() => router.navigate('/emergency')}
        />
      </View>
      <Segmented
        label="Level"
        value={textOf(payload, 'level')}
        options={LEVELS}
        onChange={(level) => onChange({ level })}
      />
      <TextField
        label="What happened"
        value={textOf(payload, 'what')}
        error={errors['what']}
        multiline
        onChange={(what) => onChange({ what })}
      />
      <TextField
        label="What was done"
        value={textOf(payload, 'done')}
        error={errors['done']}
        multiline
        onChange={(done) => onChange({ done })}
      />
    </>
  );
}

function NoteForm({ payload, errors, onChange }: FormProps) {
  const text = textOf(payload, 'text');
  const length = Array.from(text).length;
  return (
    <>
      <TextField
        label="Note"
        value={text}
        error={errors['text']}
        multiline
        onChange={(next) => onChange({ text: next })}
      />
      {length > NOTE_LIMIT * 0.9 ? (
        <Words colour={length > NOTE_LIMIT ? 'danger' : 'ink2'} role="status">
          {length > NOTE_LIMIT
            ? `${numberText(length - NOTE_LIMIT)} characters too many. All of it is kept here while you shorten it.`
            : `${numberText(NOTE_LIMIT - length)} characters left.`}
        </Words>
      ) : null}
    </>
  );
}

export const clog: WrittenKind<'clog'> = {
  tile: { label: 'Clog', icon: TriangleAlert },
  form: ClogForm,
  first: (context) => ({ where: 'tip', tipId: tipInGun(context, coatOf(context))?.id ?? null, cure: '' }),
};

export const fault: WrittenKind<'fault'> = {
  tile: { label: 'Fault, cure', icon: TriangleAlert },
  form: FaultForm,
  first: ({ job }) => ({ what: '', cure: '', sprayerId: job?.sprayerId ?? null }),
};

export const touchUp: WrittenKind<'touch-up'> = {
  tile: { label: 'Touch-up', icon: Pipette, surface: true },
  form: TouchUpForm,
  first: ({ surface }) => ({ coatingId: surface?.coatingId ?? null, volume: null, why: '' }),
};

export const incident: WrittenKind<'incident'> = {
  tile: { label: 'Near miss', icon: ShieldAlert },
  form: IncidentForm,
  first: () => ({ level: 'near miss', what: '', done: '' }),
};

export const note: WrittenKind<'note'> = {
  tile: { label: 'Note', icon: StickyNote, common: true },
  form: NoteForm,
  first: () => ({ text: '' }),
};
