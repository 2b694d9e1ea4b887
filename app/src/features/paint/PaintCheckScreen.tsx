import {
  CUP_CHOICES,
  OWN_CUP,
  SHIFTS,
  KINDS,
  meanOf,
  thinnerAfter,
  type ViscosityRecord,
} from '@fine-spray/contract';
import {
  CUPS,
  CUP_NOTE,
  coatingValues,
  show,
  showRange,
  showText,
  type ThinningAdvice,
} from '@fine-spray/core';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { sentences } from '@/data/draft';
import { useLog } from '@/data/log';
import { useWriter } from '@/data/me';
import { useList } from '@/data/resources';
import { useWriteDown } from '@/data/writeDown';
import { SiteCautions } from '@/features/cautions';
import { ViscosityPaper } from '@/features/paper';
import { WhoWrites } from '@/features/people';
import type { Site } from '@/features/site';
import { Big } from '@/ui/big';
import { Button } from '@/ui/button';
import { Beside } from '@/ui/beside';
import { CautionBox } from '@/ui/caution';
import { Choice } from '@/ui/choice';
import { FieldError, QuantityField, TextField } from '@/ui/field';
import { useOneTap } from '@/ui/oneTap';
import { Panel } from '@/ui/panel';
import { Segmented } from '@/ui/segmented';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { Stopwatch, TypedTime } from './Stopwatch';
import { ViscosityChart } from './ViscosityChart';
import {
  advisedOf,
  toTheMark,
  usePaintCheck,
  usesThinner,
  type Check,
  type CupChoiceId,
  type PaintAnswer,
} from './usePaintCheck';

const TEMPERATURES = { min: 273.15, max: 323.15 } as const;
const cupName = (cup: CupChoiceId) => (cup === OWN_CUP ? 'Own cup, seconds only' : CUPS[cup].name);

/** The thinner of a check: what is added now, what the data sheet allows, and what may still go in. */
function thinnerOf(check: Check, answer: PaintAnswer, site: Site) {
  const added = check.added ?? advisedOf(answer.advice);
  const limit = coatingValues(site.coating).thinningLimit;
  return {
    added,
    limit,
    over: thinnerAfter(check, added) > limit * 1.001 && added > 0,
    room: (Math.max(0, limit - check.thinnerBefore) * check.container) / (1 + check.thinnerBefore),
  };
}

/** The check as the log has it. */
function recordOf(check: Check, answer: PaintAnswer, site: Site): ViscosityRecord {
  const { added } = thinnerOf(check, answer, site);
  return {
    coatingId: site.coating.id,
    batch: check.batch,
    newContainer: check.newContainer,
    shift: check.shift,
    cup: answer.cup,
    temperature: check.temperature,
    before: [...check.before],
    target: answer.target,
    thinnerBefore: check.thinnerBefore,
    container: check.container,
    addedWhat: added > 0 ? check.addedWhat : '',
    added,
    after: [...check.after],
    viscosityBefore: answer.viscosity?.ok ? answer.viscosity.value.value : null,
    viscosityAfter: answer.after?.ok ? answer.after.value.value : null,
  };
}

