import type { BatchWrite, Surface, SurfaceFields } from '@fine-spray/contract';
import { jobFileOf, takeoffSheet, writeJob, type TakeoffSurface } from '@fine-spray/contract/formats';
import { counted, measure, showText } from '@fine-spray/core';
import Download from 'lucide-react-native/icons/download';
import Upload from 'lucide-react-native/icons/upload';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { fileName, saveFile, type ChosenFile } from '@/data/deviceFiles';
import { newId } from '@/data/newId';
import { contentOf, deletion, useBatch, usePlaces } from '@/data/resources';
import { Papers } from '@/features/paper';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { CsvStyleChoice, TableOut } from '@/features/tables';
import { Button } from '@/ui/button';
import { Screen } from '@/ui/screen';
import { useStable } from '@/ui/stable';
import { Skeleton } from '@/ui/states';
import { TickRow } from '@/ui/tickRow';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { sentToJob } from './forJob';
import { Issues } from './Issues';
import { Reading } from './Reading';
import { useFileReader } from './useFileReader';

const TITLE = 'Files';
/** Files a take-off or a building model comes in. */
const TAKEN = '.csv,.tsv,.txt,.xml,.gbxml,text/csv,text/xml';

/** A write that puts a surface back as it was, over the version it has now; one that was not there goes again. */
function asItWas(id: string, before: Surface | undefined, version: number): BatchWrite {
  if (!before) return deletion('surfaces')({ id, version });
  return {
    resource: 'surfaces',
    id,
    content: { ...(contentOf(before) as SurfaceFields), version },
  };
}

/** A job's files: take-off and job out, take-off and building model in. */
export function FilesScreen({ jobId }: { jobId: string }) {
  return (
    <JobFrame
      jobId={jobId}
      title={TITLE}
      backTo={`/jobs/${jobId}`}
      waiting={<Skeleton rows={3} height={160} />}
    >
      {(loaded) => <Files {...loaded} />}
    </JobFrame>
  );
}

function Files({ job, surfaces, kit }: LoadedJob) {
  const { data: places } = usePlaces(job.id);
  const { chosen, read, choose, drop } = useFileReader('surfaces');
  const take = useStable((file: ChosenFile) =>
    read({ ...file, kit, placeIds: (places ?? []).map(({ id }) => id) }),
  );
  const ready = places !== undefined;
  useEffect(() => {
    const sent = ready ? sentToJob() : undefined;
    if (sent) take(sent);
  }, [ready, take]);
  const toast = useToast();
  const send = useBatch();

  async function takeIn(found: readonly TakeoffSurface[]) {
    const last = Math.max(0, ...surfaces.map(({ position }) => position));
    const known = new Map(surfaces.map((surface) => [surface.id, surface]));
    const writes = found.map(({ id, fields }): BatchWrite => {
      const there = id === undefined ? undefined : known.get(id);
      // What follows from a room keeps the sizes that were measured there; of a room of another job it is on its own.
      const measured = there?.placeId
        ? {
            placeId: there.placeId,
            part: there.part,
            element: there.element,
            side: there.side,
            geometry: there.geometry,
          }
        : { placeId: null, part: '' };
      return {
        resource: 'surfaces',
        id: there?.id ?? newId(),
        content: {
          jobId: job.id,
          ...fields,
          ...measured,
          position: there ? fields.position : Math.min(1_000_000, last + 10 + fields.position),
          version: there?.version ?? 0,
        },
      };
    });
    try {
      const stored = await send(writes);
      drop();
      const before = writes.map(({ id }, index) => asItWas(id, known.get(id), stored[index]?.version ?? 0));
      toast({
        text: `${writes.length} surfaces are taken in.`,
        undo: () =>
          void send(before).catch((error: unknown) => toast({ text: `Not undone: ${whyFailed(error)}` })),
      });
    } catch (error) {
      toast({ text: `Nothing was taken in: ${whyFailed(error)}` });
    }
  }

  return (
    <Screen title={TITLE} above={job.name} backTo={`/jobs/${job.id}`}>
      <Card title="On paper">
        <Papers job={job} />
      </Card>
      <Card title="Bring in a take-off or a building model">
        <Words colour="ink2">
          CSV with a header (only Surface, Width and Height are needed), or a gbXML model. What it says is
          shown first; nothing is changed until you say so.
        </Words>
        <Button
          label="Choose a file"
          icon={Upload}
          kind="primary"
          className="self-start"
          onPress={() => void choose(TAKEN, { kit, placeIds: (places ?? []).map(({ id }) => id) })}
        />
        {chosen && !chosen.result ? <Reading name={chosen.name} onCancel={drop} /> : null}
        {chosen?.result ? (
          chosen.result.ok ? (
            <Preview
              name={chosen.name}
              found={chosen.result.value}
              notes={chosen.result.notes}
              known={new Set(surfaces.map(({ id }) => id))}
              measured={new Set(surfaces.flatMap(({ id, placeId }) => (placeId === null ? [] : [id])))}
              onTake={takeIn}
              onDrop={drop}
            />
          ) : (
            <Issues name={chosen.name} issues={chosen.result.issues} />
          )
        ) : null}
      </Card>
      <Card title="Save as a file">
        <Words colour="ink2">
          Open formats, described in docs/formats.md. Lengths are in metres; the header says so.
        </Words>
        <View className="flex-row flex-wrap gap-2">
          <TableOut
            label="Take-off"
            file={job.name}
            disabled={surfaces.length === 0}
            make={() => takeoffSheet(surfaces, kit.coatings)}
          />
          <Button
            label="Whole job, JSON"
            icon={Download}
            disabled={!places}
            onPress={() =>
              saveFile(
                fileName(job.name, 'job.json'),
                'application/json',
                writeJob(jobFileOf(job, places ?? [], surfaces, kit.coatings)),
              )
            }
          />
        </View>
        <CsvStyleChoice />
      </Card>
    </Screen>
  );
}

