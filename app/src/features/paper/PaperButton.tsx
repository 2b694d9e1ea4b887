import {
  PAPER_KINDS,
  type Job,
  type PaperKind,
  type PaperOptions,
  type PaperSize,
} from '@fine-spray/contract';
import { format } from 'date-fns/format';
import { useOurHistory } from '@/data/planKit';
import { paperAt } from '@/data/paper';
import { useUnits } from '@/ui/units';
import { SheetOut } from './SheetOut';
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
  const [usual] = usePaperSize();
  const [history] = useOurHistory();
  const { system } = useUnits();
  const make = () =>
    paperAt(address, {
      size: size ?? usual,
      units: system,
      risk,
      aim,
      history: history === 'on' ? 'yes' : 'no',
      date: format(new Date(), 'yyyy-MM-dd'),
    });
  return <SheetOut label={`${name}, PDF`} name={name} file={`${of} ${name}`} make={make} />;
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
