import type { Job } from '@fine-spray/contract';
import { requestFor, type Kit, type SetupJob, type SetupSurface } from '@fine-spray/contract/planning';
import { chosenTipFits, writeTipCode, type SetupCard, type Tip } from '@fine-spray/core';
import { useRef, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { SetUpsSheet } from '@/features/compare';
import { FilmSheet } from '@/features/film';
import { AnswerStrip, WhySheet, type CardPart } from '@/features/setup';
import type { ToolsUnder } from '@/features/site';
import { useToast } from '@/ui/toast';
import { useWide } from '@/ui/wide';
import { SetupAnswer } from './SetupAnswer';
import { SurfaceForm } from './SurfaceForm';
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
  /** Address under which the tools on site stand. */
  readonly under: ToolsUnder;
  /** The stored surface, where it is one. */
  readonly surfaceId: string | null;
  /** Shown above the inputs: names and such. */
  readonly above?: ReactNode;
  /** Shown below the inputs: deleting and such. */
  readonly below?: ReactNode;
}

/** What decides whether a tip fits. */
const PAINT_AND_PIECE = ['coatingId', 'element', 'kind', 'side', 'geometry'] as const;

/** Answer first, inputs second; side by side when wide. The card is worked out here, with no round trip. */
export function SurfaceEditor({
  surface,
  fromPlace = false,
  job,
  kit,
  errors,
  onChange,
  onInvalid,
  under,
  surfaceId,
  above,
  below,
}: SurfaceEditorProps) {
  const wide = useWide();
  const toast = useToast();
  const [open, setOpen] = useState<CardPart>();
  const [beside, setBeside] = useState<'film' | 'set-ups'>();
  const setup = useLayerSetup(surface, job, kit, surfaceId);
  const { card, refusal, request, coating, underneath } = setup;
  const override = useCoatingOverride(coating);
  const allErrors = refusal
    ? { ...errors, [refusal.field]: errors[refusal.field] ?? refusal.message }
    : errors;

  /** A tip chosen by hand goes when paint or piece changes so that it no longer fits. */
  function change(next: Partial<SetupSurface>) {
    const { tip } = surface;
    const changed = { ...surface, ...next };
    const moves = PAINT_AND_PIECE.some((field) => field in next);
    const asked = tip && !('tip' in next) && moves ? requestFor(changed, job, kit) : undefined;
    if (!tip || !asked || chosenTipFits(asked)) {
      onChange(next);
      return;
    }
    onChange({ ...next, tip: null });
    toast({
      text: `${tip.code} does not fit any more: the best tip is taken.`,
      undo: () => onChange({ tip }),
    });
  }

  function pickTip(tip: Tip) {
    if (underneath) {
      toast({ text: 'Only the finish keeps a tip chosen by hand.' });
      return;
    }
    const before = surface.tip;
    const code = writeTipCode(tip);
    onChange({ tip: { family: tip.family, code } });
    toast({ text: `${code} it is.`, undo: () => onChange({ tip: before }) });
  }

  const answer = (
    <SetupAnswer
      setup={setup}
      job={job}
      kit={kit}
      under={under}
      surfaceId={surfaceId}
      onOpen={setOpen}
      onPickTip={pickTip}
      onBeside={setBeside}
    />
  );
  const inputs = (
    <View className="gap-5">
      {above}
      <SurfaceForm
        fromPlace={fromPlace}
        surface={surface}
        coatings={kit.coatings}
        bestTip={tipOn(card)}
        errors={allErrors}
        onChange={change}
        onInvalid={onInvalid}
      />
      {below}
    </View>
  );
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
  return wide ? (
    <SideBySide answer={answer} inputs={inputs} sheet={sheet} />
  ) : (
    <Stacked answer={answer} inputs={inputs} sheet={sheet} card={card} refused={refusal !== undefined} />
  );
}

/** Wide: answer and inputs beside each other, each scrolling by itself. */
function SideBySide({ answer, inputs, sheet }: { answer: ReactNode; inputs: ReactNode; sheet: ReactNode }) {
  return (
    <View className="min-h-0 flex-1 flex-row">
      <ScrollView
        tabIndex={0}
        className="flex-1"
        contentContainerClassName="mx-auto w-full max-w-[520px] p-4 pb-10"
      >
        {answer}
      </ScrollView>
      <ScrollView
        tabIndex={0}
        className="max-w-[420px] flex-1 border-l border-rule"
        contentContainerClassName="p-4 pb-10"
      >
        {inputs}
      </ScrollView>
      {sheet}
    </View>
  );
}

/** How far one scrolls before the numbers of the card are out of sight, px. */
const CARD_GONE = 420;

/** A phone: answer above, inputs below, and the answer in one line while the inputs are in sight. */
function Stacked({
  answer,
  inputs,
  sheet,
  card,
  refused,
}: {
  answer: ReactNode;
  inputs: ReactNode;
  sheet: ReactNode;
  card: SetupCard | undefined;
  refused: boolean;
}) {
  const [away, setAway] = useState(false);
  const scroller = useRef<ScrollView>(null);
  return (
    <View className="min-h-0 flex-1">
      <ScrollView
        ref={scroller}
        tabIndex={0}
        className="flex-1"
        contentContainerClassName="mx-auto w-full max-w-[560px] gap-6 px-3 pb-10"
        scrollEventThrottle={100}
        onScroll={({ nativeEvent }) => setAway(nativeEvent.contentOffset.y > CARD_GONE)}
      >
        {answer}
        {inputs}
      </ScrollView>
      {away && card ? (
        <AnswerStrip
          card={card}
          refused={refused}
          onPress={() => scroller.current?.scrollTo({ y: 0, animated: false })}
        />
      ) : null}
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
