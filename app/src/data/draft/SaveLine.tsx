import { tombstone } from '@fine-spray/contract';
import Undo from 'lucide-react-native/icons/undo-2';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import type { SaveState } from './useAutosave';

function saveText(state: SaveState, held: boolean, waits: boolean): string {
  if (state.kind === 'looking') return `Not stored: ${state.why}`;
  if (held) return 'Not stored: see the marked field';
  if (state.kind === 'saved') return waits ? 'Kept on this device, waiting to send' : 'Stored on the server';
  if (state.kind === 'saving') return 'Storing …';
  if (state.kind === 'conflict') return wasDeleted(state) ? 'Deleted elsewhere' : 'Changed elsewhere';
  return `Not stored yet, trying again. ${state.why}`;
}

/** Whether somebody else deleted the row meanwhile. */
const wasDeleted = (state: SaveState): boolean =>
  state.kind === 'conflict' && tombstone.safeParse(state.problem.current).success;

interface SaveLineProps {
  readonly saveState: SaveState;
  readonly held: boolean;
  /** What was stored waits on this device until the server is reached. */
  readonly waits: boolean;
  readonly canUndo: boolean;
  readonly undo: () => void;
  readonly resolve: (keep: 'mine' | 'theirs') => void;
}

/** Where a draft stands: stored, on its way or held up; the two ways out of a conflict; one step back. */
export function SaveLine({ saveState, held, waits, canUndo, undo, resolve }: SaveLineProps) {
  const conflict = saveState.kind === 'conflict';
  const deleted = wasDeleted(saveState);
  return (
    <View className="min-h-[28px] flex-row flex-wrap items-center gap-2 px-4">
      <Words
        size={14}
        colour={held || conflict ? 'danger' : 'ink2'}
        role="status"
        testID="save-state"
        className="min-w-0 shrink"
      >
        {saveText(saveState, held, waits)}
      </Words>
      {conflict ? (
        <>
          <Button label={deleted ? 'Bring it back' : 'Keep mine'} onPress={() => resolve('mine')} />
          <Button label={deleted ? 'Let it go' : 'Take the other'} onPress={() => resolve('theirs')} />
        </>
      ) : null}
      {canUndo ? (
        <Button label="Step back" icon={Undo} kind="quiet" className="ml-auto" onPress={undo} />
      ) : null}
    </View>
  );
}
