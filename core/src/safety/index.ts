export { CAUTIONS, PRECEDENCE_NOTE, cautionsFor, type Caution, type CautionCode } from './cautions';
export { protectionFor, wearLine, type Protection, type ProtectionContext } from './protection';
export {
  FLOOR_REACH,
  HARDENERS,
  HOT,
  POWERS,
  STEPS,
  SURFACE_AGES,
  isHigh,
  siteOf,
  type Hardener,
  type Power,
  type SafetyContext,
  type SiteFacts,
  type Step,
  type SurfaceAge,
} from './context';
