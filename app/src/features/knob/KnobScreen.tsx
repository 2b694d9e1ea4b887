import { knobAtPlace } from '@fine-spray/contract/log';
import { sprayerFields, type Sprayer } from '@fine-spray/contract';
import {
  KNOB_READINGS,
  LINE_LIMITS,
  knobDoubt,
  knobReading,
  lineAtPump,
  lineForGun,
  placeFor,
  placeWordsOf,
  quantity,
  showText,
  type SetupCard,
} from '@fine-spray/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useMay } from '@/data/may';
import { contentOf, useWrites } from '@/data/resources';
import { useWriteDown } from '@/data/writeDown';
import { KnobMarks } from '@/features/kit';
import { lineRequest, pumpFor } from '@/features/line';
import type { Site } from '@/features/site';
import { Beside } from '@/ui/beside';
import { Big } from '@/ui/big';
import { Button } from '@/ui/button';
import { FieldError } from '@/ui/field';
import { useOneTap } from '@/ui/oneTap';
import { Panel } from '@/ui/panel';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Segmented } from '@/ui/segmented';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { KnobChart } from './KnobChart';
import { KnobPlaceChoice } from './KnobPlaceChoice';
import { knobHint, useKnob } from './useKnob';

interface OfCard {
  readonly site: Site;
  readonly card: SetupCard;
}

/** What to do at the machine to have the pressure of the card: by its own marks, or by what the pump shows. */
export function KnobScreen({ site }: { site: Site }) {
  if (!site.card.ok) return <ErrorState title="No pressure to set" text={site.card.message} />;
  const props = { site, card: site.card.value };
  return site.sprayer.readout === 'display' ? <Display {...props} /> : <Knob {...props} />;
}

/** Pressure at the pump that gives the card's at the gun, as far as the pump reaches. */
function usePump({ site, card }: OfCard): number {
  const { system } = useUnits();
  const gun = card.gunPressure.value;
  return useMemo(() => pumpFor(site, card, gun, system), [site, card, gun, system]);
}

/** The pump shows its pressure: what to set, and what a reading makes at the gun. */
function Display(props: OfCard) {
  const { site, card } = props;
  const { system } = useUnits();
  const wanted = usePump(props);
  const [shown, setShown] = useState<number>();
  const [invalid, setInvalid] = useState<string>();
  const line = shown === undefined ? undefined : lineAtPump(lineRequest(site, card), quantity(shown), system);
  return (
    <Beside
      left={
        <Panel title="Set the pump" testID="knob-answer">
          <View className="flex-row flex-wrap gap-x-6 gap-y-2">
            <Big label="The display is to show" value={wanted} kind="pressure" />
            <Big label="Then at the gun" value={card.gunPressure.value} kind="pressure" size={44} />
          </View>
          <Words colour="ink2">Read it with the trigger held: closed, pump and gun stand alike.</Words>
        </Panel>
      }
      right={
        <>
          <Panel title="It shows something else?" testID="knob-display">
            <QuantityStepper
              label="The display shows, trigger held"
              kind="pressure"
              value={shown}
              from={wanted}
              step={{ metric: 5, us: 50 }}
              bounds={LINE_LIMITS.pressure}
              error={invalid}
              onChange={(next) => {
                setInvalid(undefined);
                setShown(next);
              }}
              onInvalid={setInvalid}
            />
            {line === undefined ? null : line.ok ? (
              <>
                <Big label="At the gun" value={line.value.gun.value} kind="pressure" testID="knob-gun" />
                <Words colour="ink2">{`${showText(line.value.gun.low, 'pressure', system)} to ${showText(line.value.gun.high, 'pressure', system)}, depending on the paint. Worked out for the hoses of this job, not measured.`}</Words>
              </>
            ) : (
              <FieldError message={line.message} />
            )}
          </Panel>
          <Readout site={site} />
        </>
      }
    />
  );
}

