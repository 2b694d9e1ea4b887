import { SKILLS, type Drill, type Question, type Skill } from '@fine-spray/core/practice';
import { seeded } from '@fine-spray/core/random';
import { useRouter } from 'expo-router';
import Check from 'lucide-react-native/icons/check';
import X from 'lucide-react-native/icons/x';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import { newId } from '@/data/newId';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Screen } from '@/ui/screen';
import { EmptyState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';
import { session } from './learning';
import { records, usePracticeRecord } from './record';
import { ShownPicture } from './ShownPicture';
import { usePracticeSync } from './sync';
import { useWanted } from './useWanted';
import { useWho } from './useWho';

const isSkill = (text: string | undefined): text is Skill => text !== undefined && text in SKILLS;

/** A few questions: those that are due, or of one skill. */
export function DrillScreen({ skill }: { skill?: string }) {
  const { who } = useWho();
  const only = isSkill(skill) ? skill : undefined;
  usePracticeSync(who);
  const wanted = useWanted();
  const [run, setRun] = useState(0);
  const drills = useMemo(
    () => session(records.of(who).learned, new Date(), only, wanted.skills),
    // The questions of a session are found when it begins: what is answered in it does not change them.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [who, only, run],
  );
  return (
    <Screen title={only ? SKILLS[only] : 'Five minutes'} above="Practice" backTo="/practice">
      {drills.length === 0 ? (
        <EmptyState
          title="Nothing is due"
          text="What you know well comes again in some days. Spray a piece, or choose a skill."
        />
      ) : (
        <Session key={run} who={who} drills={drills} onAgain={() => setRun((count) => count + 1)} />
      )}
    </Screen>
  );
}

function Session({ who, drills, onAgain }: { who: string; drills: readonly Drill[]; onAgain: () => void }) {
  const router = useRouter();
  const { system } = useUnits();
  const { full } = usePracticeRecord(who);
  const [random] = useState(() => seeded(Date.now() | 0));
  const [at, setAt] = useState(0);
  const [right, setRight] = useState(0);
  const [answer, setAnswer] = useState<number>();
  const drill = drills[at];
  const question = useMemo(() => drill?.draw(random, system), [drill, random, system]);
  const asked = useRef(0);
  useEffect(() => {
    asked.current = performance.now();
  }, [question]);
  if (!drill || !question)
    return (
      <View className="gap-4" testID="drill-end">
        <Words size={44} weight="digits-bold" colour="wet">
          {`${right} of ${drills.length}`}
        </Words>
        <Words role="status">
          {right === drills.length
            ? 'All right. What you know comes again later; what was hard, sooner.'
            : 'What was wrong comes again soon, with other numbers.'}
        </Words>
        <Button
          label="Done"
          kind="primary"
          className="min-h-[56px]"
          onPress={() => router.navigate('/practice')}
        />
        <Button label="Some more" onPress={onAgain} />
      </View>
    );
  const take = (option: number) => {
    if (answer !== undefined) return;
    const isRight = option === question.right;
    setAnswer(option);
    if (isRight) setRight(right + 1);
    records.add(who, {
      id: newId(),
      at: new Date().toISOString(),
      kind: 'answer',
      item: question.item,
      skill: question.skill,
      right: isRight,
      seconds: (performance.now() - asked.current) / 1000,
    });
  };
  return (
    <View className="gap-4" testID="drill">
      <Words size={14} colour="ink2">
        {`${at + 1} of ${drills.length} · ${SKILLS[question.skill]}`}
      </Words>
      {question.shown ? <ShownPicture shown={question.shown} /> : null}
      <Words size={22} weight="bold" heading={2}>
        {question.asks}
      </Words>
      <View className="gap-2" role="radiogroup" aria-label="Answers">
        {question.options.map((option, index) => (
          <Option
            key={option}
            option={option}
            index={index}
            question={question}
            answer={answer}
            onPress={take}
          />
        ))}
      </View>
      {answer === undefined ? null : (
        <Panel testID="drill-because">
          <Words role="alert" weight="bold" size={18}>
            {answer === question.right
              ? 'Right.'
              : `Not that. Right is: ${question.options[question.right] ?? ''}`}
          </Words>
          {question.because.map((sentence) => (
            <Words key={sentence}>{sentence}</Words>
          ))}
          <Button
            label={at + 1 < drills.length ? 'Next' : 'See how it went'}
            kind="primary"
            className="min-h-[56px]"
            onPress={() => {
              setAnswer(undefined);
              setAt(at + 1);
            }}
          />
        </Panel>
      )}
      {full ? (
        <Words role="alert" colour="caution">
          This device is full: what you answer counts until the page is closed.
        </Words>
      ) : null}
    </View>
  );
}

function Option({
  option,
  index,
  question,
  answer,
  onPress,
}: {
  option: string;
  index: number;
  question: Question;
  answer: number | undefined;
  onPress: (index: number) => void;
}) {
  const { palette } = useTheme();
  const told = answer !== undefined;
  const right = told && index === question.right;
  const wrong = told && index === answer && !right;
  const border = right
    ? 'border-wet bg-wet-tint'
    : wrong
      ? 'border-danger bg-danger-tint'
      : 'border-ink bg-sheet';
  return (
    <Pressable
      role="radio"
      aria-checked={answer === index}
      aria-disabled={told}
      onPress={() => onPress(index)}
      className={`min-h-[56px] flex-row items-center gap-3 rounded-xl border-2 px-4 py-2 ${border}`}
    >
      <Words className="min-w-0 flex-1" weight={right ? 'bold' : 'regular'}>
        {option}
      </Words>
      {right ? <Check size={24} color={palette.wet} aria-label="right" /> : null}
      {wrong ? <X size={24} color={palette.danger} aria-label="wrong" /> : null}
    </Pressable>
  );
}
