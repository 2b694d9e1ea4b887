import type { ConfirmedSetup, SetBy } from '@fine-spray/contract';
import { knobAtPlace } from '@fine-spray/contract/log';
import {
  FAMILY_DATA,
  MOVES,
  SEEN,
  showText,
  type DialInState,
  type Seen,
  type SetupCard,
} from '@fine-spray/core';
import Undo2 from 'lucide-react-native/icons/undo-2';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { dayOfEntry } from '@/data/day';
import { lastConfirmed } from '@/data/confirmed';
import { useLog } from '@/data/log';
import { useList } from '@/data/resources';
import { useWriteDown } from '@/data/writeDown';
import { SiteCautions } from '@/features/cautions';
import { useStandIns } from '@/data/standIns';
import { GaugePanel } from '@/features/gauge';
import { KnobPlaceChoice, knobHint, useKnob } from '@/features/knob';
import { pumpFor } from '@/features/line';
import { PhotoAnswer } from '@/features/photo';
import { WayList, faultLists, wayIn } from '@/features/procedure';
import type { Site } from '@/features/site';
import { Big } from '@/ui/big';
import { useAwake } from '@/ui/awake';
import { Afterwards } from '@/ui/afterwards';
import { Beside } from '@/ui/beside';
import { Button } from '@/ui/button';
import { useOneTap } from '@/ui/oneTap';
import { Panel } from '@/ui/panel';
import { Segmented } from '@/ui/segmented';
import { useStable } from '@/ui/stable';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { useVoice } from '@/ui/voice';
import { VoiceLine } from '@/ui/voiceLine';
import { PatternTile, SEEN_WORDS } from './PatternTile';
import { WidthAnswer } from './WidthAnswer';
import { useDialIn } from './useDialIn';

const STEP_WORDS = {
  first: 'Start low.',
  higher: 'Higher: it wanted more.',
  lower: 'Lower: it may be even with less.',
  again: 'Once more at this pressure, to be sure.',
} as const;

/** Finding the lowest pressure with an even fan, card by card. Each answer is kept on this device as it is given. */
export function DialInScreen({ site }: { site: Site }) {
  const dial = useDialIn(site);
  if (!site.card.ok) return <ErrorState title="Nothing to dial in" text={site.card.message} />;
  if (!dial.state?.ok || !dial.setup) {
    const why = dial.state && !dial.state.ok ? dial.state.message : 'This tip has no range of pressures.';
    return <ErrorState title="This tip cannot be dialled in" text={why} />;
  }
  return <Dialling site={site} card={site.card.value} dial={dial} state={dial.state.value} />;
}

/** Brings what is to be set next into sight after each answer. */
function useNextInSight(answers: number) {
  const next = useRef<View>(null);
  const before = useRef(answers);
  useEffect(() => {
    if (before.current === answers) return;
    before.current = answers;
    (next.current as unknown as { scrollIntoView?: (how: object) => void } | null)?.scrollIntoView?.({
      block: 'start',
    });
  }, [answers]);
  return next;
}

