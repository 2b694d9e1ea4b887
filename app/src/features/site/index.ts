export { SiteScreen } from './SiteScreen';
export { DialledIn } from './DialledIn';
export { ToolRow } from './ToolRow';
export { NO_JOB, useQuickState, type QuickState, type Site } from './context';
export { firstQuick } from './firstQuick';
