import Undo from 'lucide-react-native/icons/undo-2';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import type { SaveState } from './useAutosave';

function saveText(state: SaveState, held: boolean): string {
  if (held) return 'Not stored: see the marked field';
  if (state.kind === 'saved') return 'Stored';
  if (state.kind === 'saving') return 'Storing …';
  return state.kind === 'conflict' ? 'Changed elsewhere' : `Not stored yet, trying again. ${state.why}`;
}

interface SaveLineProps {
  readonly saveState: SaveState;
  readonly held: boolean;
  readonly canUndo: boolean;
  readonly undo: () => void;
  readonly resolve: (keep: 'mine' | 'theirs') => void;
}

/** Where a draft stands: stored, on its way or held up; the two ways out of a conflict; one step back. */
export function SaveLine({ saveState, held, canUndo, undo, resolve }: SaveLineProps) {
  const conflict = saveState.kind === 'conflict';
  return (
    <View className="min-h-[48px] flex-row flex-wrap items-center gap-2 px-4">
      <Words
        size={14}
        colour={held || conflict ? 'danger' : 'ink2'}
        role="status"
        testID="save-state"
        className="min-w-0 shrink"
      >
        {saveText(saveState, held)}
      </Words>
      {conflict ? (
        <>
          <Button label="Keep mine" onPress={() => resolve('mine')} />
          <Button label="Take the other" onPress={() => resolve('theirs')} />
        </>
      ) : null}
      {canUndo ? (
        <Button label="Step back" icon={Undo} kind="quiet" className="ml-auto" onPress={undo} />
      ) : null}
    </View>
  );
}