/** Cup, stopwatch, temperature: whether to thin, warm, or spray; and the record of it. */
export function PaintCheckScreen({ site }: { site: Site }) {
  const { system } = useUnits();
  const log = useLog();
  const { entries } = log;
  const write = useWriteDown();
  const { writer } = useWriter();
  const gear = useList('gear').data ?? [];
  const { check, answer, change, setContainer, clear, full } = usePaintCheck(site, gear, log, system);
  const [invalid, setInvalid] = useState<Record<string, string | undefined>>({});
  const [sentence, setSentence] = useState<string>();
  const onInvalid = (field: string) => (message: string | undefined) =>
    setInvalid((now) => ({ ...now, [field]: message }));
  function keep() {
    const record = recordOf(check, answer, site);
    const checked = KINDS.viscosity.payload.safeParse(record);
    // A record of the paint is never without who.
    const nobody = writer === undefined ? 'Say who checked it: it stands in the record.' : undefined;
    setSentence(checked.success ? nobody : Object.values(sentences(checked.error.issues))[0]);
    if (!checked.success || nobody !== undefined) return;
    const before = check;
    write(
      { kind: 'viscosity', payload: record, jobId: site.jobId, surfaceId: site.surfaceId },
      `Kept: ${site.coating.name}, ${meanOf(check.before).toFixed(1)} s. Rinse the cup before the paint dries in it.`,
      () => change(before),
    );
    clear();
  }
  const keepOnce = useOneTap(keep);
  const step = { site, check, answer, change, setContainer, onInvalid };
  return (
    <Beside
      left={
        <>
          <Answer site={site} answer={answer} check={check} />
          <Measuring {...step} />
          <SiteCautions request={site.request} screen="paint" />
        </>
      }
      right={
        <>
          <Wanted {...step} />
          {check.before.length > 0 ? (
            <Afterwards {...step}>
              {sentence ? <FieldError message={sentence} /> : null}
              {full ? (
                <Words colour="danger">
                  This device takes no more: this check holds until the page is closed.
                </Words>
              ) : null}
              <Button
                label="Keep this check"
                kind="primary"
                disabled={Object.values(invalid).some((message) => message !== undefined)}
                onPress={keepOnce}
              />
            </Afterwards>
          ) : null}
          <ViscosityChart
            entries={entries}
            coatingId={site.coating.id}
            name={site.coating.name}
            slopes={answer.slopes}
          />
          <ViscosityPaper job={site.jobId ?? undefined} />
        </>
      }
    />
  );
}

/** What each step of a check is shown from. */
interface StepProps {
  readonly site: Site;
  readonly check: Check;
  readonly answer: PaintAnswer;
  readonly change: (part: Partial<Check>) => void;
  readonly setContainer: (which: 'new' | 'opened') => void;
  readonly onInvalid: (field: string) => (message: string | undefined) => void;
}

function Measuring({ site, check, answer, change, onInvalid }: StepProps) {
  return (
    <Panel title="1. Measure">
      <Choice
        label={check.cup === null ? 'Cup, as advised for this paint' : 'Cup'}
        value={answer.cup}
        options={CUP_CHOICES.map((value) => ({
          value,
          label: cupName(value),
          ...(value === answer.advised ? { note: 'Reads this paint in its middle' } : {}),
        }))}
        onChange={(cup) => change({ cup, target: null })}
      />
      <QuantityField
        label="Temperature of the paint"
        kind="temperature"
        value={check.temperature}
        bounds={TEMPERATURES}
        onChange={(temperature) => change({ temperature })}
        onInvalid={onInvalid('temperature')}
      />
      <Stopwatch
        label="Cup time"
        of={`${site.key} ${site.coating.id}`}
        readings={check.before}
        listens={check.added === null && check.after.length === 0}
        onChange={(before) => change({ before })}
      />
      <TypedTime onAdd={(seconds) => change({ before: [...check.before, seconds].slice(-9) })} />
    </Panel>
  );
}

