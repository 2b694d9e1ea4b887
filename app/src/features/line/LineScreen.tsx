import {
  LINE_LIMITS,
  counted,
  handStep,
  largestTip,
  lineAtPump,
  lineForGun,
  lineProfile,
  longestHose,
  of,
  quantity,
  showText,
  type HoseRun,
  type LineRequest,
  type SetupCard,
} from '@fine-spray/core';
import ArrowDown from 'lucide-react-native/icons/arrow-down';
import Plus from 'lucide-react-native/icons/plus';
import Trash from 'lucide-react-native/icons/trash';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import type { Site } from '@/features/site';
import { Big } from '@/ui/big';
import { Beside } from '@/ui/beside';
import { Button, IconButton } from '@/ui/button';
import { CautionBox } from '@/ui/caution';
import { FieldError, QuantityField } from '@/ui/field';
import { Panel } from '@/ui/panel';
import { Segmented } from '@/ui/segmented';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { ProfileChart } from './ProfileChart';
import { lineRequest } from './lineRequest';

const BORES = [
  { value: '3/16', bore: of(3 / 16, 'in') },
  { value: '1/4', bore: of(1 / 4, 'in') },
  { value: '3/8', bore: of(3 / 8, 'in') },
] as const;
const boreName = (bore: number) => BORES.find((one) => Math.abs(one.bore - bore) < 1e-5)?.value ?? '1/4';
const MOST_HOSES = 5;

/** A length pulled by hand: to the decimetre, within what a hose can be. */
const pulled = (length: number) => {
  const { min, max } = LINE_LIMITS.length;
  return quantity<HoseRun['length']>(Math.min(max, Math.max(min, Math.round(length * 10) / 10)));
};

/** Pump to gun as one picture that moves with hoses, height and pressure. A trial: the job keeps its own hoses. */
export function LineScreen({ site }: { site: Site }) {
  if (!site.card.ok) return <ErrorState title="No line to draw" text={site.card.message} />;
  return <Line site={site} card={site.card.value} />;
}

/** A line on trial: its hoses, the height of the gun, the pressure wanted at it, and what comes of them. */
function useTrial(site: Site, card: SetupCard) {
  const { system } = useUnits();
  const [hoses, setHoses] = useState<readonly HoseRun[]>(site.request.hoses);
  const [height, setHeight] = useState<number>(site.request.lift);
  const [gun, setGun] = useState<number>(() => {
    const step = handStep(system);
    return Math.round(card.gunPressure.value / step) * step;
  });
  const request: LineRequest = { ...lineRequest(site, card), hoses, height: quantity(height) };
  const { maxPressure } = site.sprayer;
  const wanted = lineForGun(request, quantity(gun), system);
  const reached = wanted.ok && wanted.value.pump.value <= maxPressure;
  return {
    hoses,
    setHoses,
    change: (index: number, next: Partial<HoseRun>) =>
      setHoses(hoses.map((hose, at) => (at === index ? { ...hose, ...next } : hose))),
    height,
    setHeight,
    gun,
    setGun,
    request,
    wanted,
    reached,
    /** The line as it would be: at the pressure wanted, or wide open where the pump does not reach it. */
    shown: reached ? wanted : lineAtPump(request, quantity(maxPressure), system),
  };
}

interface TrialProps {
  readonly site: Site;
  readonly card: SetupCard;
  readonly trial: ReturnType<typeof useTrial>;
}

function Line({ site, card }: { site: Site; card: SetupCard }) {
  const trial = useTrial(site, card);
  const props = { site, card, trial };
  return (
    <Beside
      left={<LineAnswer {...props} />}
      right={
        <>
          <TrialForm trial={trial} />
          <LineLimits {...props} />
        </>
      }
    />
  );
}

/** What the line wants of the pump, drawn; the end of a hose can be pulled. */
function LineAnswer({ site, card, trial }: TrialProps) {
  const { system } = useUnits();
  const { hoses, change, gun, request, wanted, reached, shown } = trial;
  const { maxPressure } = site.sprayer;
  /** Length of the hose whose end is in the hand, as it was gripped. */
  const gripped = useRef(0);
  const total = hoses.reduce((sum, { length }) => sum + length, 0);
  return (
    <>
      <Panel testID="line-answer">
        {shown.ok ? (
          <>
            <View className="flex-row flex-wrap gap-x-6 gap-y-2">
              <Big label="At the pump" value={shown.value.pump.value} kind="pressure" testID="line-pump" />
              <Big
                label="At the gun"
                value={shown.value.gun.value}
                kind="pressure"
                size={44}
                testID="line-gun"
              />
            </View>
            <Words weight="semi" testID="line-words">
              {reached
                ? `With these ${showText(total, 'hoseLength', system)} you need ${showText(shown.value.pump.value, 'pressure', system)} at the pump to have ${showText(gun, 'pressure', system)} at the gun.`
                : `Wide open, ${site.sprayer.name} leaves ${showText(shown.value.gun.value, 'pressure', system)} at the gun, not ${showText(gun, 'pressure', system)}.`}
            </Words>
            <ProfileChart
              points={lineProfile(request, shown.value)}
              rating={maxPressure}
              onDrag={(index, metres) => {
                if (metres === undefined) gripped.current = hoses[index]?.length ?? 0;
                else change(index, { length: pulled(gripped.current + metres) });
              }}
            />
            <Words size={14} colour="ink2">
              Pull the end of a hose along the drawing, or type below.
            </Words>
            <Words
              size={14}
              colour="ink2"
            >{`${showText(shown.value.gun.low, 'pressure', system)} to ${showText(shown.value.gun.high, 'pressure', system)} at the gun, depending on the paint. Tip ${card.tip.code} takes ${showText(shown.value.flow.value, 'flow', system)} of the pump's ${showText(site.sprayer.maxFlow, 'flow', system)}.`}</Words>
          </>
        ) : (
          <FieldError message={shown.message} />
        )}
      </Panel>
      {!wanted.ok && wanted.code === 'line.flow' ? (
        <CautionBox what="Pressure sags under the trigger" why={wanted.message} instead="" />
      ) : null}
      {!reached && wanted.ok ? (
        <CautionBox
          what="The pump does not reach it through these hoses"
          why={`It would need ${showText(wanted.value.pump.value, 'pressure', system)}.`}
          instead="Shorter or wider hose, a smaller tip, or thinner paint within its data sheet."
        />
      ) : null}
    </>
  );
}

