import {
  USUAL_BOOK,
  companies as companiesSchema,
  companyBook,
  companyFields,
  ownCompanyBody,
  type Companies,
  type Company,
} from '@fine-spray/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import { call, whyFailed } from '@/data/api';
import { useForm } from '@/data/draft';
import { useMay } from '@/data/may';
import { useMe, useSession } from '@/data/me';
import { keys, usePutCompany } from '@/data/resources';
import { Button } from '@/ui/button';
import { FieldError, TextField } from '@/ui/field';
import { useOneTap } from '@/ui/oneTap';
import { Panel } from '@/ui/panel';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { TickRow } from '@/ui/tickRow';
import { useToast } from '@/ui/toast';

const asked = companyFields.pick({ name: true });

/** The name of the company and what stands under it on its paper. */
export function CompanyPanel({ company }: { company: Company }) {
  // Who does not see prices would store the company without them.
  const seesMoney = useMay('money');
  const put = usePutCompany();
  const toast = useToast();
  const book = company.book ?? USUAL_BOOK;
  const { content, errors, failed, ready, changed, change, submit } = useForm({
    schema: asked.extend({ head: companyBook.shape.head }),
    keptAs: `company ${company.id}`,
    first: { name: company.name, head: book.head },
  });
  const store = useOneTap(() =>
    submit(async ({ name, head }) => {
      const stored = await put({ name, book: { ...book, head }, version: company.version });
      toast({
        text: `${stored.name} is kept.`,
        undo: () => void put({ name: company.name, book: company.book, version: stored.version }),
      });
    }),
  );
  if (!seesMoney) return null;
  return (
    <Panel title="Company" testID="company">
      <TextField
        label="Name"
        value={content.name}
        error={errors['name']}
        onChange={(name) => change({ name })}
      />
      <TextField
        label="Under the name on paper: address, telephone"
        value={content.head}
        error={errors['head']}
        multiline
        onChange={(head) => change({ head })}
      />
      {failed ? <FieldError message={failed} /> : null}
      <Button
        label="Keep"
        kind="primary"
        className="self-start"
        disabled={!ready || !changed}
        onPress={store}
      />
    </Panel>
  );
}

/** Stand-ins of outside devices, on or off: what they say is made up. */
export function StandIns({ company }: { company: Company }) {
  // Who does not see prices would store the company without them.
  const seesMoney = useMay('money');
  const put = usePutCompany();
  const toast = useToast();
  const book = company.book ?? USUAL_BOOK;
  const turn = useOneTap(async () => {
    try {
      await put({
        name: company.name,
        book: { ...book, standIns: !book.standIns },
        version: company.version,
      });
    } catch (error) {
      toast({ text: `Not changed: ${whyFailed(error)}` });
    }
  });
  if (!seesMoney) return null;
  return (
    <Panel title="Stand-ins" testID="stand-ins">
      <TickRow
        label="Stand-ins of outside devices"
        words="Play a weather station, its forecast, a gauge and a laser measure"
        note="To try things out: what they say is made up, and in the log it is marked so. Off, nothing is taken from them."
        on={book.standIns}
        onPress={() => turn()}
      />
    </Panel>
  );
}

/** Leaving the sample company for one's own, and coming back: where nobody signs in. */
export function OtherCompanies() {
  const me = useMe();
  const mayChange = useMay('people');
  const [making, setMaking] = useState(false);
  const { answering } = useSession();
  const toast = useToast();
  const open = me?.signIn === false;
  const { data } = useQuery({
    queryKey: keys.companies,
    enabled: open,
    queryFn: async ({ signal }): Promise<Companies> =>
      companiesSchema.parse(await call('GET', '/api/companies', undefined, { signal })),
  });
  const choose = useOneTap(async (id: string) => {
    try {
      await answering(id);
    } catch (error) {
      toast({ text: `Not changed: ${whyFailed(error)}` });
    }
  });
  if (!open || !data || !mayChange) return null;
  const now = data.items.find(({ answers }) => answers);
  const others = data.items.filter(({ answers }) => !answers);
  return (
    <Panel title={now?.sample ? 'This is the sample company' : 'Other companies here'} testID="companies">
      <Words>
        {now?.sample
          ? 'Its jobs, people and prices are made up, to try things on. Your own company begins empty; the sample stays here, and you can come back to it.'
          : 'What belongs to one company is never seen from another.'}
      </Words>
      {others.map(({ id, name, sample }) => (
        <Button
          key={id}
          label={sample ? `Look at the sample: ${name}` : `Go to ${name}`}
          kind={now?.sample ? 'primary' : 'plain'}
          onPress={() => choose(id)}
        />
      ))}
      <Button
        label="Begin your own company"
        kind={now?.sample && others.length === 0 ? 'primary' : 'plain'}
        onPress={() => setMaking(true)}
      />
      <Words size={14} colour="ink2">
        All devices that use this server go along.
      </Words>
      {making ? <OwnCompany onClose={() => setMaking(false)} /> : null}
    </Panel>
  );
}

function OwnCompany({ onClose }: { onClose: () => void }) {
  const { ownCompany } = useSession();
  const client = useQueryClient();
  const { content, errors, failed, change, submit } = useForm({
    schema: ownCompanyBody,
    keptAs: 'own company',
    first: { company: '', name: '', initials: '' },
    quiet: true,
  });
  const store = useOneTap(() =>
    submit(async (own) => {
      await ownCompany(own);
      await client.invalidateQueries({ queryKey: keys.companies });
      onClose();
    }),
  );
  return (
    <Sheet title="Your own company" onClose={onClose}>
      <View className="gap-3">
        <TextField
          label="What the company is called"
          value={content.company}
          error={errors['company']}
          onChange={(company) => change({ company })}
        />
        <TextField
          label="Your name"
          value={content.name}
          error={errors['name']}
          onChange={(name) => change({ name })}
        />
        <TextField
          label="Your initials, as the log shows them"
          value={content.initials}
          error={errors['initials']}
          onChange={(initials) => change({ initials })}
        />
        {failed ? <FieldError message={failed} /> : null}
        <Button label="Begin" kind="primary" onPress={store} />
      </View>
    </Sheet>
  );
}
