export {
  ARCHETYPES,
  ARCHETYPE_IDS,
  archetypeOf,
  type Archetype,
  type ArchetypeId,
  type CoatingBase,
  type CoatingProperty,
  type CoatingValues,
} from './archetypes';
export {
  COATING_PROPERTIES,
  COATING_PROPERTY_NAMES,
  checkCoating,
  checkCoatingValue,
  coatingInput,
  coatingValues,
  type Coating,
  type CoatingOverride,
} from './properties';
export {
  DEFAULT_TEMPERATURE_COEFFICIENT,
  HIGH_SHEAR,
  LOW_SHEAR,
  REFERENCE_TEMPERATURE,
  powerLaw,
  temperatureFactor,
  thinnedViscosity,
  viscosityAt,
  type Rheology,
} from './rheology';
