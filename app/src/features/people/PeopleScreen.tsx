import type { Person, Role } from '@fine-spray/contract';
import { Link, useRouter } from 'expo-router';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Plus from 'lucide-react-native/icons/plus';
import { Pressable, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useMay } from '@/data/may';
import { useList } from '@/data/resources';
import { Button } from '@/ui/button';
import { Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';

/** What a role is called, and what it does. */
export const ROLE_WORDS: Readonly<Record<Role, { readonly name: string; readonly does: string }>> = {
  owner: { name: 'Owner', does: 'Everything, money and people too' },
  lead: { name: 'Lead', does: 'Plans, kit and the log; puts right what others wrote' },
  painter: { name: 'Painter', does: 'Reads the plans, writes the log' },
  apprentice: { name: 'Apprentice', does: 'Reads the plans, writes the log, practises' },
};

/** The people of the company: who they are, and what they may do. */
export function PeopleScreen() {
  const people = useList('people');
  const mayChange = useMay('people');
  const router = useRouter();
  if (!people.data)
    return (
      <Screen title="People" backTo="/settings">
        {people.error ? (
          <ErrorState
            title="The people cannot be read now"
            text={whyFailed(people.error)}
            onRetry={() => void people.refetch()}
          />
        ) : (
          <Skeleton rows={3} />
        )}
      </Screen>
    );
  const active = people.data.filter((one) => one.active);
  const gone = people.data.filter((one) => !one.active);
  return (
    <Screen title="People" backTo="/settings">
      <Rows people={active} />
      {mayChange ? (
        <Button
          label="Add a person"
          icon={Plus}
          kind="primary"
          className="min-h-[56px]"
          onPress={() => router.navigate('/people/new')}
        />
      ) : null}
      {gone.length > 0 ? (
        <>
          <Words size={18} weight="bold" heading={2}>
            No longer here
          </Words>
          <Rows people={gone} />
        </>
      ) : null}
    </Screen>
  );
}

function Rows({ people }: { people: readonly Person[] }) {
  const { palette } = useTheme();
  return (
    <View className="rounded-2xl border border-rule bg-sheet">
      {people.map(({ id, name, initials, role }) => (
        <Link key={id} href={`/people/${id}`} asChild>
          <Pressable
            role="link"
            className="min-h-[64px] flex-row items-center gap-3 border-b border-rule px-4 py-2"
          >
            <View className="min-w-0 flex-1">
              <Words weight="semi">{`${name}, ${initials}`}</Words>
              <Words size={14} colour="ink2">
                {`${ROLE_WORDS[role].name}: ${ROLE_WORDS[role].does.toLowerCase()}`}
              </Words>
            </View>
            <ChevronRight size={20} color={palette.ink2} aria-hidden />
          </Pressable>
        </Link>
      ))}
    </View>
  );
}
