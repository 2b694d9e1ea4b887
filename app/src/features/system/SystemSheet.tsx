import type { Coating, System } from '@fine-spray/contract';
import type { SetupSurface, SystemChoice } from '@fine-spray/contract/planning';
import Scale from 'lucide-react-native/icons/scale';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { SystemNotes } from './SystemNotes';
import { presetsFor, systemText } from '@/data/systems';

export interface SystemSheetProps {
  readonly title: string;
  /** What the system is for. */
  readonly piece: Pick<SetupSurface, 'element' | 'side' | 'kind' | 'condition'>;
  /** What is on it now; undefined where surfaces of a group differ. */
  readonly now: SystemChoice | undefined;
  readonly systems: readonly System[];
  readonly coatings: readonly Coating[];
  readonly onChoose: (choice: SystemChoice, name: string) => void;
  /** Puts the presets side by side; missing where there is nothing to compare on. */
  readonly onCompare?: (() => void) | undefined;
  readonly onKeep: (name: string, choice: SystemChoice) => void;
  readonly onClose: () => void;
}

const same = (one: SystemChoice, other: SystemChoice) => JSON.stringify(one) === JSON.stringify(other);

/** Coating systems that suit a piece: one tap puts one on; what is on it now can be kept as the company's own. */
export function SystemSheet({
  title,
  piece,
  now,
  systems,
  coatings,
  onChoose,
  onCompare,
  onKeep,
  onClose,
}: SystemSheetProps) {
  const [name, setName] = useState('');
  const presets = presetsFor(piece, systems, coatings);
  return (
    <Sheet title={title} onClose={onClose}>
      {onCompare && presets.length > 1 ? (
        <Button label="Compare them" icon={Scale} className="self-start" onPress={onCompare} />
      ) : null}
      {presets.map((preset) => {
        const chosen = now !== undefined && same(pickChoice(now), pickChoice(preset.choice));
        return (
          <Pressable
            key={preset.id}
            role="button"
            aria-pressed={chosen}
            onPress={() => onChoose(preset.choice, preset.name)}
            className={`gap-1 rounded-2xl border-2 p-4 ${chosen ? 'border-identity bg-identity-tint' : 'border-rule bg-sheet'}`}
          >
            <Words size={14} colour="ink2">
              {preset.own ? 'Ours' : 'Usual'}
            </Words>
            <Words weight="bold">{preset.name}</Words>
            <Words>{systemText(preset.choice, coatings)}</Words>
          </Pressable>
        );
      })}
      {presets.length === 0 ? (
        <Words colour="ink2">No usual system for this piece has all its coatings in your kit.</Words>
      ) : null}
      {now ? (
        <View className="gap-3 rounded-2xl border border-rule p-4">
          <Words weight="bold" heading={3}>
            Now on it
          </Words>
          <Words>{systemText(now, coatings)}</Words>
          <SystemNotes choice={now} ground={piece} coatings={coatings} />
          <TextField label="Keep it as ours, under this name" value={name} onChange={setName} />
          <Button
            label="Keep as ours"
            disabled={name.trim() === ''}
            onPress={() => {
              onKeep(name.trim(), now);
              setName('');
            }}
          />
        </View>
      ) : null}
      <Words size={14} colour="ink2">
        The data sheets of the coatings say what goes over what; they come before these systems.
      </Words>
    </Sheet>
  );
}

const pickChoice = ({ coatingId, coats, thinning, under }: SystemChoice): SystemChoice => ({
  coatingId,
  coats,
  thinning,
  under,
});
