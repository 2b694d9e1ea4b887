import type { EntryKind } from '@fine-spray/contract';
import type { LucideIcon } from 'lucide-react-native';
import Droplets from 'lucide-react-native/icons/droplets';
import Flag from 'lucide-react-native/icons/flag';
import FlaskConical from 'lucide-react-native/icons/flask-conical';
import Gauge from 'lucide-react-native/icons/gauge';
import PackageOpen from 'lucide-react-native/icons/package-open';
import Pipette from 'lucide-react-native/icons/pipette';
import Play from 'lucide-react-native/icons/play';
import Ruler from 'lucide-react-native/icons/ruler';
import ShieldAlert from 'lucide-react-native/icons/shield-alert';
import SprayCan from 'lucide-react-native/icons/spray-can';
import StickyNote from 'lucide-react-native/icons/sticky-note';
import Target from 'lucide-react-native/icons/target';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import Truck from 'lucide-react-native/icons/truck';
import Undo from 'lucide-react-native/icons/undo-2';
import Wrench from 'lucide-react-native/icons/wrench';
import X from 'lucide-react-native/icons/x';

import { slugOf } from '@/features/journal';

export interface Tile {
  readonly kind: EntryKind;
  readonly label: string;
  readonly icon: LucideIcon;
  /** Makes no sense without a surface. */
  readonly surface?: true;
  /** Done with a tool on site, for the surface. */
  readonly tool?: 'paint' | 'dial-in';
}

/** What is written down many times a day: first, and large. */
export const COMMON: readonly Tile[] = [
  { kind: 'comb', label: 'Comb', icon: Ruler, surface: true },
  { kind: 'sprayed', label: 'Litres', icon: Droplets, surface: true },
  { kind: 'coat started', label: 'Coat started', icon: Play, surface: true },
  { kind: 'coat finished', label: 'Coat finished', icon: Flag, surface: true },
  { kind: 'container opened', label: 'Container', icon: PackageOpen },
  { kind: 'note', label: 'Note', icon: StickyNote },
];

export const OTHERS: readonly Tile[] = [
  { kind: 'viscosity', label: 'Paint check', icon: FlaskConical, surface: true, tool: 'paint' },
  { kind: 'set-up confirmed', label: 'Dial in', icon: Target, surface: true, tool: 'dial-in' },
  { kind: 'delivered', label: 'Delivery', icon: Truck },
  { kind: 'tip fitted', label: 'Tip fitted', icon: SprayCan },
  { kind: 'fan measured', label: 'Fan width', icon: Gauge },
  { kind: 'tip reversed', label: 'Tip reversed', icon: Undo },
  { kind: 'tip cleaned', label: 'Tip cleaned', icon: Wrench },
  { kind: 'tip retired', label: 'Tip retired', icon: X },
  { kind: 'dry reading', label: 'Dry film', icon: Ruler, surface: true },
  { kind: 'clog', label: 'Clog', icon: TriangleAlert },
  { kind: 'fault', label: 'Fault, cure', icon: TriangleAlert },
  { kind: 'touch-up', label: 'Touch-up', icon: Pipette, surface: true },
  { kind: 'incident', label: 'Near miss', icon: ShieldAlert },
];

/** Kinds with a form of their own here. */
export const FORM_KINDS = [...COMMON, ...OTHERS]
  .filter(({ tool }) => tool === undefined)
  .map(({ kind }) => kind);

/** The kind an address names; nothing where no form is. */
export const kindOfSlug = (slug: string): EntryKind | undefined =>
  FORM_KINDS.find((kind) => slugOf(kind) === slug);
