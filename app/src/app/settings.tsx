import { SettingsScreen } from '@/features/settings';

export default SettingsScreen;