function Dialling({
  site,
  card,
  dial,
  state,
}: {
  site: Site;
  card: SetupCard;
  dial: Dial;
  state: DialInState;
}) {
  const { system } = useUnits();
  const standIns = useStandIns();
  useAwake(dial.session.ready);
  // Before it is begun nothing is to be set: from then on what is, comes into sight.
  const next = useNextInSight(dial.session.ready ? dial.session.events.length + 1 : 0);
  const lists = useMemo(() => faultLists(site), [site]);
  const gunNow = state.phase === 'even' ? state.pressure.value : state.sweep.pressure;
  // Pump and gun of a card: found by the line through its hoses, once for each card.
  const pump = useMemo(() => pumpFor(site, card, gunNow, system), [site, card, gunNow, system]);
  if (!dial.session.ready)
    return (
      <View ref={next}>
        <BeforeSpraying site={site} card={card} dial={dial} />
      </View>
    );
  return (
    <View ref={next}>
      <Beside
        left={
          <>
            {state.phase === 'spray' ? (
              <Spray
                site={site}
                card={card}
                state={state}
                pump={pump}
                answer={dial.answer}
                {...(dial.session.events.length > 0 ? { onBack: dial.back } : {})}
              />
            ) : null}
            {state.phase === 'move' ? (
              <Panel title="Pressure alone does not do it" testID="dial-in-move">
                <Words size={22} weight="bold">
                  {state.words}
                </Words>
                <Words colour="ink2">{`The card showed: ${SEEN_WORDS[state.symptom].name.toLowerCase()}.`}</Words>
                {MOVES[state.move].stand === 'clog' ? <WayList procedure={lists.clog} /> : null}
                {MOVES[state.move].stand === 'down' ? (
                  <WayList title="First put the gun down" procedure={lists.down} />
                ) : null}
                {MOVES[state.move].stand === 'down' ? (
                  <WayList title="Then take it up again" procedure={wayIn(site, card, 'dial in', system)} />
                ) : null}
                <Button
                  label="Done, spray again"
                  kind="primary"
                  onPress={() => dial.answer({ kind: 'did' })}
                />
                <Button label="Cannot do that here" onPress={() => dial.answer({ kind: 'cannot' })} />
              </Panel>
            ) : null}
            {state.phase === 'stuck' ? (
              <Panel title="Nothing left to try here" testID="dial-in-stuck">
                <Words>{state.words}</Words>
                <Button label="Start again" onPress={dial.again} />
              </Panel>
            ) : null}
            {state.phase === 'even' ? (
              <Found site={site} card={card} state={state} pump={pump} dial={dial} />
            ) : null}
          </>
        }
        right={
          <>
            {dial.full ? (
              <Words colour="danger">
                This device takes no more: keep this page open until you are done.
              </Words>
            ) : null}
            <Sprayed state={state} onBack={dial.back} count={dial.session.events.length} />
            {state.phase === 'even' || state.phase === 'stuck' ? (
              <Afterwards>
                <WayList procedure={lists.down} />
              </Afterwards>
            ) : null}
            {state.phase === 'even' || !standIns ? null : (
              <Afterwards>
                <GaugePanel site={site} card={card} setting={pump} expected={state.sweep.pressure} />
              </Afterwards>
            )}
          </>
        }
      />
    </View>
  );
}

type Dial = ReturnType<typeof useDialIn>;

function BeforeSpraying({ site, card, dial }: { site: Site; card: SetupCard; dial: Dial }) {
  const { system } = useUnits();
  const { entries } = useLog();
  const { tip } = card.tip.candidate;
  const last = lastConfirmed(entries, {
    coatingId: site.coating.id,
    sprayerId: site.sprayer.id,
    code: card.tip.code,
    family: tip.family,
  });
  return (
    <View className="gap-4">
      <Panel testID="dial-in-start">
        <View className="flex-row flex-wrap items-end justify-between gap-3">
          <View>
            <Words weight="semi" colour="ink2">
              Tip
            </Words>
            <Words size={64} weight="digits-bold">
              {card.tip.code}
            </Words>
            <Words size={14} colour="ink2">{`${FAMILY_DATA[tip.family].name}, ${site.coating.name}`}</Words>
          </View>
          <Big
            label="First card, at the gun"
            value={dial.setup?.range.start ?? 0}
            kind="pressure"
            size={44}
          />
        </View>
        {last ? (
          <Words>{`Last time with this coating, tip and sprayer: ${showText(last.payload.gun, 'pressure', system)} at the gun, ${showText(last.payload.pump, 'pressure', system)} at the pump, ${dayOfEntry(last.entry)}${last.payload.temperature === null ? '' : `, paint ${showText(last.payload.temperature, 'temperature', system)}`}.`}</Words>
        ) : null}
      </Panel>
      <SiteCautions request={site.request} screen="dial-in" />
      <Panel title="Before the first card">
        <Words>
          The gun lies, relieved and locked, while you hang white card or masking paper where it may be
          painted.
        </Words>
        <WayList procedure={wayIn(site, card, 'dial in', system)} />
        <Words>Spray from the distance on the set-up card.</Words>
        <Button label="Safe and ready: begin" kind="primary" onPress={dial.begin} />
      </Panel>
      <View className="gap-1">
        <Words colour="ink2">Paint too thick for this tip: which first?</Words>
        <Segmented
          label="Paint too thick"
          value={dial.session.school}
          options={[
            { value: 'thin first', label: 'Warm or thin' },
            { value: 'larger orifice first', label: 'Larger orifice' },
          ]}
          onChange={dial.setSchool}
        />
      </View>
    </View>
  );
}

