import type { Job } from '@fine-spray/contract';
import {
  LAYER_NAMES,
  layerAlone,
  layersOf,
  type Kit,
  type SetupJob,
  type SetupSurface,
  type SurfaceLayer,
} from '@fine-spray/contract/planning';
import {
  COATING_PROPERTIES,
  PRECEDENCE_NOTE,
  writeTipCode,
  type CoatingProperty,
  type SetupCard,
  type Tip,
} from '@fine-spray/core';
import Columns3 from 'lucide-react-native/icons/columns-3';
import Layers from 'lucide-react-native/icons/layers';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { contentOf, keys, useWrites } from '@/data/resources';
import { AnswerStrip, SetupCardView, WhySheet, useSetup, type CardPart } from '@/features/setup';
import { SetUpsSheet } from '@/features/compare';
import { FilmSheet } from '@/features/film';
import { DialledIn, ToolRow, type ToolsUnder } from '@/features/site';
import { Button } from '@/ui/button';
import { Segmented } from '@/ui/segmented';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { useWide } from '@/ui/wide';
import { FieldError } from '@/ui/field';
import { SurfaceForm } from './SurfaceForm';

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

/** What a layer is told by among several: its role, and its place where two have the same. */
const layerKey = (layers: readonly SurfaceLayer[], index: number) =>
  layers[index]?.role === 'finish' ? 'finish' : `under ${index}`;

function hoseText(job: SetupJob, kit: Kit, system: 'metric' | 'us'): string {
  const total = job.hoseIds.reduce(
    (sum, id) => sum + (kit.hoses.find((hose) => hose.id === id)?.length ?? 0),
    0,
  );
  return total === 0
    ? 'no hose'
    : system === 'metric'
      ? `${Number(total.toFixed(1))} m hose`
      : `${Math.round(total / 0.3048)} ft hose`;
}

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
  const { system } = useUnits();
  const wide = useWide();
  const toast = useToast();
  const [open, setOpen] = useState<CardPart>();
  const [beside, setBeside] = useState<'film' | 'set-ups'>();
  const [role, setRole] = useState('finish');
  const { layers, underneath, sprayed } = useMemo(() => {
    const all = layersOf(surface);
    const layer = all.find((_layer, index) => layerKey(all, index) === role);
    const below = layer !== undefined && layer.role !== 'finish';
    return { layers: all, underneath: below, sprayed: below ? layerAlone(surface, layer) : surface };
  }, [surface, role]);
  const { request, result, lastGood } = useSetup(sprayed, job, kit, system);
  const { put } = useWrites('coatings', keys.list('coatings'));
  const coating = kit.coatings.find(({ id }) => id === sprayed.coatingId);
  const card = result?.ok ? result.value : lastGood;
  const refusal = result && !result.ok ? result : undefined;
  const allErrors = refusal
    ? { ...errors, [refusal.field]: errors[refusal.field] ?? refusal.message }
    : errors;

  async function override(property: CoatingProperty, value: { value: number; source: string } | undefined) {
    if (!coating) return;
    const { [property]: before, ...others } = coating.overrides;
    const write = (overrides: typeof coating.overrides, version: number) =>
      put({ id: coating.id, content: { ...contentOf(coating), overrides, version } });
    try {
      const stored = await write(
        value ? { ...others, [property]: { ...value, basis: 'data-sheet' } } : others,
        coating.version,
      );
      const { label } = COATING_PROPERTIES[property];
      toast({
        text: value
          ? `${label} of ${coating.name} now comes from the data sheet.`
          : `${label} is back to the working default.`,
        undo: () =>
          void write(before ? { ...others, [property]: before } : others, stored.version).catch(say),
      });
    } catch (error) {
      say(error);
    }
  }
  const say = (error: unknown) => toast({ text: `Not stored: ${whyFailed(error)}` });

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
    <View className="gap-3">
      {layers.length > 1 ? (
        <Segmented
          label="Set-up for"
          value={underneath ? role : 'finish'}
          options={layers.map((one, index) => ({
            value: layerKey(layers, index),
            label: LAYER_NAMES[one.role],
          }))}
          onChange={setRole}
        />
      ) : null}
      {refusal ? (
        <View className="rounded-2xl border-2 border-danger bg-sheet p-4" testID="refusal">
          <FieldError message={refusal.message} />
          {card ? (
            <Words size={14} colour="ink2" className="pl-6">
              The card below is the last one that worked.
            </Words>
          ) : null}
        </View>
      ) : null}
      {card && !refusal && !underneath ? (
        <DialledIn
          surfaceId={surfaceId}
          coatingId={surface.coatingId}
          code={card.tip.code}
          family={card.tip.candidate.tip.family}
        />
      ) : null}
      {card ? (
        <SetupCardView
          card={card}
          coats={sprayed.coats}
          hoseText={hoseText(job, kit, system)}
          fromDataSheet={Object.keys(coating?.overrides ?? {}).map(
            (name) => COATING_PROPERTIES[name as CoatingProperty].label,
          )}
          stale={refusal?.message}
          onOpen={setOpen}
          onPickTip={({ candidate }) => pickTip(candidate.tip)}
        />
      ) : refusal ? null : (
        <ErrorState
          title="No card yet"
          text="This job's sprayer or this surface's coating is missing from the kit. Choose another one."
        />
      )}
      {card && !refusal ? (
        <View className="flex-row flex-wrap gap-2">
          <Button
            label="See the film on the wall"
            icon={Layers}
            className="flex-grow"
            onPress={() => setBeside('film')}
          />
          <Button
            label="Compare set-ups"
            icon={Columns3}
            className="flex-grow"
            onPress={() => setBeside('set-ups')}
          />
        </View>
      ) : null}
      {card && !refusal && !underneath ? (
        <ToolRow under={under} log={surfaceId ? `/log?surface=${surfaceId}` : undefined} />
      ) : null}
      <Words size={14} colour="ink2">
        {PRECEDENCE_NOTE}
      </Words>
    </View>
  );
  const closeBeside = () => setBeside(undefined);
  const best = tipOn(card);
  const inputs = (
    <View className="gap-5">
      {above}
      <SurfaceForm
        fromPlace={fromPlace}
        surface={surface}
        coatings={kit.coatings}
        bestTip={best}
        errors={allErrors}
        onChange={onChange}
        onInvalid={onInvalid}
      />
      {below}
    </View>
  );
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
  if (wide) {
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
  return (
    <Stacked answer={answer} inputs={inputs} sheet={sheet} card={card} refused={refusal !== undefined} />
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
