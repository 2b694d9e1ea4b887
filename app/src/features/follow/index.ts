export { FollowCalendar } from './FollowCalendar';
