export { GaugePanel } from './GaugePanel';
