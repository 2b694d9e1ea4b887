import type { Job } from '@fine-spray/contract';
import {
  layerKey,
  layersOf,
  requestFor,
  withLayerTip,
  type Kit,
  type SetupJob,
  type SetupSurface,
} from '@fine-spray/contract/planning';
import { chosenTipFits, writeTipCode, type SetupCard, type Tip } from '@fine-spray/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { AnswerStrip, type CardPart } from '@/features/setup';
import { ToolBar, type ToolsUnder } from '@/features/site';
import { FieldError } from '@/ui/field';
import { sheetFetchedLater } from '@/ui/lazy';
import { LIES_OPEN } from '@/ui/printing';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { useLow, useWide } from '@/ui/wide';
import { SetupAnswer } from './SetupAnswer';
import { MachinePart, type LineChange } from './MachinePart';
import { QUESTIONS, Questions, saidOf, type Question } from './Questions';
import { WhatPart } from './WhatPart';
import { WithPart } from './WithPart';
import { useCoatingOverride } from './useCoatingOverride';
import { useLayerSetup } from './useLayerSetup';

export interface SurfaceEditorProps {
  readonly surface: SetupSurface;
  /** Whether it follows from a room or elevation. */
  readonly fromPlace?: boolean;
  readonly job: SetupJob & Partial<Pick<Job, 'name'>>;
  readonly kit: Kit;
  readonly errors: Readonly<Record<string, string | undefined>>;
  readonly onChange: (change: Partial<SetupSurface>) => void;
  readonly onInvalid: (field: string, message: string | undefined) => void;
  readonly onLine?: ((change: LineChange) => void) | undefined;
  /** Address under which the tools on site stand. */
  readonly under: ToolsUnder;
  /** The stored surface, where it is one. */
  readonly surfaceId: string | null;
  /** Shown above the inputs: names and such. */
  readonly above?: ReactNode;
  /** Shown below the inputs: deleting and such. */
  readonly below?: ReactNode;
}

const FilmSheet = sheetFetchedLater(
  async () => (await import('@/features/film/FilmSheet')).FilmSheet,
  'Film on the wall',
);
const SetUpsSheet = sheetFetchedLater(
  async () => (await import('@/features/compare/SetUpsSheet')).SetUpsSheet,
  'Set-ups side by side',
);
const WhySheet = sheetFetchedLater(
  async () => (await import('@/features/setup/WhySheet')).WhySheet,
  'Why this number',
);

/** What decides whether a tip fits. */
const PAINT_AND_PIECE = ['coatingId', 'under', 'element', 'kind', 'side', 'geometry'] as const;

