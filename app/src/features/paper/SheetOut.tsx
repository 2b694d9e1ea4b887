import Printer from 'lucide-react-native/icons/printer';
import Share2 from 'lucide-react-native/icons/share-2';
import { useState } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { canShare, fileName, saveBlob, shareFile } from '@/data/deviceFiles';
import { Button, IconButton } from '@/ui/button';
import { useOneTap } from '@/ui/oneTap';
import { useToast } from '@/ui/toast';

const PDF = 'application/pdf';

/** A sheet to take: into the downloads, or on by the share sheet of the device where it has one. */
export function SheetOut({
  label,
  name,
  spoken = label,
  file,
  make,
  instead = '',
}: {
  /** On the button, short. */
  label: string;
  /** What it is called: where it cannot be made, and on the share sheet. */
  name: string;
  /** The button for who cannot see where it stands, where its label alone does not say of what it is. */
  spoken?: string;
  /** What its file is called, without the ending. */
  file: string;
  make: () => Promise<Blob>;
  /** What one has where it cannot be made. */
  instead?: string;
}) {
  const toast = useToast();
  const [busy, setBusy] = useState(false);
  const take = useOneTap(async (how: 'save' | 'share') => {
    setBusy(true);
    try {
      const sheet = await make();
      const called = fileName(file, 'pdf');
      if (how === 'save') saveBlob(called, sheet);
      else await shareFile(called, name, new Blob([sheet], { type: PDF }));
    } catch (error) {
      toast({ text: `${name} not made: ${whyFailed(error)} ${instead}`.trim() });
    } finally {
      setBusy(false);
    }
  });
  return (
    <View className="flex-row items-center gap-1">
      <Button
        label={busy ? 'Making …' : label}
        icon={Printer}
        aria-label={spoken}
        disabled={busy}
        onPress={() => take('save')}
      />
      {canShare(PDF) ? (
        <IconButton icon={Share2} name={`Share: ${name}`} disabled={busy} onPress={() => take('share')} />
      ) : null}
    </View>
  );
}
