import { steppedPoint } from '@fine-spray/contract/practice';
import { LiveFilm, type PracticeTarget } from '@fine-spray/core/practice';
import type { InSteps } from '@fine-spray/core/steps';
import type { Palette } from '@/ui/theme/theme';
import { drawMoving, drawStanding, nearestPass, type Sheet } from './drawGun';
import { Forwards } from './forwards';
import { Gun, type Hold } from './gun';
import { paintCells, tonesOf, wholeBox } from './paintFilm';

/** Places of a stroke, and the time between them, s: of a pass as a finger tells of it. */
const [PLACES, BETWEEN] = [40, 1 / 60];

/**
 * Sprays a stroke that nobody sees, on a film of its own and on a canvas of its own: what lays and draws a film is read and compiled by
 * the browser when it first runs, and in the first touch it would hold a slow phone up for several pictures.
 */
export function* rehearse(target: PracticeTarget, hold: Hold, palette: Palette): InSteps<void> {
  const begun = LiveFilm.begin(target);
  const canvas = document.createElement('canvas');
  const context = canvas.getContext('2d');
  const [pass] = target.wall.plan.passes;
  if (!begun.ok || !context || !pass) return;
  yield;
  const film = begun.value;
  const { columns, rows, cell } = film.simulation.grid;
  const picture = context.createImageData(columns, rows);
  const sheet: Sheet = {
    target,
    palette,
    scale: canvas.width / (columns * cell),
    height: rows * cell,
    wide: canvas.width,
  };
  yield;
  const [gun, forwards, tones] = [new Gun(), new Forwards(), tonesOf(palette)];
  paintCells(picture, film, tones, wholeBox(film));
  yield;
  for (let place = 0; place < PLACES; place += 1) {
    const share = place / PLACES;
    const at = {
      x: pass.from.x + (pass.to.x - pass.from.x) * share,
      y: pass.from.y + (pass.to.y - pass.from.y) * share,
    };
    const now = steppedPoint(gun.at(at, forwards.at(place * BETWEEN), hold));
    if (place === 0) nearestPass(target.wall.plan.passes, now);
    const dirty = film.move(now, true);
    if (dirty) paintCells(picture, film, tones, dirty);
    drawMoving(context, sheet, { gun: { ...now, open: true }, wanted: at });
    yield;
  }
  film.lift();
  film.pass(PLACES * BETWEEN + 1);
  yield;
  drawStanding(context, sheet, { ghost: { shown: true, next: 0 }, runs: film.runs() });
  film.recording();
}
