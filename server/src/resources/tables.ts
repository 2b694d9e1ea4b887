import type {
  CoatingFields,
  HoseFields,
  JobFields,
  PlaceFields,
  SprayerFields,
  SurfaceFields,
  SystemFields,
  TipFields,
} from '@fine-spray/contract';
import type { TableMap } from './store';

export const COATINGS: TableMap<CoatingFields> = {
  table: 'coating',
  one: 'coating',
  columns: {
    name: 'name',
    archetype: 'archetype',
    overrides: 'overrides',
    containers: 'containers',
    note: 'note',
  },
  json: ['overrides', 'containers'],
};

export const SPRAYERS: TableMap<SprayerFields> = {
  table: 'sprayer',
  one: 'sprayer',
  columns: {
    name: 'name',
    sprayerClass: 'sprayer_class',
    maxPressure: 'max_pressure',
    maxFlow: 'max_flow',
    largestOrificeThou: 'largest_orifice_thou',
    waterOnly: 'water_only',
  },
  json: [],
};

export const HOSES: TableMap<HoseFields> = {
  table: 'hose',
  one: 'hose',
  columns: { name: 'name', length: 'length', bore: 'bore' },
  json: [],
};

export const TIPS: TableMap<TipFields> = {
  table: 'tip',
  one: 'tip',
  columns: { family: 'family', code: 'code', note: 'note' },
  json: [],
};

export const SYSTEMS: TableMap<SystemFields> = {
  table: 'system',
  one: 'system',
  columns: { name: 'name', elements: 'elements', sides: 'sides', kinds: 'kinds', layers: 'layers' },
  json: ['elements', 'sides', 'kinds', 'layers'],
};

export const JOBS: TableMap<JobFields> = {
  table: 'job',
  one: 'job',
  columns: {
    name: 'name',
    place: 'place',
    note: 'note',
    status: 'status',
    sprayerId: 'sprayer_id',
    hoseIds: 'hose_ids',
    lift: 'lift',
  },
  json: ['hoseIds'],
};

export const PLACES: TableMap<PlaceFields> = {
  table: 'place',
  one: 'place',
  columns: { jobId: 'job_id', name: 'name', position: 'position', measure: 'measure' },
  json: ['measure'],
};

export const SURFACES: TableMap<SurfaceFields> = {
  table: 'surface',
  one: 'surface',
  columns: {
    jobId: 'job_id',
    placeId: 'place_id',
    name: 'name',
    room: 'room',
    position: 'position',
    element: 'element',
    side: 'side',
    kind: 'kind',
    condition: 'condition',
    wind: 'wind',
    geometry: 'geometry',
    coatingId: 'coating_id',
    coats: 'coats',
    thinning: 'thinning',
    under: 'under',
    tip: 'tip',
  },
  json: ['geometry', 'under', 'tip'],
};
