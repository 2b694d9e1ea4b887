import { CAPABILITIES, ROLES, personFields, type Person, type Role } from '@fine-spray/contract';
import { useRouter } from 'expo-router';
import { whyFailed } from '@/data/api';
import { useForm } from '@/data/draft';
import { useMay } from '@/data/may';
import { useMe } from '@/data/me';
import { newId } from '@/data/newId';
import { useList, useWrites } from '@/data/resources';
import { Button } from '@/ui/button';
import { FieldError, Labelled, TextField } from '@/ui/field';
import { fetchedLater } from '@/ui/lazy';
import { Panel } from '@/ui/panel';
import { Screen } from '@/ui/screen';
import { Segmented } from '@/ui/segmented';
import { ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { Devices } from './Devices';
import { Invite } from './Invite';
import { OwnSecrets } from './OwnSecrets';
import { ROLE_WORDS } from './PeopleScreen';

const PracticeProgress = fetchedLater(
  async () => (await import('@/features/practice')).PracticeProgress,
  null,
);

type Fields = Pick<Person, 'name' | 'initials' | 'role' | 'active'>;
const NEW: Fields = { name: '', initials: '', role: 'painter', active: true };

/** Somebody of the company: name, role, how they get in, and their devices. */
export function PersonScreen({ personId }: { personId: string }) {
  const people = useList('people');
  const person = people.data?.find(({ id }) => id === personId);
  if (personId === 'new') return <Form person={undefined} />;
  if (person) return <Form key={person.version} person={person} />;
  return (
    <Screen title="Person" backTo="/people">
      {people.data ? (
        <ErrorState title="There is no such person" text="They may have been deleted. Go back to the list." />
      ) : people.error ? (
        <ErrorState title="The people cannot be read now" text={whyFailed(people.error)} />
      ) : (
        <Skeleton rows={3} />
      )}
    </Screen>
  );
}

function Form({ person }: { person: Person | undefined }) {
  const me = useMe();
  const mayChange = useMay('people');
  const router = useRouter();
  const toast = useToast();
  const { put } = useWrites('people');
  const first: Fields = person
    ? { name: person.name, initials: person.initials, role: person.role, active: person.active }
    : NEW;
  const { content, errors, failed, ready, changed, change, submit } = useForm<Fields>({
    schema: personFields,
    first,
    quiet: person === undefined,
  });
  const store = () =>
    submit(async (fields) => {
      const id = person?.id ?? newId();
      const row = await put({ id, content: { ...fields, version: person?.version ?? 0 } });
      if (!person) router.replace(`/people/${id}`);
      toast({
        text: `${fields.name} is stored.`,
        ...(person ? { undo: () => void put({ id, content: { ...first, version: row.version } }) } : {}),
      });
    });
  const own = person !== undefined && person.id === me?.person?.id;
  return (
    <Screen title={person?.name ?? 'New person'} above="People" backTo="/people">
      {person?.active && mayChange ? <Invite person={person} signIn={me?.signIn ?? false} /> : null}
      {mayChange ? (
        <Panel>
          <TextField
            label="Name"
            value={content.name}
            error={errors['name']}
            onChange={(name) => change({ name })}
          />
          <TextField
            label="Initials, as they stand in the log"
            value={content.initials}
            error={errors['initials']}
            onChange={(initials) => change({ initials })}
          />
          <Labelled label="Role" note={ROLE_WORDS[content.role].does}>
            <Segmented<Role>
              label="Role"
              value={content.role}
              options={ROLES.map((value) => ({ value, label: ROLE_WORDS[value].name }))}
              onChange={(role) => change({ role })}
            />
          </Labelled>
          {person ? (
            <Labelled
              label="With the company"
              note="Whoever has left stays a name in the log, and gets in no more."
            >
              <Segmented
                label="With the company"
                value={content.active ? 'yes' : 'no'}
                options={[
                  { value: 'yes', label: 'Yes' },
                  { value: 'no', label: 'Has left' },
                ]}
                onChange={(value) => change({ active: value === 'yes' })}
              />
            </Labelled>
          ) : null}
          {failed ? <FieldError message={`Not stored: ${failed}`} /> : null}
          <Button
            label="Store"
            kind="primary"
            disabled={!ready || (person !== undefined && !changed)}
            onPress={() => void store()}
          />
        </Panel>
      ) : (
        <Words colour="ink2">{CAPABILITIES.people}</Words>
      )}
      {person ? <PracticeProgress personId={person.id} /> : null}
      {person && me?.signIn ? <Devices personId={person.id} /> : null}
      {own && me?.signIn ? <OwnSecrets owner={me.role === 'owner'} name={person.name} /> : null}
    </Screen>
  );
}
