import { CSV_STYLES, csvOf, type Sheet } from '@fine-spray/contract/formats';
import Download from 'lucide-react-native/icons/download';
import { useState } from 'react';
import { fileName, saveBlob, saveFile } from '@/data/deviceFiles';
import { runWorker, type StartWorker } from '@/data/worker';
import { Button } from '@/ui/button';
import { useOneTap } from '@/ui/oneTap';
import { useToast } from '@/ui/toast';
import type { XlsxReport } from '@/workers/xlsx.worker';
import { useCsvStyle } from './csvStyle';

const startWorker: StartWorker = () => new Worker(new URL('../../workers/xlsx.worker', window.location.href));

/** Makes a workbook of a table in a worker: a long log takes a while. */
function xlsxOf(sheet: Sheet): Promise<Blob> {
  return new Promise((resolve, reject) => {
    const failed = () => reject(new Error('no workbook'));
    const end = runWorker<Sheet, XlsxReport>(
      startWorker,
      sheet,
      ({ file }) => {
        end();
        if (file) resolve(file);
        else failed();
      },
      failed,
    );
  });
}

/** A table to take as a file: as CSV in the style of this device, and for spreadsheet programs. */
export function TableOut({
  label,
  file,
  make,
  disabled = false,
  onSaved,
}: {
  /** What the table is, on its buttons: "Take-off". */
  label: string;
  /** What its file is called, without the ending. */
  file: string;
  make: () => Sheet;
  disabled?: boolean;
  /** Said where more is to be said than that a file came. */
  onSaved?: () => void;
}) {
  const [style] = useCsvStyle();
  const toast = useToast();
  const [busy, setBusy] = useState(false);
  const csv = useOneTap(() => {
    saveFile(fileName(file, 'csv'), 'text/csv', csvOf(make(), CSV_STYLES[style]));
    onSaved?.();
  });
  const xlsx = useOneTap(async () => {
    setBusy(true);
    try {
      saveBlob(fileName(file, 'xlsx'), await xlsxOf(make()));
      onSaved?.();
    } catch {
      toast({ text: `${label} not made as XLSX on this device. Take the CSV file.` });
    } finally {
      setBusy(false);
    }
  });
  return (
    <>
      <Button label={`${label}, CSV`} icon={Download} disabled={disabled} onPress={() => csv()} />
      <Button
        label={busy ? 'Making …' : `${label}, XLSX`}
        icon={Download}
        disabled={disabled || busy}
        onPress={() => xlsx()}
      />
    </>
  );
}