function Wanted({ site, check, answer, change, setContainer, onInvalid }: StepProps) {
  return (
    <Panel title="2. What is wanted">
      <QuantityField
        label="Cup time wanted"
        kind="time"
        value={answer.target}
        bounds={{ min: 2, max: 600 }}
        onChange={(target) => change({ target })}
        onInvalid={onInvalid('target')}
      />
      <Words size={14} colour="ink2">
        As it is sprayed: from the last check with this cup, or what this coating reads at 23 °C. The data
        sheet comes first.
      </Words>
      <Segmented
        label="Container"
        value={check.newContainer ? 'new' : 'opened'}
        options={[
          { value: 'new' as const, label: 'New container' },
          { value: 'opened' as const, label: 'Opened before' },
        ]}
        onChange={setContainer}
      />
      <QuantityField
        label="Paint in the container"
        kind="volume"
        value={check.container}
        bounds={{ min: 1e-4, max: 1.2 }}
        onChange={(container) => change({ container })}
        onInvalid={onInvalid('container')}
      />
      <QuantityField
        label="Thinner in it already"
        kind="percent"
        value={check.thinnerBefore}
        bounds={{ min: 0, max: Math.max(coatingValues(site.coating).thinningLimit, check.thinnerBefore) }}
        onChange={(thinnerBefore) => change({ thinnerBefore })}
        onInvalid={onInvalid('thinnerBefore')}
      />
      <QuantityField
        label="Room temperature"
        kind="temperature"
        value={check.room}
        bounds={TEMPERATURES}
        onChange={(room) => change({ room })}
        onInvalid={onInvalid('room')}
      />
      <Segmented
        label="When it is sprayed"
        value={String(check.wait)}
        options={WAITS.map(([hours, label]) => ({ value: String(hours * HOUR), label }))}
        onChange={(wait) => change({ wait: Number(wait) })}
      />
    </Panel>
  );
}

function Afterwards({
  site,
  check,
  answer,
  change,
  onInvalid,
  children,
}: StepProps & { children: ReactNode }) {
  const { system } = useUnits();
  const { added, limit, over, room } = thinnerOf(check, answer, site);
  return (
    <Panel title="3. After thinning or warming">
      <QuantityField
        label="Thinner added now"
        kind="millilitres"
        value={added}
        bounds={{ min: 0, max: 0.6 }}
        onChange={(next) => change({ added: next })}
        onInvalid={onInvalid('added')}
      />
      {over ? (
        <CautionBox
          what={`That is past the data sheet: ${showText(limit, 'percent', system)} at most`}
          why="Over-thinned paint runs, hides less and dries thin."
          instead={`Add ${showText(room, 'millilitres', system)} at most, then warm it or fit a larger orifice.`}
        />
      ) : null}
      <TextField
        label="What is added"
        value={check.addedWhat}
        onChange={(addedWhat) => change({ addedWhat })}
      />
      <Stopwatch
        label="Cup time after"
        of={`${site.key} ${site.coating.id}`}
        readings={check.after}
        listens={check.added !== null || check.after.length > 0}
        onChange={(after) => change({ after })}
      />
      {answer.after && !answer.after.ok ? <FieldError message={answer.after.message} /> : null}
      {answer.next?.ok ? (
        <Next
          advice={answer.next.value}
          added={added}
          onAdded={(next) => change({ added: next, after: [] })}
        />
      ) : null}
      <TextField label="Batch" value={check.batch} onChange={(batch) => change({ batch })} />
      <Segmented
        label="Shift"
        value={check.shift}
        options={SHIFTS.map((value) => ({ value, label: value }))}
        onChange={(shift) => change({ shift })}
      />
      <WhoWrites />
      {children}
    </Panel>
  );
}

const HEADS: Readonly<Record<ThinningAdvice['move'], string>> = {
  spray: 'Spray it as it is',
  thin: 'Thin it',
  'thin for the cold': 'Warm it, or thin it for the cold',
  warm: 'Warm it, do not thin it',
  'warm, then thin': 'Warm it first, then thin',
  limit: 'Thin to the limit, no further',
  'too thin': 'Thinner than wanted',
};

/** What is still to be done by the reading after: until it is as wanted, or at the limit of the sheet. */
function Next({
  advice,
  added,
  onAdded,
}: {
  advice: ThinningAdvice;
  added: number;
  onAdded: (added: number) => void;
}) {
  const { system } = useUnits();
  const more = advisedOf({ ok: true, value: advice });
  return (
    <View className="gap-2 rounded-xl border border-rule p-3" testID="paint-next">
      <Words size={22} weight="bold">
        {more > 0 ? `Still ${showText(more, 'millilitres', system)}` : HEADS[advice.move]}
      </Words>
      <Words>{advice.words}</Words>
      {more > 0 ? (
        <Button
          label="Added: measure again"
          onPress={() => onAdded(toTheMark(added + more))}
          className="self-start"
        />
      ) : null}
    </View>
  );
}

