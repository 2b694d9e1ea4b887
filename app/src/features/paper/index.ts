export { PaperButton, SheetButton } from './PaperButton';
export { Papers } from './Papers';
export { usePaperSize } from './usePaperSize';
export { SheetOut } from './SheetOut';
export { ViscosityPaper } from './ViscosityPaper';