/** What a card shows as it is said. */
const SPOKEN = SEEN.map((seen) => SEEN_WORDS[seen].name.toLowerCase());

function Spray({
  site,
  card,
  state,
  pump,
  answer,
  onBack,
}: {
  site: Site;
  card: SetupCard;
  state: DialInState & { phase: 'spray' };
  pump: number;
  answer: Dial['answer'];
  onBack?: Dial['back'];
}) {
  const { system } = useUnits();
  const known = useKnob(site.sprayer);
  const [other, setOther] = useState<'width' | 'photo'>();
  const exponent = FAMILY_DATA[card.tip.candidate.tip.family].profileExponent;
  // The same from card to card: the pictures of the patterns are not drawn anew for each answer.
  const saw = useStable((seen: Seen) => {
    setOther(undefined);
    answer({ kind: 'saw', seen });
  });
  const voice = useVoice(SPOKEN, (word) => {
    const seen = SEEN.find((one) => SEEN_WORDS[one].name.toLowerCase() === word);
    if (seen) saw(seen);
  });
  return (
    <>
      <Panel testID="dial-in-spray">
        <Words weight="semi">{`Card ${state.cards + 1}. ${STEP_WORDS[state.step]}`}</Words>
        <View className="flex-row flex-wrap gap-x-6 gap-y-2">
          <Big label="Set at the pump" value={pump} kind="pressure" testID="dial-in-pump" />
          <Big
            label="Then at the gun"
            value={state.sweep.pressure}
            kind="pressure"
            size={44}
            testID="dial-in-gun"
          />
        </View>
        <Words weight="semi" testID="dial-in-knob">
          {knobHint(site.sprayer, known, pump, system, state.step)}
        </Words>
        {onBack ? (
          <Button label="Back one card" icon={Undo2} className="self-start" onPress={() => onBack()} />
        ) : null}
        <Words colour="ink2">
          Spray one quick pass on the card, trigger off at its end. Then tap what it looks like.
        </Words>
      </Panel>
      <Afterwards place={<View className="h-screen" />}>
        <VoiceLine voice={voice} words={SPOKEN} />
        <View className="flex-row flex-wrap gap-2" role="group" aria-label="What the card shows">
          {SEEN.map((seen) => (
            <PatternTile key={seen} seen={seen} exponent={exponent} onPress={saw} />
          ))}
        </View>
        <View className="flex-row flex-wrap gap-2">
          <Button
            label="Measure the fan"
            className="flex-1"
            onPress={() => setOther(other === 'width' ? undefined : 'width')}
          />
          <Button label="Photo of the card" className="flex-1" onPress={() => setOther('photo')} />
        </View>
        {other === 'width' ? (
          <Panel title="Fan by the tape">
            <WidthAnswer expected={card.fan.value} onTake={saw} />
          </Panel>
        ) : null}
        {other === 'photo' ? (
          <PhotoAnswer exponent={exponent} onTake={saw} onClose={() => setOther(undefined)} />
        ) : null}
        <Words
          size={14}
          colour="ink2"
        >{`${site.coating.name}. Where a card does not fit the others, one more is asked for.`}</Words>
      </Afterwards>
    </>
  );
}

