import { OPTION_KINDS, type OfferOption, type OptionKind, type Surface } from '@fine-spray/contract';
import {
  choiceOf,
  isAbout,
  layersOfChoice,
  type Kit,
  type SystemChoice,
} from '@fine-spray/contract/planning';
import { ELEMENT_DATA, ELEMENTS, counted } from '@fine-spray/core';
import { Pressable, View } from 'react-native';
import { useList } from '@/data/resources';
import { presetsFor, systemText } from '@/data/systems';
import { Button } from '@/ui/button';
import { FieldError, Labelled, TextField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { Ticks } from './Ticks';

const KIND_WORDS: Readonly<Record<OptionKind, string>> = {
  'leave out': 'Leave out',
  extra: 'Extra',
  'other system': 'Other paint',
};
const KIND_NOTES: Readonly<Record<OptionKind, string>> = {
  'leave out': 'In the price; the customer may leave it out.',
  extra: 'Not in the price; the customer may add it.',
  'other system': 'In the price as planned; the customer may have it with another system.',
};

export interface OptionSheetProps {
  readonly option: OfferOption;
  readonly others: readonly OfferOption[];
  readonly surfaces: readonly Surface[];
  readonly kit: Kit;
  readonly error: string | undefined;
  readonly onChange: (part: Partial<OfferOption>) => void;
  readonly onRemove: () => void;
  readonly onClose: () => void;
}

/** What an option is called, what it is about, and what is done otherwise. */
export function OptionSheet({
  option,
  others,
  surfaces,
  kit,
  error,
  onChange,
  onRemove,
  onClose,
}: OptionSheetProps) {
  const rooms = [...new Set(surfaces.map(({ room }) => room))];
  const elements = ELEMENTS.filter((element) => surfaces.some((one) => one.element === element));
  const about = surfaces.filter((surface) => isAbout(option, surface));
  return (
    <Sheet title={option.name === '' ? 'Option' : option.name} onClose={onClose}>
      <TextField
        label="What the customer reads"
        value={option.name}
        error={option.name.trim() === '' ? 'Name of the option is missing.' : undefined}
        onChange={(name) => onChange({ name })}
      />
      <Labelled label="What it is" note={KIND_NOTES[option.kind]}>
        <Segmented
          label="What it is"
          value={option.kind}
          options={OPTION_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
          onChange={(kind) => onChange({ kind, layers: kind === 'other system' ? firstSystem(about) : null })}
        />
      </Labelled>
      {error ? <FieldError message={error} /> : null}
      <Ticks
        label="Pieces; none ticked: all"
        options={elements.map((value) => ({ value, label: ELEMENT_DATA[value].name }))}
        on={option.elements}
        onChange={(next) => onChange({ elements: next })}
      />
      {rooms.length > 1 ? (
        <Ticks
          label="Rooms; none ticked: all"
          options={rooms.map((value) => ({ value, label: value === '' ? 'Without a room' : value }))}
          on={option.rooms}
          onChange={(next) => onChange({ rooms: next })}
        />
      ) : null}
      <Words weight="semi">{`It is about ${counted(about.length, 'surface')}.`}</Words>
      {option.kind === 'other system' ? (
        <OtherSystem option={option} about={about} kit={kit} onChange={onChange} />
      ) : null}
      {others.length > 0 ? (
        <Ticks
          label="Not taken together with"
          options={others.map(({ id, name }) => ({ value: id, label: name === '' ? 'Option' : name }))}
          on={option.notWith}
          onChange={(next) => onChange({ notWith: next })}
        />
      ) : null}
      <Button label="Remove this option" kind="danger" onPress={onRemove} />
      <Button label="Done" kind="primary" onPress={onClose} />
    </Sheet>
  );
}

const same = (one: SystemChoice, other: SystemChoice): boolean =>
  JSON.stringify(layersOfChoice(one)) === JSON.stringify(layersOfChoice(other));

/** What is on a surface with one coat more: where to begin with another system. */
function firstSystem(about: readonly Surface[]): OfferOption['layers'] {
  const [first] = about;
  return first ? layersOfChoice({ ...first, coats: Math.min(9, first.coats + 1) }) : null;
}

/** Systems that suit what the option is about, and the one that is chosen. */
function OtherSystem({
  option,
  about,
  kit,
  onChange,
}: Pick<OptionSheetProps, 'option' | 'kit' | 'onChange'> & { about: readonly Surface[] }) {
  const { data: systems = [] } = useList('systems');
  const [piece] = about;
  const now = option.layers && choiceOf(option.layers);
  const presets = piece ? presetsFor(piece, systems, kit.coatings) : [];
  return (
    <>
      <Words colour="ink2">Painted with</Words>
      {now && presets.every(({ choice }) => !same(choice, now)) ? (
        <Words weight="semi">{systemText(now, kit.coatings)}</Words>
      ) : null}
      <View role="radiogroup" aria-label="Painted with" className="gap-2">
        {presets.map(({ id, name, choice }) => {
          const chosen = now ? same(choice, now) : false;
          return (
            <Pressable
              key={id}
              role="radio"
              aria-checked={chosen}
              onPress={() => onChange({ layers: layersOfChoice(choice) })}
              className={`gap-1 rounded-2xl border-2 p-3 ${chosen ? 'border-identity bg-identity-tint' : 'border-rule bg-sheet'}`}
            >
              <Words weight="semi">{name}</Words>
              <Words>{systemText(choice, kit.coatings)}</Words>
            </Pressable>
          );
        })}
      </View>
    </>
  );
}
