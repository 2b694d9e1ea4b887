export { CalculatorScreen } from './CalculatorScreen';
