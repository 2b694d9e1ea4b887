/** A file the person chose. */
export interface ChosenFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** Lets the person choose a file; nothing when none was chosen. */
export function chooseFile(accept: string): Promise<ChosenFile | undefined> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => {
      const [file] = input.files ?? [];
      if (!file) resolve(undefined);
      else
        void file.arrayBuffer().then((buffer) => resolve({ name: file.name, bytes: new Uint8Array(buffer) }));
    };
    input.oncancel = () => resolve(undefined);
    input.click();
  });
}

/** Hands a text to the device as a file. */
export function saveFile(name: string, type: string, text: string): void {
  saveBlob(name, new Blob([text], { type }));
}

/** Hands a file to the device. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}

/** A name that any device takes as a file name. */
export function fileName(name: string, ending: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/[^\w\s-]/g, '')
    .trim()
    .replace(/\s+/g, '-')
    .toLowerCase();
  return `${plain.slice(0, 60) || 'fine-spray'}.${ending}`;
}
