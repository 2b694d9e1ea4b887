export { PaperButton, type PaperButtonProps } from './PaperButton';
export { Papers } from './Papers';
export { usePaperSize } from './usePaperSize';
