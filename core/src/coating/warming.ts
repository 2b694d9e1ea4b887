import { explain, chosen, given, workingDefault, type Explained, type Input } from '../explain';
import {
  accept,
  of,
  refuse,
  within,
  type Length,
  quantity,
  type Result,
  type Temperature,
  type UnitSystem,
  type Volume,
} from '../units';

/**
 * How a closed container takes up heat from the air of a room. h and k are usual textbook values for still air with
 * radiation and for wet paint; with them the model gives 9 to 13 h (1 US gal), 15 to 26 h (5 US gal) and 33 to 82 h
 * (200 L) for 5 to 21 °C in a room of 23 °C.
 */
export const WARMING = {
  /** Heat into the whole surface, W/m²K. */
  surface: 7,
  /** Conductivity of paint, W/mK. */
  conductivity: 0.45,
  /** Heat capacity by volume, J/m³K. */
  capacity: 3.6e6,
  /** Height over diameter: pails about 1, drums from 60 L. */
  pailShape: 1,
  drumShape: 1.36,
  drumFrom: 0.06,
} as const;

/** Area and diameter of a cylinder that holds a volume. */
function container(volume: number): { area: number; diameter: Length } {
  const shape = volume >= WARMING.drumFrom ? WARMING.drumShape : WARMING.pailShape;
  const diameter = ((4 * volume) / (Math.PI * shape)) ** (1 / 3);
  return { area: Math.PI * diameter * diameter * (shape + 0.5), diameter: quantity(diameter) };
}

/** Seconds to a temperature with the core lagging by `lag` of the conduction resistance: 0 stirred, 1 never stirred. */
function seconds(volume: number, share: number, surface: number, lag: number): number {
  const { area, diameter } = container(volume);
  const resistance = 1 / surface + (lag * diameter) / (6 * WARMING.conductivity);
  return ((WARMING.capacity * volume) / area) * resistance * Math.log(1 / share);
}

const TEMPERATURES = { min: 258.15, max: 328.15 } as const;

const lagInput = (): Input =>
  workingDefault('Share of heat that must creep in', 'percent', 0.5, 0, 1, 'Stirred to never stirred');

/**
 * Time a container takes to warm (or cool) in a room, from stirred throughout to never stirred: a range, its middle
 * only the middle of that range.
 * @returns a refusal when the room cannot bring it there
 */
export function warmingTime(
  volume: Volume,
  from: Temperature,
  to: Temperature,
  room: Temperature,
  system: UnitSystem = 'metric',
): Result<Explained> {
  const size = within(volume, { min: 1e-4, max: 1.2 }, 'volume', system, 'volume', 'Container');
  if (!size.ok) return size;
  for (const [value, field, label] of [
    [from, 'from', 'Paint temperature'],
    [to, 'to', 'Wanted temperature'],
    [room, 'room', 'Room temperature'],
  ] as const) {
    const checked = within(value, TEMPERATURES, 'temperature', system, field, label);
    if (!checked.ok) return checked;
  }
  const share = (room - to) / (room - from);
  if (!(share > 0 && share < 1)) {
    return refuse(
      'warming.room',
      'room',
      'The room cannot bring the paint to that temperature: the wanted one must lie between paint and room.',
    );
  }
  return accept(
    explain(
      'warming time',
      'duration',
      {
        volume: chosen('Container', 'volume', volume, 'Chosen here'),
        from: given('Paint now', 'temperature', from, 'Measured'),
        to: chosen('Paint wanted', 'temperature', to, 'Target'),
        room: given('Room', 'temperature', room, 'Measured'),
        lag: lagInput(),
      },
      (v) => seconds(v.volume, (v.room - v.to) / (v.room - v.from), WARMING.surface, v.lag),
    ),
  );
}

/** A container is sprayed out at about this rate, trigger time and breaks together. Judgement. */
const SPRAYED_OUT = of(0.5, 'L/min');

/**
 * Temperature of the paint of a container as it is sprayed: after a wait, in the middle of spraying it out. What is used at once is
 * what it is now; a large container, or one that waits, is what the room makes of it until then.
 * @param wait until it is begun, s
 */
export function temperatureWhenSprayed(
  volume: Volume,
  from: Temperature,
  room: Temperature,
  wait: number,
): Explained {
  const inputs = {
    volume: chosen('Container', 'volume', volume, 'Chosen here'),
    from: given('Paint now', 'temperature', from, 'Measured'),
    room: given('Room', 'temperature', room, 'Measured'),
    wait: chosen('Until it is sprayed', 'duration', wait, 'Chosen here'),
    lag: lagInput(),
  };
  return explain('temperature when sprayed', 'temperature', inputs, (v) => {
    const time = v.wait + v.volume / SPRAYED_OUT / 2;
    const constant = seconds(v.volume, 1 / Math.E, WARMING.surface, v.lag);
    return v.room + (v.from - v.room) * Math.exp(-time / constant);
  });
}
