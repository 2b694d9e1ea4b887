import { coatingInput } from '../coating';
import { explain, chosen, given, workingDefault, type Explained, type Input } from '../explain';
import { dryForWet, gunSpeedFor, sagLimitFor, wetForDry, type PassInputs, type PassPlace } from '../film';
import { airInput, groundInputs, overInput } from '../quantities';
import { ELEMENT_DATA } from '../takeoff';
import { writeTipCode } from '../tip';
import { quantity } from '../units';
import type { Candidate } from './candidate';
import { DISTANCE_SCHOOLS, fanWidthBy, gunDistance } from './schools';
import type { LineNumbers } from './lineNumbers';
import { asSprayed, type SearchContext } from './request';

type PassOnPiece = PassInputs & { readonly place: PassPlace };

export interface FilmNumbers {
  readonly fan: Explained;
  readonly distance: Explained;
  readonly overlap: Explained & { readonly name: string };
  readonly wetFilm: Explained;
  readonly dryFilm: Explained;
  readonly sagLimit: Explained;
  /** What the gun speed stands on. */
  readonly pass: PassOnPiece;
  /** Of the first film laid: on bare ground it lays what soaks in, too. */
  readonly gunSpeed: Explained;
  /** Of every one after it, where that is another. */
  readonly laterSpeed?: Explained;
}

/** Gun speed of a coat of a card, counted from 1. */
export const gunSpeedOf = (
  { gunSpeed, laterSpeed }: Pick<FilmNumbers, 'gunSpeed' | 'laterSpeed'>,
  coat: number,
): Explained => (coat > 1 ? (laterSpeed ?? gunSpeed) : gunSpeed);

const inputOf = ({ kind, value, low, high, basis }: Explained, label: string, source: string): Input => ({
  label,
  kind,
  value,
  low,
  high,
  basis,
  source,
});

/** The passes of a card: what its gun speed and the film it lays stand on, for a film of which so much soaks in. */
function passOf(
  { request }: SearchContext,
  { over, covers }: Candidate,
  { flow, fan, overlap }: Pick<LineNumbers, 'flow'> & Pick<FilmNumbers, 'fan' | 'overlap'>,
): PassOnPiece {
  const { texture, absorbed } = groundInputs(request);
  const thinned = (unthinned: number) => asSprayed(unthinned, request);
  return {
    flow: inputOf(flow, 'Flow', 'Flow of this card'),
    transfer: airInput(request),
    fanWidth: inputOf(fan, 'Fan width', 'Tip code'),
    overlap: quantity(overlap.value),
    place: {
      over: overInput(over),
      fit: given(
        'Passes fitted to the piece',
        'factor',
        covers / (fan.value * (1 - overlap.value)),
        'Width a pass covers over the fan less its overlap',
      ),
      texture,
      soaks: {
        ...absorbed,
        value: thinned(absorbed.value),
        low: thinned(absorbed.low),
        high: thinned(absorbed.high),
      },
    },
  };
}

/** The same once the ground has had its part. */
const sealed = ({ place, ...pass }: PassOnPiece): PassOnPiece => ({
  ...pass,
  place: { ...place, soaks: { ...place.soaks, value: 0, low: 0, high: 0 } },
});

/** Fan, film and the gun speed that lays it, for one tip at a flow. */
export function filmNumbers(context: SearchContext, main: Candidate, flow: Explained): FilmNumbers {
  const { request, passes, coats, filmShare, schools } = context;
  const code = writeTipCode(main.tip);
  const away = gunDistance(request.element, schools);
  const solids = coatingInput(request.coating, 'volumeSolids');
  const dry = coatingInput(request.coating, 'dryFilm');
  const thinner = chosen('Thinner per paint', 'percent', request.thinning, 'Chosen here');
  const distance = explain(
    'gun distance',
    'distance',
    {
      distance: workingDefault(
        'Distance',
        'distance',
        away,
        away * 0.82,
        away * 1.15,
        `School: ${DISTANCE_SCHOOLS[schools.distance].toLowerCase()}`,
      ),
    },
    ({ distance: d }) => d,
  );
  const fan = explain(
    schools.fanWidth === 'spray angle' ? 'spray angle width' : 'fan width',
    'fanWidth',
    {
      fan: chosen('Fan number', 'count', main.tip.fan, `Tip code ${code}`),
      distance: workingDefault(
        'Distance',
        'distance',
        away,
        away * 0.95,
        away * 1.05,
        'Gun distance of this card',
      ),
    },
    (v) => fanWidthBy(v.fan, quantity(v.distance), schools) ?? main.fanWidth,
  );
  const wetFilm = explain(
    'wet film target',
    'wetFilm',
    { dry, solids, thinner },
    (v) => wetForDry(quantity(v.dry), quantity(v.solids), quantity(v.thinner)) * filmShare,
  );
  const dryFilm = explain(
    'dry film left',
    'dryFilm',
    { wet: chosen('Wet film', 'wetFilm', wetFilm.value * passes, 'Target of this card'), solids, thinner },
    (v) => dryForWet(quantity(v.wet), quantity(v.solids), quantity(v.thinner)),
  );
  const sagLimit = explain(
    'sag limit',
    'wetFilm',
    { limit: coatingInput(request.coating, 'sagLimit') },
    (v) => sagLimitFor(quantity(v.limit), ELEMENT_DATA[request.element].sagsSooner),
  );

  const verdict = main.overlap;
  const overlap = {
    ...explain(
      'overlap choice',
      'percent',
      {
        share: given(
          'Overlap',
          'percent',
          verdict.share,
          `Variation ${Math.round(verdict.variation * 100)} % against ${Math.round(verdict.otherVariation * 100)} % for the other school`,
        ),
      },
      ({ share }) => share,
    ),
    name: verdict.name,
  };
  const pass = passOf(context, main, { flow, fan, overlap });
  const film = chosen('Wet film', 'wetFilm', wetFilm.value, 'Target of this card');
  const gunSpeed = gunSpeedFor(pass, film);
  const numbers = { fan, distance, overlap, wetFilm, dryFilm, sagLimit, pass, gunSpeed };
  const changes = context.soaks > 0 && coats * passes > 1;
  return changes ? { ...numbers, laterSpeed: gunSpeedFor(sealed(pass), film) } : numbers;
}
