import { accept, of, refuse, type Length, type Result } from '../units';
import { FAMILY_DATA, TIP_FAMILIES, type TipFamily } from './family';

/** A tip: fan number and orifice in thousandths of an inch ("thou"), as its code says. */
export interface TipCode {
  readonly fan: number;
  readonly orificeThou: number;
}

export interface Tip extends TipCode {
  readonly family: TipFamily;
}

export const ORIFICE_LIMITS = { low: 7, high: 55 } as const;
export const FAN_LIMITS = { low: 1, high: 24 } as const;

/** Writes a tip code: fan 5, 15 thou is "515"; fan 10, 21 thou is "1021". */
export function writeTipCode({ fan, orificeThou }: TipCode): string {
  return `${fan}${String(orificeThou).padStart(2, '0')}`;
}

/** The orifice diameter of a new tip. */
export function orificeDiameter({ orificeThou }: TipCode): Length {
  return of(orificeThou / 1000, 'in');
}

/**
 * Reads a three or four digit tip code. The last two digits are the orifice in thou, the rest is the fan
 * number; a four-digit code has a two-digit fan. Refuses what no tip carries, with the reading that went wrong.
 */
export function readTipCode(text: string, field = 'tip'): Result<TipCode> {
  const code = text.trim();
  if (!/^\d{3,4}$/.test(code)) {
    return refuse('tip.format', field, 'A tip code is three or four digits, such as 515 or 1021.');
  }
  const fan = Number(code.slice(0, -2));
  const orificeThou = Number(code.slice(-2));
  if (code.length === 4 && fan < 10) {
    return refuse(
      'tip.format',
      field,
      `${code} starts with a zero. Write ${code.slice(1)}: fan ${fan}, orifice ${orificeThou} thou.`,
    );
  }
  if (fan < FAN_LIMITS.low || fan > FAN_LIMITS.high) {
    const hint =
      code.length === 4
        ? ` Four digits are two of fan and two of orifice: ${code} reads as fan ${fan}. Did you mean ${code.slice(0, 3)}?`
        : '';
    return refuse('tip.fan', field, `There is no fan ${fan}; fans run from 1 to 24.${hint}`);
  }
  if (orificeThou < ORIFICE_LIMITS.low || orificeThou > ORIFICE_LIMITS.high) {
    return refuse(
      'tip.orifice',
      field,
      `There is no orifice of ${orificeThou} thou; they run from 7 to 55. ${code} reads as fan ${fan}, orifice ${orificeThou}.`,
    );
  }
  return accept({ fan, orificeThou });
}

/** Whether a family is made in this fan and orifice. */
export function existsInFamily(family: TipFamily, { fan, orificeThou }: TipCode): boolean {
  const { fans, orifices } = FAMILY_DATA[family];
  return (
    fan >= fans.low &&
    fan <= fans.high &&
    orificeThou >= orifices.low &&
    orificeThou <= orifices.high &&
    (orifices.evenToo || orificeThou % 2 === 1)
  );
}

/** Whether two tips are the same in family, fan and orifice. */
export function isSameTip(one: Tip, other: Tip): boolean {
  return one.orificeThou === other.orificeThou && one.fan === other.fan && one.family === other.family;
}

let catalogue: readonly Tip[] | undefined;

/** Every tip of every family, in a stable order; listed once, when it is first asked for. */
export function tipCatalogue(): readonly Tip[] {
  catalogue ??= listCatalogue();
  return catalogue;
}

function listCatalogue(): readonly Tip[] {
  return TIP_FAMILIES.flatMap((family) => {
    const { fans, orifices } = FAMILY_DATA[family];
    const tips: Tip[] = [];
    for (let fan = fans.low; fan <= fans.high; fan += 1) {
      for (let orificeThou = orifices.low; orificeThou <= orifices.high; orificeThou += 1) {
        if (existsInFamily(family, { fan, orificeThou })) tips.push({ family, fan, orificeThou });
      }
    }
    return tips;
  });
}

/** A code typed for a family: refused when the code is unreadable or the family is not made in it. */
export function readTip(text: string, family: TipFamily, field = 'tip'): Result<Tip> {
  const code = readTipCode(text, field);
  if (!code.ok) return code;
  if (existsInFamily(family, code.value)) return accept({ family, ...code.value });
  const others = TIP_FAMILIES.filter((other) => existsInFamily(other, code.value));
  const where = others.length > 0 ? ` It exists as ${others.join(' or ')}.` : ' No family is made in it.';
  return refuse('tip.family', field, `${writeTipCode(code.value)} is not made as a ${family} tip.${where}`);
}
