import {
  aim,
  also,
  hold,
  intoTheWaste,
  knobLowest,
  letGo,
  lock,
  powerOff,
  powerOn,
  pumpOff,
  pumpOn,
  suctionInto,
  unlock,
  untilNothing,
  valvePrime,
  valveSpray,
  wasteOut,
  fluidWord,
} from './actions';
import { GO_BETWEEN_NOTE, type Fluid } from './fluids';
import type { Path } from './path';

/** What to do where a relieved gun cannot be told from a blocked one. */
const NOTHING_CAME =
  'Nothing came, or you are not sure? A blocked tip looks the same. Take it as full. Lock the trigger. Face and hands aside, gun against the wall of the waste container: loosen the nut of the guard slowly, pointing away from you. Then the hose end at the gun, slowly, until nothing more hisses or drips.';

const RELIEVE_WHY = 'The hose keeps its pressure after the pump stops: enough to go through a glove.';

/** With the pump off and the gun over a waste container: valve to prime, the trigger held until nothing comes, locked. */
export function relieve(path: Path, id: string): void {
  const held = path.machine.trigger === 'held';
  path.step(
    `${id} relieve`,
    RELIEVE_WHY,
    [
      [valvePrime],
      [
        ...(held ? [] : [intoTheWaste, ...(path.machine.trigger === 'locked' ? [unlock] : [])]),
        hold(held ? 'keep holding the trigger' : 'hold the trigger'),
        untilNothing,
      ],
      [letGo, lock],
    ],
    NOTHING_CAME,
  );
}

interface Through {
  readonly fluid: Fluid;
  /** When the hose is clear. */
  readonly until: string;
  /** The hose's own coating goes back into its container first. */
  readonly save?: boolean;
  /** The first fluid that runs: every joint is looked at while it does. */
  readonly first?: boolean;
  /** The engine is stopped while pails are open: it is where a fluid of the list burns. */
  readonly engineStops: boolean;
}

/** Brings one fluid through pump and hose into its waste container, the tip off; leaves it relieved and locked. */
export function bringThrough(
  path: Path,
  id: string,
  { fluid, until, save, first, engineStops }: Through,
): void {
  const name = fluidWord(fluid);
  const start = engineStops ? [powerOn('engine on')] : [];
  path
    .step(
      `${id} suction`,
      fluid === 'go-between'
        ? `${GO_BETWEEN_NOTE} Water that meets a solvent-borne coating turns to curds in the pump.`
        : `Of the fluids that mix with what is in the pump, ${name} is next. Each waste fluid has its own container.`,
      [...(engineStops ? [[powerOff]] : []), [suctionInto(fluid)], [wasteOut(fluid)]],
    )
    .step(`${id} prime`, 'Air in the pump spits and lets the packings run dry.', [
      [valvePrime, ...start, pumpOn(), also(`until ${name} comes back without bubbles`)],
    ])
    .step(`${id} stop`, 'The trigger must be open before the pump feeds the hose.', [[pumpOff]]);
  if (save) {
    path.step(
      `${id} save`,
      'What is in the hose is paid for, and less waste to carry away. The first streak ends it.',
      [
        [aim('paint', 'gun over the paint container, against its wall'), unlock, hold()],
        [valveSpray, pumpOn(), also('trigger held, until the first streak of flush fluid')],
        [pumpOff, letGo, lock],
      ],
    );
    relieve(path, `${id} save`);
  }
  path
    .step(
      `${id} hold`,
      'Held before the pump starts, nothing can build up behind a closed gun; metal leads static away.',
      [[intoTheWaste, unlock, hold()]],
    )
    .step(`${id} through`, 'What is left in the hose comes out on the wall.', [
      [valveSpray, pumpOn(), also(`trigger held, ${until}`)],
    ]);
  if (first)
    path.step(
      'joints',
      'A leak shows at the lowest pressure, before paint is behind it. Look, do not feel: it goes through skin.',
      [
        [
          hold('keep holding the trigger'),
          also(
            'look at each joint in turn: suction nut, filter housing, hose at the pump, hose at the gun, extension',
          ),
        ],
      ],
      'One drips? Pump off and relieve, then tighten it or put its seal right: never while it is under pressure.',
    );
  path.step(`${id} pump off`, 'It must not build up pressure again while you relieve it.', [
    [pumpOff, knobLowest, ...(engineStops ? [powerOff] : [])],
  ]);
  relieve(path, id);
}
