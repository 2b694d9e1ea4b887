export { Issues } from './Issues';
export { Reading } from './Reading';
export { useFileReader } from './useFileReader';
export { FilesScreen } from './FilesScreen';
export { OpenJobScreen } from './OpenJobScreen';