const HOUR = 3600;
/** Hours until it is sprayed that are asked for. */
const WAITS = [
  [0, 'At once'],
  [4, 'In 4 hours'],
  [16, 'Tomorrow'],
] as const;

/** The answer first: what to do with this container. */
function Answer({ site, answer, check }: { site: Site; answer: PaintAnswer; check: Check }) {
  const { system } = useUnits();
  const limit = coatingValues(site.coating).thinningLimit;
  if (check.before.length === 0) {
    return (
      <Panel testID="paint-answer">
        <Words
          size={22}
          weight="bold"
        >{`${cupName(answer.cup)}: ${answer.target.toFixed(answer.target % 1 === 0 ? 0 : 1)} s wanted`}</Words>
        <Words>Stir, strain, fill the cup, and time it. The answer moves with each reading.</Words>
        <Words size={14} colour="ink2">
          {CUP_NOTE}
        </Words>
      </Panel>
    );
  }
  if (answer.own) {
    return (
      <Panel testID="paint-answer">
        {answer.own.ok ? (
          <>
            <Words size={30} weight="bold">
              {answer.own.value.verdict === 'as wanted'
                ? 'As wanted'
                : `It is ${answer.own.value.verdict} than wanted`}
            </Words>
            <Words>{answer.own.value.words}</Words>
          </>
        ) : (
          <FieldError message={answer.own.message} />
        )}
      </Panel>
    );
  }
  const refused =
    answer.viscosity && !answer.viscosity.ok
      ? answer.viscosity
      : answer.advice && !answer.advice.ok
        ? answer.advice
        : undefined;
  if (refused || !answer.advice?.ok) {
    return (
      <Panel testID="paint-answer">
        <FieldError message={refused?.message ?? 'This reading cannot be worked out.'} />
      </Panel>
    );
  }
  const { move, words, amount, warmingTime, readsWarm, sprayedAt, readsSprayed } = answer.advice.value;
  const share = amount.value / (check.container / (1 + check.thinnerBefore));
  return (
    <Panel testID="paint-answer">
      <Words size={30} weight="bold">
        {HEADS[move]}
      </Words>
      {usesThinner(answer.advice.value) ? (
        <View className="flex-row flex-wrap gap-x-6 gap-y-2">
          <Big
            label={`Thinner for ${showText(check.container, 'volume', system)}`}
            value={amount.value}
            kind="millilitres"
            testID="paint-amount"
          />
          <View>
            <Words weight="semi" colour="ink2">
              Of the paint
            </Words>
            <Words size={44} weight="digits-bold">
              {show(share, 'percent', system).number}%
            </Words>
            <Words size={14} colour="ink2">{`limit ${showText(limit, 'percent', system)}`}</Words>
          </View>
        </View>
      ) : null}
      <Words>{words}</Words>
      <Words size={14} colour="ink2">
        {`Reads ${showText(answer.viscosity?.ok ? answer.viscosity.value.value : NaN, 'viscosity', system)} now, ${showText(readsSprayed.value, 'viscosity', system)} at the ${showText(sprayedAt.value, 'temperature', system)} at which it is sprayed, ${showRange(readsWarm.low, readsWarm.high, 'viscosity', system)} once at 23 °C.${warmingTime ? ` In this room it takes ${showRange(warmingTime.low, warmingTime.high, 'duration', system)} to warm; stirring is quicker.` : ''}${answer.viscosity?.ok ? ` ${answer.viscosity.value.words}` : ''}`}
      </Words>
    </Panel>
  );
}
