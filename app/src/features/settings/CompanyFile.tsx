import { ARCHIVE, companyFields, type Company } from '@fine-spray/contract';
import { useQueryClient } from '@tanstack/react-query';
import Download from 'lucide-react-native/icons/download';
import FolderOpen from 'lucide-react-native/icons/folder-open';
import { useState } from 'react';
import { View } from 'react-native';
import { fileOf, whyFailed } from '@/data/api';
import { chooseFile, fileName, saveBlob } from '@/data/deviceFiles';
import { useMay } from '@/data/may';
import { useMe, useSession } from '@/data/me';
import { keys } from '@/data/resources';
import { Button } from '@/ui/button';
import { FieldError, TextField } from '@/ui/field';
import { useOneTap } from '@/ui/oneTap';
import { Panel } from '@/ui/panel';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';

/** All of a company as one file to leave with, and, where nobody signs in, one from such a file. */
export function CompanyFile({ company }: { company: Company }) {
  const me = useMe();
  const mayLeave = useMay('people');
  const seesMoney = useMay('money');
  const toast = useToast();
  const [busy, setBusy] = useState(false);
  const [opening, setOpening] = useState(false);
  const takeAlong = useOneTap(async () => {
    setBusy(true);
    try {
      saveBlob(fileName(company.name, 'zip'), await fileOf('/api/company/archive'));
      toast({ text: `${company.name} is in your downloads.` });
    } catch (error) {
      toast({ text: `Not written: ${whyFailed(error)}` });
    } finally {
      setBusy(false);
    }
  });
  if (!mayLeave || !seesMoney) return null;
  return (
    <Panel title="All of it as one file" testID="company-file">
      <Words>
        Kit, book, systems, people, jobs, offers, plans, log and pictures, in open files. Passwords stay here.
        What a device has not sent yet is not in it.
      </Words>
      <Button
        label={busy ? 'Writing the file' : 'Take the company along'}
        icon={Download}
        disabled={busy}
        onPress={() => takeAlong()}
      />
      {me?.signIn === false ? (
        <Button label="Open a company file" icon={FolderOpen} onPress={() => setOpening(true)} />
      ) : null}
      {opening ? <OpenCompany onClose={() => setOpening(false)} /> : null}
    </Panel>
  );
}

function OpenCompany({ onClose }: { onClose: () => void }) {
  const { companyOf } = useSession();
  const client = useQueryClient();
  const [as, setAs] = useState('');
  const [failed, setFailed] = useState<string>();
  const [busy, setBusy] = useState(false);
  const name = as.trim();
  const wrong = name === '' ? undefined : companyFields.shape.name.safeParse(name).error?.issues[0]?.message;
  const open = useOneTap(async () => {
    const file = await chooseFile('.zip,application/zip');
    if (!file) return;
    setBusy(true);
    setFailed(undefined);
    try {
      if (file.bytes.length > ARCHIVE.most)
        throw new Error(
          'Files of up to 256 MB are taken here. A larger one is taken in on the server itself.',
        );
      await companyOf(new Blob([new Uint8Array(file.bytes)], { type: ARCHIVE.type }), name);
      await client.invalidateQueries({ queryKey: keys.companies });
      onClose();
    } catch (error) {
      setFailed(whyFailed(error));
    } finally {
      setBusy(false);
    }
  });
  return (
    <Sheet title="Open a company file" onClose={onClose}>
      <View className="gap-3">
        <Words>
          It becomes one more company of this server, and answers from then on. All of the file is taken in,
          or nothing.
        </Words>
        <TextField
          label="What it is to be called here, if not as in the file"
          value={as}
          error={wrong}
          onChange={setAs}
        />
        {failed ? <FieldError message={failed} /> : null}
        <Button
          label={busy ? 'Reading the file' : 'Choose the file'}
          kind="primary"
          disabled={busy || wrong !== undefined}
          onPress={() => open()}
        />
      </View>
    </Sheet>
  );
}
