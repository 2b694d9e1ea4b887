export {
  GAUGE_FAULTS,
  GAUGE_FAULT_IDS,
  GAUGE_RATE,
  checkGauge,
  gaugeAt,
  type GaugeFault,
  type GaugeOrder,
  type GaugeReading,
} from './gauge';
