import type { UnitSystem } from '@fine-spray/core/units';

/** Keys of the number pad, row by row: metres with a point, or feet, inches and quarters of an inch. */
export const PAD_KEYS: Readonly<Record<UnitSystem, readonly (readonly string[])[]>> = {
  metric: [
    ['7', '8', '9', '⌫'],
    ['4', '5', '6', 'clear'],
    ['1', '2', '3', '.'],
    ['0', '5 cm', '10 cm', 'next'],
  ],
  us: [
    ['7', '8', '9', '⌫'],
    ['4', '5', '6', 'ft'],
    ['1', '2', '3', 'in'],
    ['0', '½', '¼', 'next'],
  ],
};

const FRACTIONS: Readonly<Record<string, string>> = { '½': '1/2', '¼': '1/4' };

/** What a key makes of the text of a length. */
export function pressKey(text: string, key: string): string {
  if (key === '⌫') return text.trimEnd().slice(0, -1);
  if (key === 'clear') return '';
  if (key === 'ft') return text === '' ? text : `${text.trim()}' `;
  if (key === 'in') return text === '' ? text : `${text.trim()}"`;
  const fraction = FRACTIONS[key];
  if (fraction !== undefined) return `${text.trim()}${text.trim() === '' ? '' : ' '}${fraction}"`;
  if (key === '5 cm') return endingIn(text, '.05');
  if (key === '10 cm') return endingIn(text, '.1');
  return `${text}${key}`;
}

/** Whole metres with a usual rest behind the point. */
function endingIn(text: string, rest: string): string {
  return `${/^\d+/.exec(text)?.[0] ?? '0'}${rest}`;
}
