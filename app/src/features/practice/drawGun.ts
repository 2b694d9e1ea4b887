import type { PlannedPass } from '@fine-spray/core/passes';
import { onPass } from '@fine-spray/core/passing';
import type { LiveFilm, PracticeTarget, Run } from '@fine-spray/core/practice';
import type { GunPoint } from '@fine-spray/core/simulation';
import type { Palette } from '@/ui/theme/theme';

/** Where things are drawn: metres, y upwards. */
export interface Sheet {
  /** CSS pixels for a metre, and the height of the picture in metres. */
  readonly scale: number;
  readonly height: number;
  /** Width of the picture, CSS px. */
  readonly wide: number;
  readonly palette: Palette;
  readonly target: PracticeTarget;
}

/** What stands still over the film. */
export interface Standing {
  readonly ghost: { readonly shown: boolean; readonly next: number };
  readonly runs: readonly Run[];
}

/** What moves over it. */
export interface Moving {
  readonly gun: (GunPoint & { readonly open: boolean }) | undefined;
  /** Where the gun should be now. */
  readonly wanted: Point | undefined;
}

type Point = { readonly x: number; readonly y: number };

/** The planned pass that begins nearest to a place, and which way it is gone from there. */
export function nearestPass(
  passes: readonly PlannedPass[],
  { x, y }: Point,
): { readonly index: number; readonly turned: boolean } | undefined {
  let best: { index: number; turned: boolean; way: number } | undefined;
  passes.forEach(({ from, to }, index) => {
    for (const [end, turned] of [
      [from, false],
      [to, true],
    ] as const) {
      const way = Math.hypot(end.x - x, end.y - y);
      if (!best || way < best.way) best = { index, turned, way };
    }
  });
  return best;
}

/** A picture over the film without anything on it; how wide a hairline is there, m. */
function cleared(context: CanvasRenderingContext2D, { scale, height, wide }: Sheet): number {
  const { canvas } = context;
  const dense = canvas.width / (wide || canvas.width);
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, canvas.width, canvas.height);
  context.setTransform(scale * dense, 0, 0, -scale * dense, 0, height * scale * dense);
  return 1 / scale;
}

/** Draws what stands still over the film: outline and openings, the planned passes, runs. */
export function drawStanding(
  context: CanvasRenderingContext2D,
  sheet: Sheet,
  { ghost, runs }: Standing,
): void {
  const { target, palette } = sheet;
  const { piece, plan } = target.wall;
  const hair = cleared(context, sheet);
  const outline = (polygon: readonly Point[]) => {
    context.beginPath();
    polygon.forEach(({ x, y }, index) => (index === 0 ? context.moveTo(x, y) : context.lineTo(x, y)));
    context.closePath();
    context.stroke();
  };
  context.strokeStyle = palette.ink;
  context.lineWidth = 1.6 * hair;
  outline(piece.outline);
  piece.openings.forEach(outline);

  // As few lines as there are pens: each is laid on the picture by itself.
  if (ghost.shown) {
    const dashed = (passes: readonly PlannedPass[], width: number) => {
      context.lineWidth = width * hair;
      context.beginPath();
      for (const pass of passes)
        for (const { from, to } of pass.open) {
          const [a, b] = [onPass(pass, from), onPass(pass, to)];
          context.moveTo(a.x, a.y);
          context.lineTo(b.x, b.y);
        }
      context.stroke();
    };
    context.lineCap = 'butt';
    context.setLineDash([5 * hair, 4 * hair]);
    context.strokeStyle = palette.ink2;
    context.globalAlpha = 0.45;
    dashed(
      plan.passes.filter((_, index) => index !== ghost.next),
      1,
    );
    context.strokeStyle = palette.identity;
    context.globalAlpha = 1;
    dashed(
      plan.passes.filter((_, index) => index === ghost.next),
      2,
    );
    context.setLineDash([]);
  }

  context.strokeStyle = palette.danger;
  context.lineCap = 'round';
  context.lineWidth = 3 * hair;
  context.beginPath();
  for (const { x, y, length } of runs) {
    const end = y - (target.upright ? length : 0);
    context.moveTo(x, y);
    context.lineTo(x, end);
    context.moveTo(x + 3 * hair, end);
    context.arc(x, end, 3 * hair, 0, 2 * Math.PI);
  }
  context.stroke();
}

/** Draws what moves over the film: where the gun should be, and the fan. */
export function drawMoving(context: CanvasRenderingContext2D, sheet: Sheet, moving: Moving): void {
  addMoving(context, sheet, moving, cleared(context, sheet));
}

/** All of it in one picture. */
export function drawOver(context: CanvasRenderingContext2D, sheet: Sheet, over: Standing & Moving): void {
  drawStanding(context, sheet, over);
  addMoving(context, sheet, over, 1 / sheet.scale);
}

function addMoving(
  context: CanvasRenderingContext2D,
  { target, palette }: Sheet,
  { gun, wanted }: Moving,
  hair: number,
): void {
  if (wanted) {
    context.strokeStyle = palette.identity;
    context.lineWidth = 2.5 * hair;
    context.beginPath();
    context.arc(wanted.x, wanted.y, 9 * hair, 0, 2 * Math.PI);
    context.stroke();
  }
  if (gun) drawFan(context, target, gun, palette, hair);
}

/** The fan on the piece: as wide as it looks at this distance, filled while the trigger is pulled. */
function drawFan(
  context: CanvasRenderingContext2D,
  { settings }: PracticeTarget,
  gun: GunPoint & { readonly open: boolean },
  palette: Palette,
  hair: number,
): void {
  const half = (settings.fanWidth * gun.distance) / settings.distance / 2;
  const thick = Math.max(3 * hair, gun.distance * 0.04);
  const aside = gun.distance * Math.tan(gun.tiltThrough);
  context.save();
  context.translate(gun.x, gun.y);
  context.rotate(gun.orientation);
  context.translate(0, aside);
  context.beginPath();
  context.roundRect(-half, -thick, 2 * half, 2 * thick, thick);
  context.globalAlpha = gun.open ? 0.55 : 0.2;
  context.fillStyle = palette.wet;
  context.fill();
  context.globalAlpha = 1;
  context.strokeStyle = palette.ink;
  context.lineWidth = (gun.open ? 2.5 : 1.2) * hair;
  context.stroke();
  context.restore();
  context.beginPath();
  context.arc(gun.x, gun.y, 2.5 * hair, 0, 2 * Math.PI);
  context.fillStyle = palette.ink;
  context.fill();
}

/** Which planned pass comes next: as many as strokes were sprayed, while there are any. */
export const nextPass = (film: LiveFilm): number =>
  Math.min(film.recording().strokes.length, film.target.wall.plan.passes.length - 1);
