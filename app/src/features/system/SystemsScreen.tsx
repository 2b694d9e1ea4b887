import type { BatchWrite, Surface } from '@fine-spray/contract';
import type { SystemChoice } from '@fine-spray/contract/planning';
import { counted } from '@fine-spray/core';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { contentOf, useBatch, useList } from '@/data/resources';
import { SystemsSheet } from '@/features/compare';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { Screen } from '@/ui/screen';
import { EmptyState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { SystemNotes } from './SystemNotes';
import { SystemSheet } from './SystemSheet';
import { systemGroups, type SystemGroup } from './groups';
import { presetsFor, systemText } from '@/data/systems';
import { useKeepSystem } from './useKeepSystem';

const TITLE = 'Coating systems';

/** Where a group has no surface left. */
const PLAIN = { kind: 'smooth-board', condition: 'sealed', side: 'inside' } as const;

/** The coating systems of a job, group by group: one tap changes all surfaces alike. */
export function SystemsScreen({ jobId }: { jobId: string }) {
  return (
    <JobFrame
      jobId={jobId}
      title={TITLE}
      backTo={`/jobs/${jobId}`}
      waiting={<Skeleton rows={5} height={120} />}
    >
      {(loaded) => <Systems {...loaded} />}
    </JobFrame>
  );
}

/** The write that gives a surface some new content over a version. */
function writeOf(row: Surface, change: Partial<Surface>, version: number): BatchWrite {
  return {
    resource: 'surfaces',
    id: row.id,
    content: { ...contentOf(row), ...change, version },
  };
}

function Systems({ job, surfaces, kit }: LoadedJob) {
  const groups = useMemo(() => systemGroups(surfaces), [surfaces]);
  const { data: systems = [] } = useList('systems');
  const [open, setOpen] = useState<string>();
  const [comparing, setComparing] = useState(false);
  const send = useBatch();
  const keep = useKeepSystem();
  const toast = useToast();
  const shown = groups.find(({ key }) => key === open);

  async function apply(group: SystemGroup, choice: SystemChoice, name: string) {
    setOpen(undefined);
    const { coatingId, coats, thinning, under } = choice;
    // A tip chosen by hand was for the coating before.
    const chosen = { coatingId, coats, thinning, under, tip: null };
    try {
      const stored = await send(group.surfaces.map((row) => writeOf(row, chosen, row.version)));
      toast({
        text: `${name}: on ${counted(group.surfaces.length, 'surface')}.`,
        undo: () =>
          void send(group.surfaces.map((row, at) => writeOf(row, {}, stored[at]?.version ?? 0))).catch(
            failed,
          ),
      });
    } catch (error) {
      failed(error);
    }
  }
  const failed = (error: unknown) => toast({ text: `Not changed: ${whyFailed(error)}` });

  return (
    <Screen title={TITLE} above={job.name} backTo={`/jobs/${job.id}`}>
      {groups.length === 0 ? (
        <EmptyState title="No surfaces yet" text="Measure a room first: its surfaces are grouped here." />
      ) : (
        <Words colour="ink2">Tap a group to change all of its surfaces at once.</Words>
      )}
      {groups.map((group) => (
        <Pressable
          key={group.key}
          role="button"
          onPress={() => setOpen(group.key)}
          className="gap-2 rounded-2xl border border-rule bg-sheet p-4"
        >
          <View className="flex-row items-baseline gap-3">
            <Words weight="bold" className="min-w-0 flex-1">
              {group.name}
            </Words>
            <Words size={14} colour="ink2">
              {counted(group.surfaces.length, 'surface')}
            </Words>
          </View>
          {group.choice ? (
            <>
              <Words>{systemText(group.choice, kit.coatings)}</Words>
              <SystemNotes
                choice={group.choice}
                ground={group.surfaces[0] ?? PLAIN}
                coatings={kit.coatings}
              />
            </>
          ) : (
            <Words colour="ink2">
              {`Different systems: ${[...new Set(group.surfaces.map((row) => systemText(row, kit.coatings)))].join('; ')}`}
            </Words>
          )}
        </Pressable>
      ))}
      {comparing && shown?.surfaces[0] ? (
        <SystemsSheet
          title={shown.name}
          job={job}
          kit={kit}
          surfaces={shown.surfaces}
          presets={presetsFor(shown.surfaces[0], systems, kit.coatings)}
          onClose={() => setComparing(false)}
        />
      ) : shown?.surfaces[0] ? (
        <SystemSheet
          title={shown.name}
          piece={shown.surfaces[0]}
          now={shown.choice}
          systems={systems}
          coatings={kit.coatings}
          onChoose={(choice, name) => void apply(shown, choice, name)}
          onCompare={() => setComparing(true)}
          onKeep={(name, choice) => void keep(name, shown.surfaces[0], choice)}
          onClose={() => setOpen(undefined)}
        />
      ) : null}
    </Screen>
  );
}
