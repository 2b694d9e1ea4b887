import { layersOf } from '@fine-spray/contract/planning';
import { showText } from '@fine-spray/core/units';
import { View } from 'react-native';
import { useChangeSurfaces } from '@/data/changeSurfaces';
import { useKept } from '@/data/kept';
import { useMay } from '@/data/may';
import type { LoadedJob } from '@/features/frame';
import { Button } from '@/ui/button';
import { CautionBox } from '@/ui/caution';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { useSiteState } from './useSiteState';

const readLeft = (stored: unknown): readonly string[] | undefined =>
  Array.isArray(stored) && stored.every((one) => typeof one === 'string') ? stored : undefined;

/** What the log says of coats that the plan has to answer: one that came out too thin, one whose ground has closed. */
export function Findings({ job, surfaces, kit, first, now }: LoadedJob & { first: Date; now: Date }) {
  const state = useSiteState(job, surfaces, first, now);
  const { system } = useUnits();
  const change = useChangeSurfaces();
  const mayPlan = useMay('plans');
  const [left, setLeft] = useKept<readonly string[]>(`left as they are ${job.id}`, readLeft, []);
  const nameOf = (id: string) => surfaces.find((one) => one.id === id);
  const called = (id: string) => {
    const row = nameOf(id);
    return row ? [row.room, row.name].filter(Boolean).join(', ') : 'A surface';
  };
  const thin = (state?.thin ?? []).filter(
    ({ surface, coating, coat }) => !left.includes(`${surface} ${coating} ${coat}`),
  );
  const closed = state?.closed ?? [];
  if (thin.length === 0 && closed.length === 0) return null;
  return (
    <View className="gap-2" testID="findings">
      {thin.map(({ surface, coating, coat, wet, wanted }) => {
        const row = nameOf(surface);
        const finish = row && layersOf(row).at(-1)?.coatingId === coating;
        const paint = kit.coatings.find(({ id }) => id === coating)?.name ?? 'its coating';
        return (
          <View key={`${surface} ${coating}`} className="gap-2 rounded-2xl border-2 border-ink bg-sheet p-4">
            <Words weight="bold" size={18} heading={2}>
              {`${called(surface)}: too thin`}
            </Words>
            <Words>{`Coat ${coat} of ${paint} was combed at ${showText(wet, 'wetFilm', system)}; ${showText(wanted, 'wetFilm', system)} were wanted, and no coat is planned over it.`}</Words>
            <View className="flex-row flex-wrap gap-2">
              {row && finish && mayPlan ? (
                <Button
                  label="Add a coat"
                  kind="primary"
                  onPress={() =>
                    change(
                      [row],
                      { coats: row.coats + 1 },
                      `${row.name} has one coat more, and the plan with it.`,
                    )
                  }
                />
              ) : null}
              <Button
                label="Leave it so"
                onPress={() => setLeft([...left, `${surface} ${coating} ${coat}`])}
              />
            </View>
          </View>
        );
      })}
      {closed.map(({ surface, coat }) => (
        <CautionBox
          key={surface}
          what={`${called(surface)} has closed`}
          why="The coat on it is past its recoat window: the next one would not hold."
          instead={`Dull it with fine paper and dust it off before coat ${coat}; its data sheet decides.`}
        />
      ))}
    </View>
  );
}