function Found({
  site,
  card,
  state,
  pump,
  dial,
}: {
  site: Site;
  card: SetupCard;
  state: DialInState & { phase: 'even' };
  pump: number;
  dial: Dial;
}) {
  const writeDown = useWriteDown();
  const { system } = useUnits();
  const { pressure, certainty, sure, cards } = state;
  const { sprayer } = site;
  const known = useKnob(sprayer);
  const gear = useList('gear');
  const isKnown = known.curve !== undefined;
  const hasGauge = gear.data?.some(({ kind }) => kind === 'gauge') ?? false;
  const [chosen, setSetBy] = useState<SetBy>();
  const setBy = chosen ?? usualSetBy(site, hasGauge, isKnown);
  const [place, setPlace] = useState<number>();
  function keep() {
    const { tip } = card.tip.candidate;
    const payload: ConfirmedSetup = {
      coatingId: site.coating.id,
      tip: { family: tip.family, code: card.tip.code },
      tipId:
        site.kit.tips.find(({ code, family }) => code === card.tip.code && family === tip.family)?.id ?? null,
      sprayerId: site.sprayer.id,
      hoseIds: [...site.job.hoseIds],
      thinning: site.surface.thinning,
      temperature: site.request.paintTemperature ?? null,
      gun: pressure.value,
      pump,
      expected: card.tip.candidate.usualPressure,
      certainty,
      sure,
      cards,
      width: null,
      setBy,
      knob: place === undefined ? null : knobAtPlace(place, sprayer.knobMarks),
    };
    const { jobId, surfaceId } = site;
    const id = writeDown(
      { kind: 'set-up confirmed', payload, jobId, surfaceId },
      'Kept for this coating, tip and sprayer.',
      () => dial.keep(''),
    );
    dial.keep(id);
  }
  const keepOnce = useOneTap(keep);
  return (
    <Panel title={sure ? 'Lowest even fan' : 'Even here, but the cards disagree'} testID="dial-in-found">
      <View className="flex-row flex-wrap gap-x-6 gap-y-2">
        <Big label="Pump" value={pump} kind="pressure" />
        <Big label="Gun, measured by cards" value={pressure.value} kind="pressure" size={44} />
      </View>
      <Words>
        {sure
          ? `${cards} cards; ${Math.round(certainty * 100)} % sure that it is within one step. Basis: measured on this job.`
          : `After ${cards} cards only ${Math.round(certainty * 100)} % sure. Look at the cards below, take back the one that was read wrong, or start again with a fresh card.`}
      </Words>
      <Afterwards>
        {dial.session.keptAs ? (
          <Words weight="semi" testID="dial-in-kept">
            Kept for this coating, tip and sprayer.
          </Words>
        ) : (
          <>
            <Segmented
              label="The pressure was set by"
              value={setBy}
              options={setBys(site, isKnown)}
              onChange={setSetBy}
            />
            {setBy === 'guess' ? (
              <Words>
                {`Nobody read a pressure: ${showText(pressure.value, 'pressure', system)} is what the model takes these cards for. It is kept, and cards go on as planned.`}
              </Words>
            ) : null}
            {sprayer.readout === 'knob' && sprayer.knobMarks.length > 1 ? (
              <KnobPlaceChoice
                label="The knob stands at"
                marks={sprayer.knobMarks}
                place={place}
                onChange={setPlace}
              />
            ) : null}
            <Button label="Keep this set-up" kind="primary" onPress={keepOnce} />
          </>
        )}
        <Button label="Dial in again" onPress={dial.again} />
      </Afterwards>
    </Panel>
  );
}

/** What a pressure can have been set by on a machine. */
const setBys = ({ sprayer }: Site, isKnown: boolean): readonly { value: SetBy; label: string }[] => [
  { value: 'gauge', label: 'Gauge' },
  ...(sprayer.readout === 'display' ? [{ value: 'display', label: 'Display' } as const] : []),
  ...(sprayer.readout === 'knob' && isKnown ? [{ value: 'marks', label: 'Its marks' } as const] : []),
  ...(sprayer.readout === 'knob' ? [{ value: 'guess', label: 'Only the cards' } as const] : []),
];

/** What it was most likely: the display, a gauge where the company has one, the marks where they are known, else nothing. */
function usualSetBy({ sprayer }: Site, hasGauge: boolean, isKnown: boolean): SetBy {
  if (sprayer.readout === 'display') return 'display';
  if (hasGauge) return 'gauge';
  return isKnown ? 'marks' : 'guess';
}

/** The cards so far, each of which can be taken back. */
function Sprayed({
  state,
  onBack,
  count,
}: {
  state: DialInState;
  onBack: (to?: number) => void;
  count: number;
}): ReactNode {
  const { system } = useUnits();
  if (count === 0) return null;
  return (
    <Panel title="Cards so far">
      {state.sweep.cards.map(({ pressure, seen }, index) => (
        <View key={index} className="flex-row items-center gap-3">
          <Words weight="digits-bold" className="w-24">
            {showText(pressure, 'pressure', system)}
          </Words>
          <Words className="min-w-0 flex-1">{SEEN_WORDS[seen].name}</Words>
        </View>
      ))}
      <Pressable
        role="button"
        onPress={() => onBack()}
        className="min-h-[56px] flex-row items-center justify-center gap-2 rounded-xl border-2 border-ink px-4"
      >
        <Undo2 size={20} aria-hidden />
        <Words weight="semi">That was wrong: take the last answer back</Words>
      </Pressable>
    </Panel>
  );
}
