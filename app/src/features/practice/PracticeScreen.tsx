import {
  PRACTICE_PIECES,
  PRACTICE_PIECE_IDS,
  SKILLS,
  SKILL_IDS,
  type PracticePieceId,
} from '@fine-spray/core/practice';
import { counted } from '@fine-spray/core/units';
import type { PracticeFields } from '@fine-spray/contract/practice';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useList } from '@/data/resources';
import { Beside } from '@/ui/beside';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { Panel } from '@/ui/panel';
import { Screen } from '@/ui/screen';
import { Words } from '@/ui/text';
import { PracticeRow } from './PracticeRow';
import { session, standing } from './learning';
import { usePracticeRecord } from './record';
import { lastPoints, meanOf, shareText } from './words';
import { usePracticeSync } from './sync';
import { useWanted } from './useWanted';
import { NOBODY, useWho } from './useWho';

/** A piece is got when the last ones are this good, points. */
const GOT = 70;
const LAST = 3;

/** The first piece that is not got yet: what to spray next. */
export function nextPiece(learned: PracticeFields): PracticePieceId | undefined {
  return PRACTICE_PIECE_IDS.find((id) => {
    const own = lastPoints(learned, id, LAST);
    return own.length < LAST || meanOf(own) < GOT;
  });
}

/** Where somebody learns: what is due, pieces to spray, and drills. */
export function PracticeScreen() {
  const router = useRouter();
  const { who, people, choose } = useWho();
  const { learned, full } = usePracticeRecord(who);
  const failed = usePracticeSync(who);
  const wanted = useWanted();
  const due = useMemo(
    () => session(learned, new Date(), undefined, wanted.skills).length,
    [learned, wanted.skills],
  );
  const next = nextPiece(learned);
  const drills = (
    <>
      <Panel title="Five minutes a day" testID="practice-due">
        <Words>
          {due > 0
            ? `${due} questions: what you are about to forget first, then something new.`
            : 'Nothing is due today. What you know comes again in some days.'}
        </Words>
        <Button
          label={due > 0 ? 'Begin' : 'Nothing due'}
          kind="primary"
          disabled={due === 0}
          className="min-h-[56px]"
          onPress={() => router.navigate('/practice/drill')}
        />
        {wanted.because.map((sentence) => (
          <Words key={sentence}>{sentence}</Words>
        ))}
      </Panel>
      <Panel title="Drills">
        <View>
          {SKILL_IDS.map((id) => (
            <PracticeRow
              key={id}
              name={SKILLS[id]}
              said={shareText(standing(learned, id))}
              strong={wanted.skills.includes(id)}
              onPress={() => router.navigate({ pathname: '/practice/drill', params: { skill: id } })}
            />
          ))}
        </View>
      </Panel>
    </>
  );
  const pieces = (
    <Panel title="Spray a piece">
      <View>
        {PRACTICE_PIECE_IDS.map((id) => {
          const own = lastPoints(learned, id, LAST);
          return (
            <PracticeRow
              key={id}
              name={PRACTICE_PIECES[id].name}
              note={PRACTICE_PIECES[id].teaches}
              said={own.length === 0 ? (id === next ? 'next' : 'new') : String(Math.round(meanOf(own)))}
              strong={id === next || wanted.pieces.includes(id)}
              onPress={() => router.navigate(`/practice/spray/${id}`)}
            />
          );
        })}
      </View>
      <Words size={14} colour="ink2">
        {`Points are the mean of your last ${LAST}, of 100. From ${GOT} on go to the next piece.`}
      </Words>
    </Panel>
  );
  return (
    <Screen broad title="Practice" backTo="/set-up">
      <Words colour="ink2">
        Learn the hand and the eye without wasting paint. Nothing of it goes into the records of a job, and it
        is no certificate.
      </Words>
      {people.length > 0 ? (
        <Choice
          label="Who practises"
          value={who}
          options={[
            { value: NOBODY, label: 'Nobody named' },
            ...people.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(id) => choose(id === NOBODY ? '' : id)}
        />
      ) : null}
      {failed === undefined ? null : (
        <Words role="alert" colour="caution">{`Kept on this device, not on the server: ${failed}`}</Words>
      )}
      {full ? (
        <Words role="alert" colour="caution">
          This device is full: what you do now counts until the page is closed.
        </Words>
      ) : null}
      <Beside
        left={drills}
        right={
          <>
            {pieces}
            <OfJobs />
          </>
        }
      />
    </Screen>
  );
}

/** Jobs whose surfaces can be practised: the hardest of each is found by laying all of them. */
function OfJobs() {
  const router = useRouter();
  const { data: jobs = [] } = useList('jobs');
  const open = jobs.filter(({ status, surfaceCount }) => status !== 'finished' && surfaceCount > 0);
  if (open.length === 0) return null;
  return (
    <Panel title="Surfaces of a job">
      <Words>Which of them a usual hand gets wrong most, to be sprayed on the screen first.</Words>
      {open.map(({ id, name, surfaceCount }) => (
        <PracticeRow
          key={id}
          name={name}
          said={counted(surfaceCount, 'surface')}
          onPress={() => router.navigate({ pathname: '/practice/house/[jobId]', params: { jobId: id } })}
        />
      ))}
    </Panel>
  );
}
