import { fileOf } from '@/data/api';
import { useUnits } from '@/ui/units';
import { SheetOut } from './SheetOut';
import { usePaperSize } from './usePaperSize';

/** The record of viscosity on paper: of one job, or of all. */
export function ViscosityPaper({ job }: { job?: string | undefined }) {
  const [size] = usePaperSize();
  const { system } = useUnits();
  const make = () => {
    const query = new URLSearchParams({
      size,
      units: system,
      zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      ...(job === undefined ? {} : { job }),
    });
    return fileOf(`/api/log/viscosity.pdf?${query.toString()}`);
  };
  return (
    <SheetOut
      label="Viscosity PDF"
      name="Record of viscosity"
      file="record of viscosity"
      make={make}
      instead="The CSV is made on this device."
    />
  );
}
