import type { Surface } from '@fine-spray/contract';
import { counted, type State } from '@fine-spray/core';
import { useChangeSurfaces } from '@/data/changeSurfaces';
import { useMay } from '@/data/may';
import { Labelled } from '@/ui/field';
import { Segmented } from '@/ui/segmented';

const STATES = [
  { value: 'none', label: 'Not said' },
  { value: 'good', label: 'Good' },
  { value: 'fair', label: 'Fair' },
  { value: 'poor', label: 'Poor' },
] as const;
type Shown = (typeof STATES)[number]['value'] | 'mixed';

/** How much there is to mend in a room, for its hours: said of all its surfaces at once, and of each by itself under its set-up. */
export function RoomState({ surfaces }: { surfaces: readonly Surface[] }) {
  const mayPlan = useMay('plans');
  const states = new Set(surfaces.map(({ state }) => state));
  const [only = null] = states;
  const shown: Shown = states.size > 1 ? 'mixed' : (only ?? 'none');
  const change = useChangeSurfaces();
  const put = (state: State | null) =>
    change(surfaces, { state }, `${counted(surfaces.length, 'surface')}: ${state ?? 'state not said'}.`);
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
