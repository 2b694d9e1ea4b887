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

/** Lets the person take a picture, or choose one; nothing when none was. Where there is no camera the device offers its files. */
export function chosenPicture(from: 'camera' | 'files'): Promise<File | undefined> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = 'image/*';
    if (from === 'camera') input.setAttribute('capture', 'environment');
    input.onchange = () => resolve(input.files?.[0]);
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

/** Whether this device hands such a file on by its own share sheet. */
export function canShare(type: string): boolean {
  const device = globalThis.navigator as Navigator | undefined;
  return typeof device?.canShare === 'function' && device.canShare({ files: [new File([], 'x', { type })] });
}

/** Hands a file to the device's share sheet. Somebody who closes that has not failed. */
export async function shareFile(name: string, title: string, blob: Blob): Promise<void> {
  await closedIsFine(navigator.share({ title, files: [new File([blob], name, { type: blob.type })] }));
}

/** Whether this device hands a text on by its own share sheet. */
export function canShareText(): boolean {
  const device = globalThis.navigator as Navigator | undefined;
  return typeof device?.canShare === 'function' && device.canShare({ text: 'x' });
}

/** Puts a text where the device pastes from; false where it does not let a page do so. */
export async function copyText(text: string): Promise<boolean> {
  try {
    await navigator.clipboard.writeText(text);
    return true;
  } catch {
    return false;
  }
}

/** Hands a text to the device's share sheet. Somebody who closes that has not failed. */
export async function shareText(title: string, text: string): Promise<void> {
  await closedIsFine(navigator.share({ title, text }));
}

async function closedIsFine(sharing: Promise<void>): Promise<void> {
  try {
    await sharing;
  } catch (error) {
    if (!(error instanceof DOMException && error.name === 'AbortError')) throw error;
  }
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
