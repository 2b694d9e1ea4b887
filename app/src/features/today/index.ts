export { TodayScreen } from './TodayScreen';
