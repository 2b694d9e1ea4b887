import { fileName, saveFile } from '@/data/deviceFiles';
import { Button } from '@/ui/button';
import { drawnSvg } from './svg';

/** Saves the drawings of a part of the screen as a file. */
export function SvgButton({ label, of, name }: { label: string; of: string; name: string }) {
  return (
    <Button
      label={label}
      kind="quiet"
      className="self-end"
      onPress={() => {
        const drawing = drawnSvg(of);
        if (drawing) saveFile(fileName(name, 'svg'), 'image/svg+xml', drawing);
      }}
    />
  );
}