function Card({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <View className="gap-3 rounded-2xl border border-rule bg-sheet p-4">
      <Words weight="bold" size={18} heading={2}>
        {title}
      </Words>
      {children}
    </View>
  );
}

/** Surfaces shown of a file before the rest is counted. */
const FIRST = 40;

/** What a file would add or change. */
function Preview({
  name,
  found: read,
  notes,
  known,
  measured,
  onTake,
  onDrop,
}: {
  name: string;
  found: readonly TakeoffSurface[];
  notes: readonly string[];
  known: ReadonlySet<string>;
  /** Surfaces that follow from a room. */
  measured: ReadonlySet<string>;
  onTake: (found: readonly TakeoffSurface[]) => Promise<void>;
  onDrop: () => void;
}) {
  const { system } = useUnits();
  const [busy, setBusy] = useState(false);
  const [withOffered, setWithOffered] = useState(false);
  const offered = read.filter((surface) => surface.offered);
  const found = withOffered ? read : read.filter((surface) => !surface.offered);
  const changed = found.filter(({ id }) => id !== undefined && known.has(id)).length;
  const inRooms = found.filter(({ id }) => id !== undefined && measured.has(id)).length;
  const areaOf = ({ fields }: TakeoffSurface) => {
    const area = measure(fields.geometry);
    return area.ok ? area.value.net : 0;
  };
  const areaOfAll = (surfaces: readonly TakeoffSurface[]) =>
    showText(
      surfaces.reduce((sum, surface) => sum + areaOf(surface), 0),
      'area',
      system,
    );
  return (
    <View className="gap-2" testID="file-preview">
      <Words size={30} weight="bold">
        {areaOfAll(found)}
      </Words>
      <Words>
        {`${name}: ${counted(found.length, 'surface')}, ${found.length - changed} new${changed > 0 ? `, ${changed} changed` : ''}.`}
      </Words>
      {inRooms > 0 ? (
        <Words colour="ink2">{`${inRooms} of them follow from rooms: their sizes stay as measured there.`}</Words>
      ) : null}
      {notes.map((note) => (
        <Words key={note} colour="caution">
          {note}
        </Words>
      ))}
      {offered.length > 0 ? (
        <TickRow
          label="Outside faces too"
          words={`Outside faces too: ${counted(offered.length, 'surface')}, ${areaOfAll(offered)}`}
          note="Walls and roofs as seen from outside, by the side of the house. Set what they are made of before you go by their cards."
          role="checkbox"
          on={withOffered}
          onPress={() => setWithOffered(!withOffered)}
        />
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <Button
          label={`Take in ${found.length}`}
          kind="primary"
          disabled={busy}
          onPress={() => {
            setBusy(true);
            void onTake(found).finally(() => setBusy(false));
          }}
        />
        <Button label="Leave it" onPress={onDrop} />
      </View>
      {found.slice(0, FIRST).map((surface, index) => (
        <View key={index} className="flex-row items-baseline gap-2 border-t border-rule py-1">
          <View className="min-w-0 flex-1">
            <Words size={14} colour="ink2" numberOfLines={1}>
              {surface.fields.room}
            </Words>
            <Words numberOfLines={1}>{surface.fields.name}</Words>
          </View>
          <Words weight="digits">{showText(areaOf(surface), 'area', system)}</Words>
        </View>
      ))}
      {found.length > FIRST ? <Words colour="ink2">{`and ${found.length - FIRST} more`}</Words> : null}
    </View>
  );
}
