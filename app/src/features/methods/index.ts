export { MethodsScreen } from './MethodsScreen';
