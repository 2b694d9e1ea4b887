import { explain, workingDefault, type Explained } from '../explain';
import type { SprayerClass } from '../line';
import { accept, of, refuse, showText, within, type Length, type Result, type UnitSystem } from '../units';

/** Copper at 20 °C, Ω·m (IEC 60028). */
const RESISTIVITY = 1.7241e-8;
/** What of its voltage a cord may take: usual rule of electricians. With less a motor runs hot and starts badly. */
const LOST_AT_MOST = 0.03;

/** What a machine draws while it starts and sprays, W, with its range. Working defaults: its plate takes precedence. */
const DRAWS: Readonly<Record<SprayerClass, readonly [likely: number, low: number, high: number]>> = {
  'small electric': [600, 400, 800],
  'mid electric': [1300, 900, 1600],
  large: [2200, 1600, 2600],
};

/** Mains of where a crew works: by the units it works in, since nobody types a voltage. */
const MAINS: Readonly<Record<UnitSystem, { readonly volts: number; readonly cords: readonly Cord[] }>> = {
  // IEC 60228 sizes.
  metric: {
    volts: 230,
    cords: [1.5, 2.5, 4, 6].map((mm2) => ({ name: `${mm2} mm²`, section: mm2 * 1e-6 })),
  },
  // American wire gauge, ASTM B258.
  us: {
    volts: 120,
    cords: [
      { name: '14 gauge', section: 2.081e-6 },
      { name: '12 gauge', section: 3.309e-6 },
      { name: '10 gauge', section: 5.261e-6 },
    ],
  },
};

interface Cord {
  readonly name: string;
  /** Of one wire, m². */
  readonly section: number;
}

/** A cord for a machine. */
export interface CordAdvice {
  /** As it is asked for: "2.5 mm²", "12 gauge". */
  readonly name: string;
  /** Share of the voltage that is lost along it. */
  readonly lost: Explained;
  readonly volts: number;
}

export const CORD_LIMITS = { min: of(0, 'm'), max: of(100, 'm') };

/**
 * The thinnest usual extension cord that leaves a machine its voltage: ΔU ÷ U = 2 ρ L P ÷ (A U²).
 * @param length of the cord, 0 to 100 m
 * @returns a refusal for another length, or where no usual cord does it
 */
export function cordFor(
  length: Length,
  sprayerClass: SprayerClass,
  system: UnitSystem = 'metric',
): Result<CordAdvice> {
  const checked = within(length, CORD_LIMITS, 'hoseLength', system, 'cord', 'Cord');
  if (!checked.ok) return checked;
  const { volts, cords } = MAINS[system];
  const [likely, low, high] = DRAWS[sprayerClass];
  const lostIn = ({ section }: Cord): Explained =>
    explain(
      'cord loss',
      'percent',
      {
        power: workingDefault(
          'The machine draws, W',
          'count',
          likely,
          low,
          high,
          'Usual of its class; its plate says',
        ),
      },
      (v) => (2 * RESISTIVITY * length * v.power) / (section * volts ** 2),
    );
  for (const cord of cords) {
    const lost = lostIn(cord);
    if (lost.value <= LOST_AT_MOST) return accept({ name: cord.name, lost, volts });
  }
  return refuse(
    'cord.long',
    'cord',
    `${showText(length, 'hoseLength', system)} of cord starve this machine: stand it nearer to the outlet and take more hose.`,
  );
}
