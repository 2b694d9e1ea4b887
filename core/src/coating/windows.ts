import { explain, given, workingDefault, type Explained, type Input } from '../explain';
import { accept, of, type Fraction, type Result, type Temperature, type UnitSystem } from '../units';
import type { ArchetypeId } from './archetypes';
import { recoatTime } from './drying';
import { SHEET } from './sheet';
import type { Coating } from './coating';

/**
 * What a finished coat allows and when, over its recoat time. Working judgement with wide ranges: data sheets give touch
 * dry as a quarter to a half of the recoat time, and ask a day and more before tape goes on paint.
 */
export const WINDOW_SHARES = {
  touch: { likely: 0.3, low: 0.2, high: 0.5 },
  /** Tape on it: water-borne paint skins over long before it holds; a hard minimum besides. */
  mask: { likely: 4, low: 3, high: 6 },
} as const;

/** Tape on a fresh coat earlier than this lifts it, whatever the weather. */
const LEAST_BEFORE_TAPE = of(16, 'h');

/**
 * Coatings that close again: after so long the next coat no longer bites without abrading. Working judgement; the others
 * are taken as open, and the data sheet comes first.
 */
export const CLOSES_AFTER: Partial<
  Readonly<Record<ArchetypeId, { likely: number; low: number; high: number }>>
> = {
  'trim-enamel-solvent': { likely: of(168, 'h'), low: of(72, 'h'), high: of(336, 'h') },
  'stain-block-solvent': { likely: of(336, 'h'), low: of(168, 'h'), high: of(720, 'h') },
  'exterior-wood-primer': { likely: of(336, 'h'), low: of(168, 'h'), high: of(720, 'h') },
  'metal-primer': { likely: of(336, 'h'), low: of(168, 'h'), high: of(720, 'h') },
};

/** Worked out when asked for, but for the recoat time: a log has thousands of coats, and one looks at a few. */
export interface CoatWindows {
  readonly recoat: Explained;
  readonly touch: () => Explained;
  readonly mask: () => Explained;
  /** From then on the next coat wants abrading; missing where the coating stays open. */
  readonly closes?: () => Explained;
}

/**
 * When a coat is dry to touch, may be painted over, closes again and may be masked over, from its end and the weather it
 * dries in, s.
 * @returns a refusal with a sentence and no number where `recoatTime` refuses
 */
export function coatWindows(
  coating: Coating,
  at: Temperature,
  humidity: Fraction,
  system: UnitSystem = 'metric',
): Result<CoatWindows> {
  const recoat = recoatTime(coating, at, humidity, system);
  if (!recoat.ok) return recoat;
  const { value, low, high, basis } = recoat.value;
  const source = 'Recoat time of this coat';
  const base = {
    label: 'Recoat time in this weather',
    kind: 'duration',
    value,
    low,
    high,
    basis,
    source,
  } as const;
  const { touch, mask } = WINDOW_SHARES;
  const share = (label: string, range: typeof touch | typeof mask) =>
    workingDefault(label, 'factor', range.likely, range.low, range.high);
  const closing = closingOf(coating);
  return accept({
    recoat: recoat.value,
    touch: () =>
      explain(
        'touch dry',
        'duration',
        { base, share: share('Touch dry over recoat', touch) },
        (v) => v.base * v.share,
      ),
    mask: () =>
      explain('mask over', 'duration', { base, share: share('Masking over recoat', mask) }, (v) =>
        Math.max(LEAST_BEFORE_TAPE, v.base * v.share),
      ),
    ...(closing ? { closes: () => closesIn(closing) } : {}),
  });
}

/** When a coating closes: by its sheet, else as its kind usually does. */
function closingOf({ sheet, archetype }: Coating): Input | undefined {
  if (sheet?.recoatLatest !== undefined) {
    return { ...given('Latest recoat', 'duration', sheet.recoatLatest, SHEET), basis: 'data-sheet' };
  }
  const usual = CLOSES_AFTER[archetype];
  return usual && workingDefault('Closes after', 'duration', usual.likely, usual.low, usual.high);
}

const closesIn = (closing: Input) => explain('recoat closes', 'duration', { closing }, (v) => v.closing);
