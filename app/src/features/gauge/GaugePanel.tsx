import type { GaugeStandIn } from '@fine-spray/contract';
import {
  GAUGE_FAULTS,
  GAUGE_FAULT_IDS,
  fluidOf,
  showText,
  type GaugeFault,
  type SetupCard,
} from '@fine-spray/core';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import type { Site } from '@/features/site';
import { Big } from '@/ui/big';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { Panel } from '@/ui/panel';
import { lineThrough } from '@/ui/svgPath';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';
import { useGauge } from './useGauge';

/** How far the gun's reading may be from what is expected before it is worth a word. */
const OFF = 0.15;
const TRACE = { width: 320, height: 60 } as const;

/** The simulated gauge at pump and gun, live; its loss is said and stops nothing. */
export function GaugePanel({
  site,
  card,
  setting,
  expected,
}: {
  site: Site;
  card: SetupCard;
  setting: number;
  expected: number;
}) {
  const { system } = useUnits();
  const [on, setOn] = useState(false);
  const [held, setHeld] = useState(false);
  const [fault, setFault] = useState<GaugeFault>('none');
  const { density, rheology } = fluidOf(site.request);
  const order: GaugeStandIn = {
    hoses: site.request.hoses.map(({ length, bore }) => ({ length, bore })),
    height: site.request.lift,
    orificeThou: card.tip.candidate.tip.orificeThou,
    maxFlow: site.sprayer.maxFlow,
    density,
    lowShear: rheology.consistency * 100 ** (rheology.exponent - 1),
    highShear: rheology.highShearViscosity,
    setting,
    triggerHeld: held,
    fault,
    seed: 7,
  };
  const { kind, readings } = useGauge(on ? order : undefined);
  const last = readings[readings.length - 1];
  const settled = readings.length >= 12 && kind === 'live' && held;
  const mean =
    readings.slice(-8).reduce((sum, { gun }) => sum + gun, 0) / Math.max(1, Math.min(8, readings.length));
  const off = settled ? mean / expected - 1 : 0;
  return (
    <Panel title="Gauge at pump and gun, simulated" testID="gauge">
      {on ? (
        <>
          <View role="status" className="flex-row flex-wrap gap-x-6 gap-y-2">
            <Big label="Pump reads" value={last?.pump ?? NaN} kind="pressure" size={44} testID="gauge-pump" />
            <Big label="Gun reads" value={last?.gun ?? NaN} kind="pressure" size={44} testID="gauge-gun" />
          </View>
          <Trace values={readings.map(({ gun }) => gun)} top={Math.max(setting, 1)} />
          <Words weight="semi" colour={kind === 'lost' ? 'danger' : 'ink'} testID="gauge-state">
            {kind === 'lost'
              ? 'Gauge lost: the last readings stand. Go on by the knob; it is tried again.'
              : kind === 'waiting'
                ? 'Waiting for the gauge.'
                : Math.abs(off) > OFF
                  ? `The gun has ${Math.round(Math.abs(off) * 100)} % ${off < 0 ? 'less' : 'more'} than expected (${showText(expected, 'pressure', system)}): look at filters, packings and container.`
                  : held
                    ? 'As expected.'
                    : 'Trigger closed: pump and gun read alike.'}
          </Words>
          <View className="flex-row flex-wrap gap-2">
            <Button
              label={held ? 'Let the trigger go' : 'Hold the trigger'}
              className="flex-1"
              onPress={() => setHeld(!held)}
            />
            <Button label="Take the gauge off" className="flex-1" onPress={() => setOn(false)} />
          </View>
          <Choice
            label="Fault the stand-in plays"
            value={fault}
            options={GAUGE_FAULT_IDS.map((value) => ({ value, label: GAUGE_FAULTS[value] }))}
            onChange={setFault}
          />
        </>
      ) : (
        <>
          <Words colour="ink2">
            A stand-in that follows the model of this line. Work goes on without it.
          </Words>
          <Button label="Hang the gauge on" onPress={() => setOn(true)} />
        </>
      )}
    </Panel>
  );
}

/** The last ten seconds at the gun. */
function Trace({ values, top }: { values: readonly number[]; top: number }) {
  const { palette } = useTheme();
  if (values.length < 2) return null;
  const x = (index: number) => (index / (values.length - 1)) * TRACE.width;
  const y = (value: number) => TRACE.height - (Math.min(value, top) / top) * (TRACE.height - 6);
  const path = lineThrough(values.map((value, index) => ({ x: x(index), y: y(value) })));
  return (
    <Svg
      width="100%"
      height={TRACE.height}
      viewBox={`0 0 ${TRACE.width} ${TRACE.height}`}
      preserveAspectRatio="none"
      aria-hidden
    >
      <Path d={path} stroke={palette.identity} strokeWidth={2.5} fill="none" />
    </Svg>
  );
}
