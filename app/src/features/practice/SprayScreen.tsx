import { BYTES_LIMIT } from '@fine-spray/contract/formats';
import { readStrokes, writeStrokes } from '@fine-spray/contract/practice';
import {
  PRACTICE_PIECES,
  practiceRequest,
  targetOf,
  type PracticePieceId,
  type PracticeTarget,
  type Recording,
} from '@fine-spray/core/practice';
import type { SetupRequest } from '@fine-spray/core/setup';
import { refuse } from '@fine-spray/core/units';
import { useRouter, type Href } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { chooseFile, fileName, saveFile } from '@/data/deviceFiles';
import { newId } from '@/data/newId';
import { SvgButton } from '@/features/drawing';
import { Button } from '@/ui/button';
import { FieldError } from '@/ui/field';
import { Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { Judgement } from './Judgement';
import { Replay } from './Replay';
import { SprayBoard } from './SprayBoard';
import { records } from './record';
import { usePracticeSync } from './sync';
import { keepStrokes, lastStrokes } from './tries';
import { useJudged } from './useJudged';
import { useWho } from './useWho';
import { lastPoints } from './words';

const isPiece = (id: string): id is PracticePieceId => id in PRACTICE_PIECES;

/** A piece to practise on. */
export function SprayScreen({ piece }: { piece: string }) {
  const { system } = useUnits();
  const request = useMemo(() => (isPiece(piece) ? practiceRequest(piece) : undefined), [piece]);
  const target = useMemo(() => request && targetOf(request, system), [request, system]);
  const title = isPiece(piece) ? PRACTICE_PIECES[piece].name : 'Not here';
  return (
    <Screen broad title={title} above="Practice" backTo="/practice">
      {request && target?.ok && isPiece(piece) ? (
        <Sprayed
          key={piece}
          piece={piece}
          name={title}
          teaches={PRACTICE_PIECES[piece].teaches}
          request={request}
          target={target.value}
          after="/practice"
        />
      ) : (
        <ErrorState
          title="There is no such piece"
          text={target && !target.ok ? target.message : 'Go back and choose one.'}
        />
      )}
    </Screen>
  );
}

/** So many of one's last ones are compared with. */
const LAST = 5;

interface SprayedProps {
  /** Under which it is remembered. */
  readonly piece: string;
  readonly name: string;
  readonly teaches: string;
  readonly request: SetupRequest;
  readonly target: PracticeTarget;
  readonly after: Href;
}

/** Spraying a piece, and what came of it. */
export function Sprayed(props: SprayedProps) {
  const { target, teaches, piece } = props;
  const [sprayed, setRecording] = useState<{ readonly recording: Recording; readonly own: boolean }>();
  const last = useMemo(() => (sprayed ? undefined : lastStrokes(piece)), [sprayed, piece]);
  if (!sprayed)
    return (
      <>
        <Words colour="ink2">{teaches}</Words>
        <SprayBoard target={target} onDone={(sprayed) => setRecording({ recording: sprayed, own: true })} />
        {last ? (
          <Button
            label="Look at your last one again"
            kind="quiet"
            className="self-start"
            onPress={() => setRecording({ recording: last, own: false })}
          />
        ) : null}
        <OpenStrokes
          piece={props.piece}
          onOpen={(opened) => setRecording({ recording: opened, own: false })}
        />
      </>
    );
  return <Came {...props} {...sprayed} onAgain={() => setRecording(undefined)} />;
}

/** Takes a file of strokes, of oneself or of somebody else, to look at it. */
function OpenStrokes({ piece, onOpen }: { piece: string; onOpen: (recording: Recording) => void }) {
  const [wrong, setWrong] = useState<string>();
  const open = async () => {
    const file = await chooseFile('.json,application/json');
    if (!file) return;
    const read = strokesIn(file.bytes);
    if (!read.ok) setWrong(read.message);
    else if (read.value.piece !== piece)
      setWrong('These strokes were sprayed on another piece. Open them there.');
    else onOpen(read.value.recording);
  };
  return (
    <View className="self-start">
      <Button label="Open strokes from a file" kind="quiet" onPress={() => void open()} />
      {wrong === undefined ? null : <FieldError message={wrong} />}
    </View>
  );
}

function strokesIn(bytes: Uint8Array): ReturnType<typeof readStrokes> {
  const none = (message: string) => refuse('strokes.file', 'file', message);
  if (bytes.length > BYTES_LIMIT) return none('This file is larger than any strokes are.');
  try {
    return readStrokes(JSON.parse(new TextDecoder().decode(bytes)));
  } catch {
    return none('This is no file of strokes.');
  }
}

function Came({
  piece,
  name,
  request,
  target,
  after,
  recording,
  own,
  onAgain,
}: SprayedProps & {
  recording: Recording;
  /** Sprayed here just now, not opened from a file: it counts. */
  own: boolean;
  onAgain: () => void;
}) {
  const { system } = useUnits();
  const router = useRouter();
  const report = useJudged(request, recording, system);
  const { who } = useWho();
  usePracticeSync(who);
  const [before] = useState(() => lastPoints(records.of(who).learned, piece, LAST));
  const [replay, setReplay] = useState(false);
  const [full, setFull] = useState(false);
  const kept = useRef({ id: newId(), at: new Date().toISOString() });
  useEffect(() => {
    if (report?.kind !== 'done' || !own) return;
    const { points, marks } = report.judgement;
    const costs = Object.fromEntries(marks.map((mark) => [mark.of, mark.costs]));
    const { id, at } = kept.current;
    records.add(who, { id, at, kind: 'sprayed', piece, points, costs });
    const room = keepStrokes(id, recording, piece, at);
    setFull(!room || records.of(who).full);
  }, [report, piece, recording, who, own]);
  if (replay) return <Replay target={target} recording={recording} onClose={() => setReplay(false)} />;
  return (
    <View className="gap-4">
      {report === undefined ? <Skeleton rows={3} height={160} /> : null}
      {report?.kind === 'refused' ? <ErrorState title="This cannot be judged" text={report.message} /> : null}
      {report?.kind === 'done' ? (
        <Judgement target={target} judgement={report.judgement} before={before} />
      ) : null}
      {full ? (
        <Words role="alert" colour="caution">
          This device is full: the score is here until the page is closed. Save the strokes as a file to keep
          them.
        </Words>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <Button label="Spray it again" kind="primary" className="min-h-[56px] flex-1" onPress={onAgain} />
        <Button label="Replay" className="min-h-[56px]" onPress={() => setReplay(true)} />
      </View>
      <View className="flex-row flex-wrap gap-2">
        <Button
          label="Save the strokes"
          kind="quiet"
          onPress={() =>
            saveFile(
              fileName(`strokes ${name}`, 'json'),
              'application/json',
              `${JSON.stringify(writeStrokes(recording, piece, kept.current.at))}\n`,
            )
          }
        />
        {report?.kind === 'done' ? (
          <SvgButton label="Save the picture" of="film-picture" name={`film ${name}`} />
        ) : null}
        <Button label="Done" kind="quiet" onPress={() => router.navigate(after)} />
      </View>
    </View>
  );
}
