/** What is lost besides overspray, as likely, low and high (method.md, "Quantities"). */
export const LOSSES = {
  /** Share left in emptied containers. */
  containerResidue: { likely: 0.02, low: 0.01, high: 0.04 },
  /** Share kept back for touch-up. */
  touchUp: { likely: 0.03, low: 0.02, high: 0.05 },
  /** Paint in pump, filter and suction, litres. */
  pumpFillLitres: { likely: 0.6, low: 0.3, high: 1.0 },
  /** Share of what fills hoses and pump that comes back out when they are flushed. */
  pumpedBack: { likely: 0.7, low: 0.5, high: 0.9 },
  /** Scatter of a crew's gun speed, relative. */
  gunSpeedScatter: 0.1,
} as const;
