export { CsvStyleChoice } from './CsvStyleChoice';
export { useCsvStyle, usualCsvStyle } from './csvStyle';
export { TableOut } from './TableOut';
