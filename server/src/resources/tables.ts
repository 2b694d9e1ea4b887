import { upgraded } from '@fine-spray/contract';
import type {
  CoatingFields,
  EntryFields,
  GearFields,
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
    power: 'power',
    outlet: 'outlet',
    inletMesh: 'inlet_mesh',
    manifoldMesh: 'manifold_mesh',
    cord: 'cord',
  },
  json: [],
};

export const HOSES: TableMap<HoseFields> = {
  table: 'hose',
  one: 'hose',
  columns: { name: 'name', length: 'length', bore: 'bore', maxPressure: 'max_pressure', fitting: 'fitting' },
  json: [],
};

export const TIPS: TableMap<TipFields> = {
  table: 'tip',
  one: 'tip',
  columns: { family: 'family', code: 'code', litresBefore: 'litres_before', price: 'price', note: 'note' },
  json: [],
};

export const GEAR: TableMap<GearFields> = {
  table: 'gear',
  one: 'piece of gear',
  columns: {
    kind: 'kind',
    name: 'name',
    count: 'count',
    maxPressure: 'max_pressure',
    fitting: 'fitting',
    mesh: 'mesh',
    length: 'length',
    seal: 'seal',
    cup: 'cup',
    note: 'note',
  },
  json: [],
};

export const ENTRIES: TableMap<EntryFields> = {
  table: 'entry',
  one: 'log entry',
  columns: {
    kind: 'kind',
    schema: 'schema',
    at: 'at',
    author: 'author',
    jobId: 'job_id',
    surfaceId: 'surface_id',
    replaces: 'replaces',
    payload: 'payload',
  },
  json: ['payload'],
  beside: { clockSkew: 'clock_skew' },
  read: upgraded,
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
