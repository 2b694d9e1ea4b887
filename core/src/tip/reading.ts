import { accept, of, refuse, showText, to, type Length, type Result, type UnitSystem } from '../units';
import { readTipCode, writeTipCode, type TipCode } from './code';
import { FAN_SCHOOLS, NOMINAL_DISTANCE, fanWidth, sprayAngleWidth } from './fan';

/** What somebody takes a code to mean. */
export type ClaimedReading = Partial<TipCode>;

/** How a wrong reading came about, in the words that put it right. */
function mistake(code: string, right: TipCode, claim: ClaimedReading): string {
  const { fan = right.fan, orificeThou = right.orificeThou } = claim;
  const first = Number(code.slice(0, 1));
  const lead = Number(code.slice(0, 2));
  const rest = Number(code.slice(1));
  if (code.length === 4 && fan === first) {
    return orificeThou === rest
      ? `Read as a three-digit code: the first digit was taken as the fan and ${rest} as the orifice. Four digits are two of fan and two of orifice.`
      : 'Only the first digit was taken as the fan. Four digits are two of fan and two of orifice.';
  }
  if (code.length === 3 && fan === lead) {
    return 'Read as a four-digit code: two digits were taken as the fan. Three digits are one of fan and two of orifice.';
  }
  if (fan === right.orificeThou || orificeThou === right.fan) {
    return 'Read from the wrong end: the fan comes first, the last two digits are the orifice.';
  }
  if (fan !== right.fan && orificeThou !== right.orificeThou) return 'Neither number is in the code.';
  return fan !== right.fan ? 'The fan was read wrong.' : 'The orifice was read wrong.';
}

/**
 * Checks how somebody reads a tip code. Accepts the right reading, whole or in part; refuses a wrong one
 * with what went wrong and what the code says.
 */
export function checkReading(text: string, claim: ClaimedReading, field = 'reading'): Result<TipCode> {
  const right = readTipCode(text, field);
  if (!right.ok) return right;
  const { fan, orificeThou } = right.value;
  if ((claim.fan ?? fan) === fan && (claim.orificeThou ?? orificeThou) === orificeThou) return right;
  const code = writeTipCode(right.value);
  return refuse(
    'tip.reading',
    field,
    `${mistake(code, right.value, claim)} ${code} is fan ${fan}, orifice ${orificeThou} thou.`,
  );
}

/** A length nobody reads off a fan, m: it is not repeated in the answer. */
const LONGEST = 100;

/** How near a width must be to count as the one a reading gives. */
const SAME_WIDTH = 0.03;
const about = (value: number, expected: number) => Math.abs(value / expected - 1) <= SAME_WIDTH;

/** Slips of reading a fan number as a width at 12 in, with the words that put them right. */
const WIDTH_SLIPS: readonly {
  readonly width: (fan: number) => Length | undefined;
  readonly words: string;
}[] = [
  { width: (fan) => of(fan, 'in'), words: 'The fan number was taken as inches. It is twice that.' },
  { width: (fan) => of(2 * fan, 'mm'), words: 'Twice the fan number is inches, not millimetres.' },
  { width: (fan) => of((2 * fan) / 100, 'm'), words: 'Twice the fan number is inches, not centimetres.' },
  { width: (fan) => of(5 * fan, 'in'), words: 'Five times the fan number is centimetres, not inches.' },
  { width: (fan) => of(fan / 10, 'm'), words: 'The fan number was taken as tens of centimetres.' },
  {
    width: (fan) => sprayAngleWidth(fan, NOMINAL_DISTANCE),
    words: `Read as a spray angle (${FAN_SCHOOLS['spray angle'].name.toLowerCase()}). Real fans contract; the wall shows less.`,
  },
];

/**
 * Checks a width somebody gives for a fan number at 12 in. Accepts it within 3 % of the rule; refuses it with
 * the slip it looks like (wrong unit, wrong school) and the width on the wall.
 */
export function checkWidthReading(
  fan: number,
  claimed: Length,
  system: UnitSystem = 'metric',
  field = 'width',
): Result<Length> {
  const right = fanWidth(fan, NOMINAL_DISTANCE);
  if (about(claimed, right)) return accept(right);
  const slip = WIDTH_SLIPS.find(({ width }) => {
    const wrong = width(fan);
    return wrong !== undefined && about(claimed, wrong);
  });
  const shown = Math.abs(claimed) < LONGEST ? `${Number(to(claimed, 'mm').toPrecision(3))} mm` : 'That';
  return refuse(
    'tip.width',
    field,
    `${slip?.words ?? `${shown} is not the width of fan ${fan}.`} Fan ${fan} is ${showText(right, 'fanWidth', system)} wide at 12 in (305 mm).`,
  );
}