/** Answer first, inputs second; side by side when wide. The card is worked out here, with no round trip. */
export function SurfaceEditor({
  surface,
  fromPlace = false,
  job,
  kit,
  errors,
  onChange,
  onInvalid,
  onLine,
  under,
  surfaceId,
  above,
  below,
}: SurfaceEditorProps) {
  const wide = useWide();
  const { system } = useUnits();
  // Wide, one question is always open beside the answer.
  const closed: Question | undefined = wide ? 'what' : undefined;
  // What was typed before and cannot be taken is in sight again.
  const [asked, setQuestion] = useState<Question | undefined>(() => wrongIn(errors)[0]);
  const question = asked ?? closed;
  const [invalid, setInvalid] = useState<SurfaceEditorProps['errors']>({});
  const toast = useToast();
  const [open, setOpen] = useState<CardPart>();
  const [beside, setBeside] = useState<'film' | 'set-ups'>();
  const setup = useLayerSetup(surface, job, kit, surfaceId);
  const { card, refusal, request, coating, underneath } = setup;
  const override = useCoatingOverride(coating);
  const allErrors = refusal
    ? { ...errors, [refusal.field]: errors[refusal.field] ?? refusal.message }
    : errors;

  /** A tip chosen by hand for a layer goes when paint or piece changes so that it no longer fits. */
  function change(next: Partial<SetupSurface>) {
    const changed = { ...surface, ...next };
    const moves = PAINT_AND_PIECE.some((field) => field in next);
    const layers = moves && !('tip' in next) ? layersOf(changed) : [];
    const gone = layers.flatMap((layer, index) => {
      const asked = layer.tip ? requestFor(changed, job, kit, layer) : undefined;
      return layer.tip && asked && !chosenTipFits(asked)
        ? [{ key: layerKey(layers, index), code: layer.tip.code }]
        : [];
    });
    if (gone.length === 0) {
      onChange(next);
      return;
    }
    const left = gone.reduce((now, { key }) => ({ ...now, ...withLayerTip(now, key, null) }), changed);
    onChange({ ...next, tip: left.tip, under: left.under });
    const codes = gone.map(({ code }) => code).join(' and ');
    toast({
      text: `${codes} ${gone.length === 1 ? 'does' : 'do'} not fit any more: the best tip is taken.`,
      undo: () => onChange({ tip: changed.tip, under: changed.under }),
    });
  }

  /** Fields whose text cannot be taken: the chip of their question says so. */
  function marked(field: string, message: string | undefined) {
    setInvalid((before) => ({ ...before, [field]: message }));
    onInvalid(field, message);
  }

  function pickTip(tip: Tip) {
    const before = { tip: surface.tip, under: surface.under };
    const code = writeTipCode(tip);
    onChange(withLayerTip(surface, setup.role, { family: tip.family, code }));
    toast({ text: `${code} it is.`, undo: () => onChange(before) });
  }

  const part = { surface, errors: allErrors, onChange: change, onInvalid: marked };
  const chips = (
    <Questions
      said={saidOf(surface, job, kit, card, system)}
      open={question}
      wrong={wrongIn({ ...allErrors, ...invalid })}
      onOpen={(one) => setQuestion(one ?? closed)}
    />
  );
  const panels: Readonly<Record<Question, ReactNode>> = {
    what: (
      <>
        {above}
        <WhatPart {...part} coatings={kit.coatings} fromPlace={fromPlace} />
        {below}
      </>
    ),
    with: <WithPart {...part} coatings={kit.coatings} />,
    machine: (
      <MachinePart
        {...part}
        job={job}
        kit={kit}
        tip={setup.sprayed.tip}
        bestTip={tipOn(card)}
        onTip={(tip) => onChange(withLayerTip(surface, setup.role, tip))}
        onLine={onLine}
      />
    ),
  };
  const panel = <Panels panels={panels} open={question} />;
  const answer = (
    <SetupAnswer
      setup={setup}
      job={job}
      kit={kit}
      under={under}
      onOpen={setOpen}
      onPickTip={pickTip}
      onBeside={setBeside}
    />
  );
  const refused = refusal ? <Refused message={refusal.message} old={card !== undefined} /> : null;
  const tools =
    card && !refusal ? (
      <ToolBar
        under={under}
        layer={underneath ? setup.role : undefined}
        log={surfaceId ? `/log?surface=${surfaceId}` : '/log'}
      />
    ) : null;
  const closeBeside = () => setBeside(undefined);
  const sheet =
    open && card ? (
      <WhySheet
        number={card[open]}
        onClose={() => setOpen(undefined)}
        onOverride={(property, value) => void override(property, value)}
      />
    ) : beside && card && request && !refusal ? (
      beside === 'film' ? (
        <FilmSheet request={request} card={card} onClose={closeBeside} />
      ) : (
        <SetUpsSheet
          request={request}
          card={card}
          onPick={(tip) => {
            closeBeside();
            pickTip(tip);
          }}
          onClose={closeBeside}
        />
      )
    ) : null;
  const parts = { refused, chips, panel, answer, tools, sheet };
  return wide ? (
    <SideBySide {...parts} />
  ) : (
    <Stacked
      {...parts}
      question={question}
      strip={(back) => (card ? <AnswerStrip card={card} refused={refusal?.message} onPress={back} /> : null)}
      onBack={() => setQuestion(undefined)}
    />
  );
}

/** The open question. One that was open before keeps what was typed in it, out of sight. */
function Panels({
  panels,
  open,
}: {
  panels: Readonly<Record<Question, ReactNode>>;
  open: Question | undefined;
}) {
  const [opened, setOpened] = useState<readonly Question[]>(open ? [open] : []);
  if (open && !opened.includes(open)) setOpened([...opened, open]);
  return opened.map((question) => (
    <View
      key={question}
      className={question === open ? 'gap-5' : 'hidden'}
      role="region"
      aria-label={QUESTIONS[question]}
      testID={`panel-${question}`}
    >
      {panels[question]}
    </View>
  ));
}

