import type { BatchWrite, Surface } from '@fine-spray/contract';
import { counted, type State } from '@fine-spray/core';
import { whyFailed } from '@/data/api';
import { useMay } from '@/data/may';
import { contentOf, useBatch } from '@/data/resources';
import { Labelled } from '@/ui/field';
import { useOneTap } from '@/ui/oneTap';
import { Segmented } from '@/ui/segmented';
import { useToast } from '@/ui/toast';

const STATES = [
  { value: 'none', label: 'Not said' },
  { value: 'good', label: 'Good' },
  { value: 'fair', label: 'Fair' },
  { value: 'poor', label: 'Poor' },
] as const;
type Shown = (typeof STATES)[number]['value'] | 'mixed';

/** How much there is to mend in a room, for its hours: said of all its surfaces at once, and of each by itself under its set-up. */
export function RoomState({ surfaces }: { surfaces: readonly Surface[] }) {
  const send = useBatch();
  const toast = useToast();
  const mayPlan = useMay('plans');
  const states = new Set(surfaces.map(({ state }) => state));
  const [only = null] = states;
  const shown: Shown = states.size > 1 ? 'mixed' : (only ?? 'none');
  const put = useOneTap(async (state: State | null) => {
    const write = (row: Surface, to: State | null, version: number): BatchWrite => ({
      resource: 'surfaces',
      id: row.id,
      content: { ...contentOf(row), state: to, version },
    });
    const failed = (error: unknown) => toast({ text: `Not changed: ${whyFailed(error)}` });
    try {
      const stored = await send(surfaces.map((row) => write(row, state, row.version)));
      toast({
        text: `${counted(surfaces.length, 'surface')}: ${state ?? 'state not said'}.`,
        undo: () =>
          void send(surfaces.map((row, at) => write(row, row.state, stored[at]?.version ?? 0))).catch(failed),
      });
    } catch (error) {
      failed(error);
    }
  });
  if (surfaces.length === 0 || !mayPlan) return null;
  return (
    <Labelled
      label="State of all of it, for the hours"
      note={shown === 'mixed' ? 'Its surfaces differ: each has its own under its set-up.' : undefined}
    >
      <Segmented<Shown>
        label="State of all of it"
        value={shown}
        options={STATES}
        onChange={(state) => put(state === 'none' || state === 'mixed' ? null : state)}
      />
    </Labelled>
  );
}
