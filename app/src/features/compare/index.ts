export { CompareSheet } from './CompareSheet';
