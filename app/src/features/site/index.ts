export { DialledIn } from './DialledIn';
export { ToolBar } from './ToolBar';
export { ToolRow, toolHref, toolsUnder, type ToolsUnder } from './ToolRow';
export { useQuickSite, useQuickState, useSurfaceSite, type Loaded, type Site } from './context';
export { TOOLS, isTool, type ToolId } from './tools';
