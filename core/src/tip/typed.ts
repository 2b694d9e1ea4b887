import { accept, refuse, showText, type Result, type UnitSystem } from '../units';
import { existsInFamily, orificeDiameter, readTipCode, writeTipCode, type TipCode } from './code';
import { TIP_FAMILIES, type TipFamily } from './family';
import { NOMINAL_DISTANCE, fanWidth, sprayAngleWidth } from './fan';

/** What somebody writes behind or before a code for a family. */
const FAMILY_WORDS: readonly (readonly [TipFamily, RegExp])[] = [
  ['fine-finish', /\b(ff|fine[\s-]*finish|fine)\b/i],
  ['low-pressure', /\b(lp|low[\s-]*pressure)\b/i],
  ['heavy-texture', /\b(ht|heavy[\s-]*texture|texture)\b/i],
  ['wide', /\bwide\b/i],
  ['standard', /\b(std|standard)\b/i],
];

/** A tip as somebody typed it: its code, the family that was written with it, and the families that are made in it. */
export interface TypedTip {
  readonly code: TipCode;
  readonly family?: TipFamily;
  readonly madeAs: readonly TipFamily[];
}

/**
 * Understands a tip number as it is written on site: "517", "12 23", "0.517", "5-17", "517 FF", "fine finish 410".
 * @returns a refusal at the field where no code can be read from it
 */
export function readTypedTip(text: string, field = 'tip'): Result<TypedTip> {
  const family = FAMILY_WORDS.find(([, word]) => word.test(text))?.[0];
  const digits = text
    .replace(/[a-z]+/gi, ' ')
    .trim()
    // A size in inches written before the code, and marks between its halves.
    .replace(/^0?[.,]/, '')
    .replace(/[\s\-/.#]/g, '');
  const code = readTipCode(digits, field);
  if (!code.ok) return code;
  const madeAs = TIP_FAMILIES.filter((one) => existsInFamily(one, code.value));
  if (madeAs.length === 0) {
    return refuse('tip.family', field, `No family is made as ${writeTipCode(code.value)}.`);
  }
  return accept({ code: code.value, ...(family ? { family } : {}), madeAs });
}

/** "208: 100 mm fan, 0.20 mm hole": what a code says, at 12 in. */
export function tipWords(code: TipCode, system: UnitSystem): string {
  const width = showText(fanWidth(code.fan, NOMINAL_DISTANCE), 'fanWidth', system);
  return `${writeTipCode(code)}: ${width} fan, ${showText(orificeDiameter(code), 'orifice', system)} hole`;
}

/** The same fan by the school of the spray angle, where that is another width. */
export function otherSchoolWords({ fan }: TipCode, system: UnitSystem): string {
  const angle = sprayAngleWidth(fan, NOMINAL_DISTANCE);
  const shown = (width: typeof NOMINAL_DISTANCE) => showText(width, 'fanWidth', system);
  return angle === undefined
    ? 'Twice the first number in inches, five times in centimetres; as a spray angle it has no width.'
    : `Twice the first number in inches and five times in centimetres say ${shown(fanWidth(fan, NOMINAL_DISTANCE))}; ten times as the spray angle says ${shown(angle)}.`;
}

/** Paint through a hole beside another, at one pressure: as the areas. "Twice the hole is four times the paint." */
export function flowWords(code: TipCode, beside: TipCode): string {
  const ratio = (code.orificeThou / beside.orificeThou) ** 2;
  const than = writeTipCode(beside);
  if (Math.abs(ratio - 1) < 0.02) return `As much paint as ${than}.`;
  const times =
    ratio >= 1.95
      ? `${Number(ratio.toFixed(1))} times the paint of ${than}`
      : `${Math.round(Math.abs(ratio - 1) * 100)} % ${ratio > 1 ? 'more' : 'less'} paint than ${than}`;
  return `${times}: twice the hole is four times the paint.`;
}
