export { ToolScreen } from './ToolScreen';
