import { SettingsScreen } from '@/features/screens';

export default SettingsScreen;
