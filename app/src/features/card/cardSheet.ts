import { laterStroke, strokeText } from '@/features/setup';
import {
  FAMILY_DATA,
  counted,
  orificeDiameter,
  rangeBeside,
  showBeside,
  pressuresAre,
  showRange,
  showText,
  CAUTIONS,
  wearLine,
  type DisplayKind,
  type SetupCard,
  type UnitSystem,
} from '@fine-spray/core';

/** What a card that is shown or printed says besides its numbers. */
export interface SheetWords {
  readonly surface: string;
  readonly job: string;
  readonly coating: string;
  /** The day it was dialled in, where the card has what was measured then. */
  readonly dialledInOn?: string | undefined;
  readonly precedence: string;
}

/** A5 across, in points of a drawing. */
export const SHEET = { width: 840, height: 592 } as const;

/** The one caution that stands on every card. */
const INJECTION = CAUTIONS.find(({ code }) => code === 'injection')?.what ?? '';

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** Mean width of a letter over its size, bold ones and digits on the safe side. */
const LETTER = 0.62;

/** Cuts a text that would run over its room, by the mean width of a letter. */
function fitted(text: string, size: number, width: number): string {
  const most = Math.floor(width / (0.53 * size));
  const letters = Array.from(text);
  return letters.length <= most ? text : `${letters.slice(0, most - 1).join('')}…`;
}

interface TextStyle {
  readonly size: number;
  readonly bold?: boolean;
  readonly width?: number;
  /** A number is set smaller until it fits; a name is cut. */
  readonly whole?: boolean;
}

function words(
  text: string,
  x: number,
  y: number,
  { size, bold = false, width = 780, whole = false }: TextStyle,
): string {
  const letters = Math.max(1, Array.from(text).length);
  const set = whole ? Math.min(size, Math.floor(width / (LETTER * letters))) : size;
  const shown = escaped(whole ? text : fitted(text, size, width));
  return `<text x="${x}" y="${y}" font-size="${set}"${bold ? ' font-weight="700"' : ''}>${shown}</text>`;
}

/**
 * The set-up card as a drawing by itself: black on white, readable at arm's length, the other units small beside. It needs
 * no font of ours, so that any program shows it.
 */
export function cardSheet(card: SetupCard, say: SheetWords, system: UnitSystem): string {
  const both = (value: number, kind: DisplayKind): [string, string] => [
    showText(value, kind, system),
    showBeside(value, kind, system),
  ];
  const range = (low: number, high: number, kind: DisplayKind): [string, string] => [
    showRange(low, high, kind, system),
    rangeBeside(low, high, kind, system),
  ];
  const { tip } = card.tip.candidate;
  const pump = range(card.pumpPressure.start, card.pumpPressure.stop, 'pressure');
  const gun = range(card.gunPressure.start, card.gunPressure.stop, 'pressure');
  const cells: readonly (readonly [string, readonly [string, string]])[] = [
    [`Pump, ${pressuresAre(card)}`, pump],
    [`Gun, ${pressuresAre(card)}`, gun],
    ['Wet film', both(card.wetFilm.value, 'wetFilm')],
    ['Dry film', both(card.dryFilm.value, 'dryFilm')],
    ['Distance', both(card.distance.value, 'distance')],
    ['Fan', both(card.fan.value, 'fanWidth')],
    ['Overlap', [card.overlap.name, `filter ${card.mesh.value} mesh`]],
    [
      'Thin',
      [
        card.thinningLimit.value > 0
          ? `0 to ${showText(card.thinningLimit.value, 'percent', system)}`
          : 'not at all',
        'within the data sheet',
      ],
    ],
  ];
  const column = (index: number) => 30 + (index % 4) * 198;
  const row = (index: number) => 316 + Math.floor(index / 4) * 104;
  const seconds = showText(card.stroke.time, 'time', system);
  const later = laterStroke(card, system);
  const body = [
    words(say.surface, 30, 46, { size: 30, bold: true }),
    words([say.job, say.coating].filter(Boolean).join(' · '), 30, 76, { size: 18 }),
    `<path d="M30 92H810" stroke="#000" stroke-width="2"/>`,
    words('Tip', 30, 122, { size: 18 }),
    words(card.tip.code, 30, 232, { size: 124, bold: true, width: 420 }),
    words(
      `${FAMILY_DATA[tip.family].name}, ${tip.orificeThou} thou (${showText(orificeDiameter(tip), 'orifice', 'metric')})`,
      30,
      264,
      { size: 20, width: 420 },
    ),
    words(`Move the gun${later === undefined ? '' : `, first coat; then ${later}`}`, 480, 122, {
      size: 18,
      width: 340,
    }),
    words(`${strokeText(card, system)} in ${seconds}`, 480, 172, { size: 44, bold: true, width: 340 }),
    words(
      `Paint, ${counted(card.coats, 'coat')}: ${showRange(card.paint.low, card.paint.high, 'volume', system)}`,
      480,
      212,
      { size: 18, width: 340 },
    ),
    words(showText(card.paint.value, 'volume', system), 480, 256, { size: 44, bold: true, width: 340 }),
    `<path d="M30 284H810" stroke="#000" stroke-width="1"/>`,
    ...cells.flatMap(([label, [big, small]], index) => [
      words(label, column(index), row(index), { size: 17, width: 190 }),
      words(big, column(index), row(index) + 36, { size: 26, bold: true, width: 184, whole: true }),
      words(small, column(index), row(index) + 62, { size: 16, width: 190 }),
    ]),
    `<path d="M30 506H810" stroke="#000" stroke-width="1"/>`,
    words(
      say.dialledInOn !== undefined
        ? `Dialled in ${say.dialledInOn}. Basis: measured on this job.`
        : 'Not dialled in yet: start low, raise until the fan is even.',
      30,
      527,
      { size: 16 },
    ),
    words(`Wear: ${wearLine(card.protection)}.`, 30, 546, { size: 16, bold: true, whole: true }),
    words(INJECTION, 30, 565, { size: 15, bold: true }),
    words(say.precedence, 30, 583, { size: 14 }),
  ];
  const title = `Set-up card: ${say.surface}, tip ${card.tip.code}`;
  const said = [
    ...[say.job, say.coating].filter(Boolean),
    `${strokeText(card, system)} in ${seconds}`,
    ...cells.map(([label, [big]]) => `${label}: ${big}`),
    `Wear: ${wearLine(card.protection)}`,
  ];
  const named = `<title>${escaped(title)}</title><desc>${escaped(`${said.join('. ')}.`)}</desc>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" role="img" width="${SHEET.width}" height="${SHEET.height}" viewBox="0 0 ${SHEET.width} ${SHEET.height}" font-family="sans-serif" fill="#000">${named}<rect width="${SHEET.width}" height="${SHEET.height}" fill="#fff"/>${body.join('')}</svg>`;
}
