export { EntryRow, EntryRows, offsetAt } from './EntryRows';
export { EntryScreen } from './EntryScreen';
export { JournalScreen } from './JournalScreen';
export { WaitingScreen } from './WaitingScreen';
