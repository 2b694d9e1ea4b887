import type { LucideIcon } from 'lucide-react-native';
import Cable from 'lucide-react-native/icons/cable';
import Calculator from 'lucide-react-native/icons/calculator';
import CircleQuestionMark from 'lucide-react-native/icons/circle-question-mark';
import CirclePause from 'lucide-react-native/icons/circle-pause';
import FlaskConical from 'lucide-react-native/icons/flask-conical';
import Gauge from 'lucide-react-native/icons/gauge';
import Grid3x3 from 'lucide-react-native/icons/grid-3x3';
import IdCard from 'lucide-react-native/icons/id-card';
import ListChecks from 'lucide-react-native/icons/list-checks';
import Metronome from 'lucide-react-native/icons/metronome';
import PowerOff from 'lucide-react-native/icons/power-off';
import Route from 'lucide-react-native/icons/route';
import SlidersHorizontal from 'lucide-react-native/icons/sliders-horizontal';
import SprayCan from 'lucide-react-native/icons/spray-can';
import Target from 'lucide-react-native/icons/target';

interface ToolData {
  readonly title: string;
  readonly icon: LucideIcon;
}

/** What is done on site for a surface, in the order of the work. */
export const TOOLS = {
  'start-up': { title: 'Start up', icon: ListChecks },
  paint: { title: 'Check paint', icon: FlaskConical },
  'dial-in': { title: 'Dial in', icon: Target },
  knob: { title: 'Pressure at the knob', icon: Gauge },
  passes: { title: 'How to pass it', icon: Route },
  beat: { title: 'Beat', icon: Metronome },
  try: { title: 'Try before spraying', icon: SlidersHorizontal },
  practise: { title: 'Practise it', icon: SprayCan },
  'gun-down': { title: 'Put the gun down', icon: CirclePause },
  wrong: { title: 'Something wrong?', icon: CircleQuestionMark },
  line: { title: 'Hose line', icon: Cable },
  film: { title: 'Film calculator', icon: Calculator },
  tips: { title: 'Tip map', icon: Grid3x3 },
  card: { title: 'Card to print', icon: IdCard },
  'shut-down': { title: 'Shut down', icon: PowerOff },
} as const satisfies Record<string, ToolData>;

export type ToolId = keyof typeof TOOLS;
/** What is done all day: in the bar at the thumb. */
export const THUMB_TOOLS = ['start-up', 'paint', 'dial-in'] as const satisfies readonly ToolId[];
const AT_THUMB: ReadonlySet<string> = new Set(THUMB_TOOLS);
export const OTHER_TOOLS = (Object.keys(TOOLS) as ToolId[]).filter((tool) => !AT_THUMB.has(tool));
export const isTool = (tool: string): tool is ToolId => tool in TOOLS;