/** A knob without figures: its marks, what was read at them, and where to set it. */
function Knob(props: OfCard) {
  const { site, card } = props;
  const { system } = useUnits();
  const { sprayer } = site;
  const known = useKnob(sprayer);
  const pump = usePump(props);
  const setting = known.curve && placeFor(known.curve, pump);
  const missing = KNOB_READINGS - Math.min(KNOB_READINGS, known.readings.length);
  return (
    <Beside
      left={
        <>
          <Panel title="Set the knob" testID="knob-answer">
            {setting ? (
              <>
                <Words size={44} weight="bold" testID="knob-place">
                  {placeWordsOf(sprayer.knobMarks, setting.place)}
                </Words>
                {setting.beyond ? (
                  <Words colour="caution" weight="semi">
                    {knobHint(sprayer, known, pump, system)}
                  </Words>
                ) : null}
                <Words>
                  {`${showText(setting.pressure.low, 'pressure', system)} to ${showText(setting.pressure.high, 'pressure', system)} at the pump there, by ${setting.pressure.inputs[0]?.source ?? ''}. The card wants ${showText(pump, 'pressure', system)} at the pump, ${showText(card.gunPressure.value, 'pressure', system)} at the gun.`}
                </Words>
              </>
            ) : (
              <>
                <Words size={22} weight="bold" testID="knob-place">
                  {knobHint(sprayer, known, pump, system)}
                </Words>
                <Words>
                  {`Then a test card: tails, a little more. Lowest for priming the pump and for cleaning. The card wants ${showText(pump, 'pressure', system)} at the pump: what your knob gives is known after ${missing === KNOB_READINGS ? 'three readings at two marks' : missing > 0 ? `${missing} more ${missing === 1 ? 'reading' : 'readings'}` : 'a reading at another mark'}.`}
                </Words>
              </>
            )}
          </Panel>
          {known.readings.length > 0 ? (
            <Panel title="What it gave" testID="knob-readings">
              <KnobChart
                marks={sprayer.knobMarks}
                readings={known.readings}
                curve={known.curve}
                wanted={pump}
              />
            </Panel>
          ) : null}
          {known.otherMarks > 0 ? (
            <Words colour="ink2">{`${known.otherMarks} ${known.otherMarks === 1 ? 'reading is' : 'readings are'} at marks this knob has not any more, and ${known.otherMarks === 1 ? 'is' : 'are'} left out.`}</Words>
          ) : null}
        </>
      }
      right={
        <>
          {sprayer.knobMarks.length > 1 ? <ReadForm {...props} known={known} /> : null}
          <Readout site={site} />
        </>
      }
    />
  );
}

