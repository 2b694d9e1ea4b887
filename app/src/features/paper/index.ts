export { PaperButton, SheetButton } from './PaperButton';
export { Papers } from './Papers';
export { usePaperSize } from './usePaperSize';