/** Hoses, height and pressure to try. */
function TrialForm({ trial }: Pick<TrialProps, 'trial'>) {
  const { hoses, setHoses, change, height, setHeight, gun, setGun } = trial;
  return (
    <Panel title="Try another line">
      <QuantityField
        label="Pressure wanted at the gun"
        kind="pressure"
        value={gun}
        bounds={LINE_LIMITS.pressure}
        onChange={setGun}
      />
      <QuantityField
        label="Gun above the pump"
        kind="size"
        value={height}
        bounds={LINE_LIMITS.height}
        onChange={setHeight}
      />
      {hoses.map((hose, index) => (
        <View key={index} className="gap-2 border-t border-rule pt-3">
          <View className="flex-row items-end gap-1">
            <View className="min-w-0 flex-1">
              <QuantityField
                label={index === 0 ? 'Hose at the pump' : `Then hose ${index + 1}`}
                kind="hoseLength"
                value={hose.length}
                bounds={LINE_LIMITS.length}
                onChange={(length) => change(index, { length: quantity(length) })}
              />
            </View>
            {index < hoses.length - 1 ? (
              <IconButton
                icon={ArrowDown}
                name={`Move hose ${index + 1} towards the gun`}
                onPress={() =>
                  setHoses(
                    hoses.map((one, at) =>
                      at === index ? (hoses[index + 1] ?? one) : at === index + 1 ? hose : one,
                    ),
                  )
                }
              />
            ) : null}
            <IconButton
              icon={Trash}
              name={`Take hose ${index + 1} off`}
              onPress={() => setHoses(hoses.filter((_one, at) => at !== index))}
            />
          </View>
          <Segmented
            label={`Inside diameter of hose ${index + 1}`}
            value={boreName(hose.bore)}
            options={BORES.map(({ value }) => ({ value, label: `${value} in` }))}
            onChange={(value) =>
              change(index, { bore: BORES.find((one) => one.value === value)?.bore ?? hose.bore })
            }
          />
        </View>
      ))}
      {hoses.length < MOST_HOSES ? (
        <Button
          label="Add a hose"
          icon={Plus}
          onPress={() => setHoses([...hoses, { length: of(15, 'm'), bore: of(1 / 4, 'in') }])}
        />
      ) : null}
      <Words size={14} colour="ink2">
        In steady flow the order of hoses changes nothing. The wider one stands at the pump for a light whip
        and a calmer pump.
      </Words>
    </Panel>
  );
}

/** The largest tip and the longest hose, and whether the pump keeps up. */
function LineLimits({ site, card, trial }: TrialProps) {
  const { system } = useUnits();
  const { hoses, height, gun, request, shown } = trial;
  const largest = largestTip(
    { ...site.request, hoses, lift: quantity(height) },
    card.tip.candidate.tip.family,
    system,
  );
  const longest = BORES.map(({ value, bore }) => ({
    value,
    result: longestHose(request, bore, quantity(gun), quantity(site.sprayer.maxPressure), system),
  }));
  return (
    <Panel title="How far it goes" testID="line-limits">
      <Words>
        {largest.ok
          ? `Largest ${card.tip.candidate.tip.family} tip: orifice ${largest.value.orificeThou}. ${largest.value.words}`
          : largest.message}
      </Words>
      {longest.map(({ value, result }) => (
        <Words
          key={value}
        >{`${value} in: ${result.ok ? result.value.words.toLowerCase() : result.message}`}</Words>
      ))}
      {shown.ok && shown.value.flowLimited ? (
        <Words>{`Under the trigger it sags; held ${Math.floor(shown.value.triggerDuty.value * 100)} % of the time it does not.`}</Words>
      ) : (
        <Words colour="ink2">The pump keeps up: the trigger may be held all the time.</Words>
      )}
      <Words size={14} colour="ink2">
        {counted(hoses.length, 'hose')}. Nothing here changes the job.
      </Words>
    </Panel>
  );
}
