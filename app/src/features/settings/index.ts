export { BookScreen } from './BookScreen';
export { SettingsScreen } from './SettingsScreen';
