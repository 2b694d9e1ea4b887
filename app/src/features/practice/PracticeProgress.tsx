import { NOTHING_LEARNED } from '@fine-spray/contract/practice';
import { PRACTICE_PIECES, PRACTICE_PIECE_IDS, SKILLS, SKILL_IDS } from '@fine-spray/core/practice';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useMay } from '@/data/may';
import { useList } from '@/data/resources';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { standing } from './learning';
import { shareText, spreadText } from './words';
import { useWho } from './useWho';

/** What somebody has learned, skill by skill with how far it may be off: for themselves, and for who leads them. */
export function PracticeProgress({ personId }: { personId: string }) {
  const router = useRouter();
  const rows = useList('practices');
  const { me, choose } = useWho();
  const own = me?.person?.id === personId;
  const leads = useMay('others');
  if (!own && !leads) return null;
  const row = rows.data?.find(({ id }) => id === personId) ?? NOTHING_LEARNED;
  const skills = SKILL_IDS.filter((id) => standing(row, id).asked > 0);
  const pieces = PRACTICE_PIECE_IDS.filter((id) => row.sprayed.some(({ piece }) => piece === id));
  const line = (key: string, name: string, said: string) => (
    <View key={key} className="flex-row justify-between gap-3 border-b border-rule py-1">
      <Words className="min-w-0 flex-1">{name}</Words>
      <Words>{said}</Words>
    </View>
  );
  return (
    <Panel title="Practice" testID="practice-progress">
      {skills.length + pieces.length === 0 ? (
        <Words colour="ink2">Nothing practised yet.</Words>
      ) : (
        <View>
          {skills.map((id) => line(id, SKILLS[id], shareText(standing(row, id))))}
          {pieces.map((id) =>
            line(
              id,
              `Sprayed: ${PRACTICE_PIECES[id].name}`,
              spreadText(row.sprayed.filter(({ piece }) => piece === id).map(({ points }) => points)),
            ),
          )}
        </View>
      )}
      <Words size={14} colour="ink2">
        Share right of the last ten days, with what chance leaves open; points of the film, of 100. It is no
        certificate.
      </Words>
      <Button
        label="Practise"
        className="self-start"
        onPress={() => {
          // Where nobody signs in, whoever's page this is practises.
          choose(personId);
          router.navigate('/practice');
        }}
      />
    </Panel>
  );
}