/** A gauge hangs on: where the knob stands and what it reads, written down for this machine. */
function ReadForm({ site, card, known }: OfCard & { known: ReturnType<typeof useKnob> }) {
  const { system } = useUnits();
  const write = useWriteDown();
  const { sprayer, jobId, surfaceId } = site;
  const [place, setPlace] = useState<number>();
  const [read, setRead] = useState<number>();
  const [where, setWhere] = useState<'pump' | 'gun'>('pump');
  const [invalid, setInvalid] = useState<string>();
  const [tried, setTried] = useState(false);
  const [doubted, setDoubted] = useState<string>();
  const line =
    read === undefined
      ? undefined
      : where === 'gun'
        ? lineForGun(lineRequest(site, card), quantity(read), system)
        : undefined;
  const pump = where === 'pump' ? read : line?.ok ? line.value.pump.value : undefined;
  const above = pump !== undefined && pump > sprayer.maxPressure * 1.05;
  const why =
    invalid ??
    (tried && read === undefined
      ? 'Type what the gauge reads.'
      : line && !line.ok
        ? line.message
        : above
          ? `${sprayer.name} gives ${showText(sprayer.maxPressure, 'pressure', system)} at most: look at the gauge again, or at the limit in the kit.`
          : undefined);
  const keep = useOneTap(() => {
    setTried(true);
    if (place === undefined || pump === undefined || why !== undefined) return;
    const doubt = knobDoubt(known.readings, knobReading(place, pump, 'gauge'), sprayer.knobMarks, system);
    if (doubt !== undefined && doubt !== doubted) {
      setDoubted(doubt);
      return;
    }
    write(
      {
        kind: 'knob',
        payload: { sprayerId: sprayer.id, at: knobAtPlace(place, sprayer.knobMarks), pump, by: 'gauge' },
        jobId,
        surfaceId,
      },
      `${placeWordsOf(sprayer.knobMarks, place)} is written down for ${sprayer.name}.`,
    );
    setDoubted(undefined);
    setTried(false);
    setPlace(undefined);
    setRead(undefined);
  });
  return (
    <Panel title="Read it with a gauge" testID="knob-read">
      <Words colour="ink2">
        Hang the gauge on with the gun relieved and locked. Read it while it sprays, trigger held.
      </Words>
      <KnobPlaceChoice
        label="The knob stands at"
        marks={sprayer.knobMarks}
        place={place}
        error={tried && place === undefined ? 'Say where the knob stands.' : undefined}
        onChange={(next) => {
          setDoubted(undefined);
          setPlace(next);
        }}
      />
      <Segmented
        label="The gauge is"
        value={where}
        options={[
          { value: 'pump', label: 'At the pump' },
          { value: 'gun', label: 'At the gun' },
        ]}
        onChange={setWhere}
      />
      <QuantityStepper
        label="The gauge reads"
        kind="pressure"
        value={read}
        from={card.gunPressure.value}
        step={{ metric: 5, us: 50 }}
        bounds={LINE_LIMITS.pressure}
        error={why}
        onChange={(next) => {
          setInvalid(undefined);
          setDoubted(undefined);
          setRead(next);
        }}
        onInvalid={setInvalid}
      />
      {where === 'gun' && line?.ok ? (
        <Words colour="ink2">{`About ${showText(line.value.pump.value, 'pressure', system)} at the pump through these hoses.`}</Words>
      ) : null}
      {doubted ? <FieldError message={doubted} /> : null}
      <Button
        label={doubted ? 'It is as I say: write it down' : 'Write it down'}
        kind="primary"
        className="min-h-[56px]"
        onPress={keep}
      />
    </Panel>
  );
}

/** What the machine has to set its pressure by, and what its marks are called: of the kit, put right where one stands. */
function Readout({ site }: { site: Site }) {
  const { sprayer } = site;
  const may = useMay('kit');
  const toast = useToast();
  const { put } = useWrites('sprayers');
  const [marks, setMarks] = useState<readonly string[]>();
  async function change(next: Partial<Sprayer>, said: string) {
    try {
      const row = await put({ id: sprayer.id, content: { ...contentOf(sprayer), ...next } });
      setMarks(undefined);
      const { readout, knobMarks } = sprayer;
      toast({
        text: said,
        undo: () => void put({ id: sprayer.id, content: { ...contentOf(row), readout, knobMarks } }),
      });
    } catch (error) {
      toast({ text: `Not stored: ${whyFailed(error)}` });
    }
  }
  const named = marks ?? sprayer.knobMarks;
  // As the kit checks them.
  const checked = sprayerFields.shape.knobMarks.safeParse(named);
  const wrong = checked.error?.issues[0]?.message;
  if (!may) return null;
  return (
    <Panel title={sprayer.name}>
      <Segmented
        label="It has"
        value={sprayer.readout}
        options={[
          { value: 'knob', label: 'A knob' },
          { value: 'display', label: 'A display' },
        ]}
        onChange={(readout) =>
          void change(
            { readout },
            readout === 'display' ? 'The pump shows its pressure.' : 'It is set by its knob.',
          )
        }
      />
      {sprayer.readout === 'knob' ? (
        <>
          <KnobMarks
            label="Marks of its knob, lowest first"
            marks={named}
            error={marks ? wrong : undefined}
            onChange={setMarks}
          />
          {marks && wrong === undefined ? (
            <Button
              label="Store these marks"
              className="min-h-[56px]"
              onPress={() =>
                void change({ knobMarks: marks.map((one) => one.trim()) }, 'The marks are stored.')
              }
            />
          ) : null}
        </>
      ) : null}
    </Panel>
  );
}
