import {
  PAPER_KINDS,
  type Job,
  type PaperKind,
  type PaperOptions,
  type PaperSize,
} from '@fine-spray/contract';
import { format } from 'date-fns/format';
import Printer from 'lucide-react-native/icons/printer';
import { useState } from 'react';
import { useOurHistory } from '@/data/planKit';
import { whyFailed } from '@/data/api';
import { fileName, saveBlob } from '@/data/deviceFiles';
import { paperAt } from '@/data/paper';
import { Button } from '@/ui/button';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { usePaperSize } from './usePaperSize';

interface SheetOptions {
  /** As chosen beside it; else as the device has it. */
  readonly size?: PaperSize;
  readonly risk?: PaperOptions['risk'];
  readonly aim?: PaperOptions['aim'];
}

/** Makes a sheet to print or to send: what it is called, of what, and where the server has it. */
export function SheetButton({
  name,
  of,
  address,
  size,
  risk = 'P80',
  aim = 'cost',
}: SheetOptions & { readonly name: string; readonly of: string; readonly address: string }) {
  const [busy, setBusy] = useState(false);
  const [usual] = usePaperSize();
  const [history] = useOurHistory();
  const { system } = useUnits();
  const toast = useToast();
  async function make() {
    setBusy(true);
    try {
      const date = format(new Date(), 'yyyy-MM-dd');
      const sheet = await paperAt(address, {
        size: size ?? usual,
        units: system,
        risk,
        aim,
        history: history === 'on' ? 'yes' : 'no',
        date,
      });
      saveBlob(fileName(`${of} ${name}`, 'pdf'), sheet);
    } catch (error) {
      toast({ text: `${name} not made: ${whyFailed(error)}` });
    } finally {
      setBusy(false);
    }
  }
  return (
    <Button
      label={busy ? `Making ${name.toLowerCase()} …` : `${name}, PDF`}
      icon={Printer}
      disabled={busy}
      onPress={() => void make()}
    />
  );
}

export interface PaperButtonProps extends SheetOptions {
  readonly job: Pick<Job, 'id' | 'name'>;
  readonly kind: PaperKind;
}

/** Makes a sheet of a job to print or to send. */
export function PaperButton({ job, kind, ...options }: PaperButtonProps) {
  return (
    <SheetButton
      {...options}
      name={PAPER_KINDS[kind]}
      of={job.name}
      address={`/api/jobs/${job.id}/${kind}.pdf`}
    />
  );
}
