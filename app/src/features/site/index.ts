export { DialledIn } from './DialledIn';
export { ToolBar } from './ToolBar';
export { ToolRow, toolHref, toolsUnder, type ToolsUnder } from './ToolRow';
export {
  NO_JOB,
  useQuickSite,
  useQuickState,
  useSurfaceSite,
  type Loaded,
  type QuickState,
  type Site,
} from './context';
export { firstQuick } from './firstQuick';
export { TOOLS, isTool, type ToolId } from './tools';
