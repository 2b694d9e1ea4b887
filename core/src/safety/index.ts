export { EMERGENCY_CARD } from './emergency';
export { PRECEDENCE_NOTE, cautionsFor, type Caution } from './cautions';
export { protectionFor, type Protection } from './protection';
export {
  POWERS,
  STEPS,
  SURFACE_AGES,
  siteOf,
  type Power,
  type SafetyContext,
  type SiteFacts,
  type Step,
  type SurfaceAge,
} from './context';
