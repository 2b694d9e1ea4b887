export { Notices, NoticeSwitch } from './Notices';
export { RemindersPanel } from './RemindersPanel';