/** Which questions have something in them that is refused, by the names of the fields. */
function wrongIn(errors: SurfaceEditorProps['errors']): readonly Question[] {
  const fields = Object.keys(errors).filter((field) => errors[field] !== undefined);
  const questions = fields.map((field): Question => {
    if (/^(tip|sprayer|hose|lift)/.test(field)) return 'machine';
    return /^(coating|coats|thinning|under)/.test(field) ? 'with' : 'what';
  });
  return [...new Set(questions)];
}

/** Why there is no card for what is asked, before anything else. */
function Refused({ message, old }: { message: string; old: boolean }) {
  return (
    <View className="rounded-2xl border-2 border-danger bg-sheet p-4" testID="refusal" role="alert">
      <FieldError message={message} />
      {old ? (
        <Words size={14} colour="ink2" className="pl-6">
          The card below is the old one, from before this.
        </Words>
      ) : null}
    </View>
  );
}

interface Parts {
  readonly refused: ReactNode;
  readonly chips: ReactNode;
  /** The question that is open. */
  readonly panel: ReactNode;
  readonly answer: ReactNode;
  readonly tools: ReactNode;
  readonly sheet: ReactNode;
}

/** Wide: answer and questions beside each other, each scrolling by itself. */
function SideBySide({ refused, chips, panel, answer, tools, sheet }: Parts) {
  const low = useLow();
  return (
    <View className="min-h-0 flex-1 flex-row">
      <View className="min-h-0 flex-1">
        <ScrollView
          tabIndex={0}
          className={`flex-1 ${LIES_OPEN}`}
          contentContainerClassName="mx-auto w-full max-w-[520px] gap-3 p-4 pb-10"
        >
          {refused}
          {answer}
          {low ? tools : null}
        </ScrollView>
        {low ? null : tools}
      </View>
      <ScrollView
        tabIndex={0}
        className={`max-w-[420px] flex-1 border-l border-rule ${LIES_OPEN}`}
        contentContainerClassName="gap-5 p-4 pb-10"
      >
        {chips}
        {panel}
      </ScrollView>
      {sheet}
    </View>
  );
}

/** How far one scrolls before the numbers of the card are out of sight, px. */
const CARD_GONE = 420;

/**
 * A phone: the questions as chips above the answer. An open question stands where it is, between them; the answer is in one line at the
 * thumb then, and when it is scrolled away. Otherwise the tools of the site are there.
 */
function Stacked({
  refused,
  chips,
  panel,
  answer,
  tools,
  sheet,
  question,
  strip,
  onBack,
}: Parts & {
  readonly question: Question | undefined;
  readonly strip: (back: () => void) => ReactNode;
  readonly onBack: () => void;
}) {
  const [away, setAway] = useState(false);
  // A low window is for the card: tools stand at its end, and nothing over it.
  const low = useLow();
  const scroller = useRef<ScrollView>(null);
  const toTop = () => scroller.current?.scrollTo({ y: 0, animated: false });
  useEffect(() => {
    if (question) scroller.current?.scrollTo({ y: 0, animated: false });
  }, [question]);
  return (
    <View className="min-h-0 flex-1">
      <ScrollView
        ref={scroller}
        tabIndex={0}
        className={`flex-1 ${LIES_OPEN}`}
        contentContainerClassName="mx-auto w-full max-w-[560px] gap-3 px-3 pb-10"
        scrollEventThrottle={100}
        onScroll={({ nativeEvent }) => setAway(nativeEvent.contentOffset.y > CARD_GONE)}
      >
        {question ? null : refused}
        {chips}
        {panel}
        {question ? refused : null}
        {answer}
        {low && !question ? tools : null}
      </ScrollView>
      {(question || away) && !low
        ? strip(() => {
            onBack();
            toTop();
          })
        : null}
      {question || low ? null : tools}
      {sheet}
    </View>
  );
}

/** What "use another tip" starts from: the tip on the card. */
function tipOn(card: SetupCard | undefined) {
  return card
    ? { code: card.tip.code, family: card.tip.candidate.tip.family }
    : { code: '515', family: 'standard' as const };
}
