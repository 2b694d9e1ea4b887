import { showText } from '@fine-spray/core';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import Crosshair from 'lucide-react-native/icons/crosshair';
import { useState } from 'react';
import { View } from 'react-native';
import { simulatedRangeFinder, type RangeFinder, type SimulatedRangeFinder } from '@/data/rangeFinder';
import { Button, IconButton } from '@/ui/button';
import { useLengthEntry } from '@/ui/length';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** What the stand-in is aimed at first, m, and how far one press turns it. */
const FIRST_AIM = 4.2;
const TURN = { metric: 0.1, us: 0.3048 / 2 } as const;

/** A reading as a person would type it: metres to the millimetre, feet to a thousandth. */
const asText = (length: number, system: 'metric' | 'us') =>
  system === 'metric' ? length.toFixed(3) : (length / 0.3048).toFixed(3);

/** Puts the readings of a laser measure into the length that has the focus. */
export function useLaser(finder: RangeFinder) {
  const entry = useLengthEntry();
  const { system } = useUnits();
  const [refused, setRefused] = useState<string>();
  const press = () => {
    const reading = finder.press();
    if (reading.ok) entry?.typeInto(asText(reading.value, system));
    setRefused(reading.ok ? undefined : reading.message);
  };
  return { press, refused };
}

/** The simulated laser measure: what it is aimed at, and its button. */
export function LaserTool({
  make = () => simulatedRangeFinder(41, FIRST_AIM),
}: {
  make?: () => SimulatedRangeFinder;
}) {
  const [finder] = useState(make);
  const [aim, setAim] = useState(FIRST_AIM);
  const { system } = useUnits();
  const { press, refused } = useLaser(finder);
  const turn = (by: 1 | -1) => {
    const next = Math.max(0.1, Number((aim + by * TURN[system]).toFixed(4)));
    finder.aim(next);
    setAim(next);
  };
  return (
    <View className="gap-1">
      <View className="flex-row flex-wrap items-center gap-1">
        <Button label="Laser" icon={Crosshair} onPress={press} />
        <View className="min-w-0 flex-1 flex-row items-center justify-end">
          <IconButton icon={Minus} name="Aim nearer" onPress={() => turn(-1)} />
          <View className="items-center">
            <Words size={14} colour="ink2">
              simulated, aims at
            </Words>
            <Words size={14} weight="semi">
              {showText(aim, 'size', system)}
            </Words>
          </View>
          <IconButton icon={Plus} name="Aim farther" onPress={() => turn(1)} />
        </View>
      </View>
      {refused ? <Words colour="danger">{refused}</Words> : null}
    </View>
  );
}
