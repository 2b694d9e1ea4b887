export { FilesScreen } from './FilesScreen';
export { OpenJobScreen } from './OpenJobScreen';
