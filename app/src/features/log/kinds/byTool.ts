import FlaskConical from 'lucide-react-native/icons/flask-conical';
import Target from 'lucide-react-native/icons/target';
import type { ToolKind } from './types';

export const viscosity: ToolKind = {
  tile: { label: 'Paint check', icon: FlaskConical, surface: true },
  tool: 'paint',
};
export const setupConfirmed: ToolKind = {
  tile: { label: 'Dial in', icon: Target, surface: true },
  tool: 'dial-in',
};
export const care: ToolKind = { tool: 'reminder' };
export const knob: ToolKind = { tool: 'knob' };
export const machine: ToolKind = { tool: 'procedure' };
export const picture: ToolKind = { tool: 'picture' };
export const step: ToolKind = { tool: 'plan' };
export const withdrawn: ToolKind = { tool: 'entry' };
