export { PaperButton } from './PaperButton';
export { Papers } from './Papers';
