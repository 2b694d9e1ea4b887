import type { WrittenReading } from '@fine-spray/contract/log';
import { READ_BY, placeWordsOf, showText, showWritten, type KnobCurve } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';
import { dayOfEntry } from '@/data/day';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** Readings shown as rows: the last ones; the journal has all. */
const SHOWN = 6;

/** What a knob gave at its marks: a bar for each mark as long as its pressure, then the readings themselves. */
export function KnobChart({
  marks,
  readings,
  curve,
  wanted,
}: {
  marks: readonly string[];
  readings: readonly WrittenReading[];
  curve: KnobCurve | undefined;
  /** At the pump, Pa. */
  wanted: number;
}) {
  const { system } = useUnits();
  const router = useRouter();
  const top = Math.max(wanted, ...readings.map(({ pressure }) => pressure));
  const share = (pressure: number) => `${Math.round((100 * pressure) / top)}%` as const;
  return (
    <View className="gap-3">
      {curve ? (
        <View className="gap-2">
          {curve.points.map(({ place, pressure }) => (
            <View
              key={place}
              role="img"
              aria-label={`${placeWordsOf(marks, place)}: ${showText(pressure, 'pressure', system)}`}
            >
              <View className="flex-row justify-between gap-3">
                <Words className="min-w-0 flex-1" aria-hidden>
                  {placeWordsOf(marks, place)}
                </Words>
                <Words weight="digits-bold" aria-hidden>
                  {showText(pressure, 'pressure', system)}
                </Words>
              </View>
              <View className="h-3 rounded-full bg-ground">
                <View className="h-3 rounded-full bg-identity" style={{ width: share(pressure) }} />
                <View
                  className="absolute bottom-[-2px] top-[-2px] w-[2px] bg-ink"
                  style={{ left: share(wanted) }}
                />
              </View>
            </View>
          ))}
          <Words
            size={14}
            colour="ink2"
          >{`The line stands at ${showText(wanted, 'pressure', system)}, what the card wants.`}</Words>
        </View>
      ) : null}
      {[...readings]
        .reverse()
        .slice(0, SHOWN)
        .map(({ entry, place, pressure, by }) => (
          <Pressable
            key={entry.id}
            role="link"
            onPress={() => router.navigate(`/log/entry/${entry.id}`)}
            className="min-h-[56px] justify-center"
          >
            <Words>{`${placeWordsOf(marks, place)}: ${showWritten(pressure, 'pressure', system)}, ${READ_BY[by].name.toLowerCase()}, ${dayOfEntry(entry)}`}</Words>
          </Pressable>
        ))}
    </View>
  );
}
