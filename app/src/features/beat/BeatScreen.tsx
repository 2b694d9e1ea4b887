import { beatFor, quantity, showText, type SetupCard } from '@fine-spray/core';
import Play from 'lucide-react-native/icons/play';
import Square from 'lucide-react-native/icons/square';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useSiteLog } from '@/data/record';
import { cardsOf, combed, lastComb } from '@/features/log';
import type { Site } from '@/features/site';
import { useAwake } from '@/ui/awake';
import { Beside } from '@/ui/beside';
import { Button } from '@/ui/button';
import { wantsStill } from '@/ui/motion';
import { Panel } from '@/ui/panel';
import { usePreference } from '@/ui/preference';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Segmented } from '@/ui/segmented';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { TickRow } from '@/ui/tickRow';
import { useUnits } from '@/ui/units';
import { canSound, canVibrate, useBeat } from '@/ui/beat';

const MOST_DRAWN = 8;
const ON_OFF = ['on', 'off'] as const;

/** A way to tell the beat, remembered on this device. */
function useTold(name: string, usual: boolean) {
  const [value, set] = usePreference<'on' | 'off'>(`beat-${name}`, usual ? 'on' : 'off', ON_OFF);
  return [value === 'on', () => set(value === 'on' ? 'off' : 'on')] as const;
}

/** A tempo for the stroke at the speed of the card, or at the one the comb asks for. */
export function BeatScreen({ site }: { site: Site }) {
  if (!site.card.ok) return <ErrorState title="No beat yet" text={site.card.message} />;
  return <Beating site={site} card={site.card.value} />;
}

/** What the comb says of the coat that was read last here: the speed to go on with. */
function useCombed(site: Site) {
  const { log } = useSiteLog();
  const { system } = useUnits();
  const { surfaceId, kit } = site;
  return useMemo(() => {
    const payload = log && surfaceId !== null ? lastComb(log, surfaceId) : undefined;
    const surface = log?.surfaces.find(({ id }) => id === surfaceId);
    const job = log?.jobs.find(({ id }) => id === site.jobId);
    return (
      log && payload && combed({ log, surface, cardOf: cardsOf(surface, job, kit, system), system }, payload)
    );
  }, [log, surfaceId, kit, site.jobId, system]);
}

function Beating({ site, card }: { site: Site; card: SetupCard }) {
  const { system } = useUnits();
  const comb = useCombed(site);
  const [by, setBy] = useState<'card' | 'comb'>('card');
  const [stroke, setStroke] = useState<number>(card.stroke.length);
  const [invalid, setInvalid] = useState<string>();
  const [sound, turnSound] = useTold('sound', true);
  const [vibration, turnVibration] = useTold('vibration', true);
  const [flash, turnFlash] = useTold('flash', !wantsStill());
  const byComb = comb?.speed?.value;
  const speed = by === 'comb' && byComb !== undefined ? byComb : card.gunSpeed.value;
  const found = beatFor(quantity(stroke), quantity(speed), system);
  const beat = found.ok ? found.value : undefined;
  const { running, count, toggle } = useBeat(beat?.interval ?? 1, beat?.beats ?? 1, {
    sound,
    vibration: vibration && canVibrate(),
  });
  useAwake(running);
  // Of a long stroke no more are drawn than can be told apart.
  const drawn = Math.min(beat?.beats ?? 1, MOST_DRAWN);
  const lit = flash && beat && count !== undefined ? (count % beat.beats) % MOST_DRAWN : undefined;
  return (
    <Beside
      left={
        <Panel title="One stroke" testID="beat">
          {beat ? (
            <>
              <Words size={44} weight="digits-bold" testID="beat-time">
                {beat.time.toFixed(1)}
                <Words size={22} weight="semi">
                  {' s'}
                </Words>
              </Words>
              <Words>
                {`${showText(beat.stroke, 'size', system)} in ${beat.beats === 1 ? 'one beat' : `${beat.beats} beats`}, ${Math.round(beat.perMinute)} a minute: ${showText(beat.speed, 'speed', system)}.`}
              </Words>
              <View className="min-h-[112px] flex-row items-center gap-3" aria-hidden>
                {Array.from({ length: drawn }, (_unused, index) => (
                  <View
                    key={index}
                    className={`h-20 min-w-0 flex-1 items-center justify-center rounded-2xl border-2 ${
                      lit === index ? 'border-identity bg-identity' : 'border-rule bg-ground'
                    }`}
                  >
                    <Words size={22} weight="bold" className={lit === index ? 'text-on-identity' : ''}>
                      {String(index + 1)}
                    </Words>
                  </View>
                ))}
              </View>
              <Button
                label={running ? 'Stop' : 'Start the beat'}
                icon={running ? Square : Play}
                kind="primary"
                className="min-h-[64px]"
                onPress={toggle}
              />
              <Words size={14} colour="ink2">
                Move on the first beat, pull just after; let go just before the last ends, and turn off the
                piece.
              </Words>
            </>
          ) : (
            <Words colour="danger" role="alert">
              {found.ok ? '' : found.message}
            </Words>
          )}
        </Panel>
      }
      right={
        <Panel title="How">
          {byComb !== undefined && comb ? (
            <>
              <Segmented
                label="Speed"
                value={by}
                options={[
                  { value: 'card', label: 'By the card' },
                  { value: 'comb', label: 'By the comb' },
                ]}
                onChange={setBy}
              />
              <Words testID="beat-comb">
                {`${comb.words} Comb: ${showText(byComb, 'speed', system)} instead of ${showText(card.gunSpeed.value, 'speed', system)} on the card.`}
              </Words>
            </>
          ) : (
            <Words>Read the comb while it is wet: the beat then goes at the speed it asks for.</Words>
          )}
          <QuantityStepper
            label="Stroke, from end to end"
            kind="size"
            value={stroke}
            step={{ metric: 0.1, us: 0.5 }}
            bounds={{ min: 0.2, max: 12 }}
            error={invalid}
            onChange={(next) => {
              setInvalid(undefined);
              setStroke(next);
            }}
            onInvalid={setInvalid}
          />
          {canSound() ? <TickRow label="Sound" on={sound} onPress={turnSound} /> : null}
          {canVibrate() ? <TickRow label="Vibration" on={vibration} onPress={turnVibration} /> : null}
          <TickRow label="Light" on={flash} onPress={turnFlash} />
        </Panel>
      }
    />
  );
}
