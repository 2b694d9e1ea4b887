export { EntryRow, EntryRows, offsetAt } from './EntryRows';
export { EntryScreen } from './EntryScreen';
export { slugOf, writePath } from './links';
export { JournalScreen } from './JournalScreen';
export { WaitingScreen } from './WaitingScreen';
