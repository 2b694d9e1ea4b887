export { Issues } from './Issues';
export { FilesScreen } from './FilesScreen';
export { OpenJobScreen } from './OpenJobScreen';
