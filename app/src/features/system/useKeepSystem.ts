import { layersOfChoice, type SetupSurface, type SystemChoice } from '@fine-spray/contract/planning';
import { whyFailed } from '@/data/api';
import { newId } from '@/data/newId';
import { useWrites } from '@/data/resources';
import { useToast } from '@/ui/toast';

/** Keeps a system as the company's own, for pieces and surfaces like the one it is on. */
export function useKeepSystem() {
  const { put, remove } = useWrites('systems');
  const toast = useToast();
  return async (
    name: string,
    piece: Pick<SetupSurface, 'element' | 'side' | 'kind'> | undefined,
    choice: SystemChoice,
  ): Promise<void> => {
    if (!piece) return;
    const id = newId();
    const { element, side, kind } = piece;
    try {
      const kept = await put({
        id,
        content: {
          name,
          elements: [element],
          sides: [side],
          kinds: [kind],
          // A tip chosen by hand is for one surface.
          layers: layersOfChoice(choice).map(({ tip: _tip, ...layer }) => layer),
          version: 0,
        },
      });
      toast({ text: `${name} is now one of your systems.`, undo: () => void remove(kept) });
    } catch (error) {
      toast({ text: `Not kept: ${whyFailed(error)}` });
    }
  };
}
