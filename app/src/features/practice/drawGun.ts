import type { PlannedPass } from '@fine-spray/core/passes';
import { onPass } from '@fine-spray/core/passing';
import type { LiveFilm, PracticeTarget, Run } from '@fine-spray/core/practice';
import type { GunPoint } from '@fine-spray/core/simulation';
import type { Palette } from '@/ui/theme/theme';

/** What is drawn over the film. */
export interface Over {
  readonly target: PracticeTarget;
  readonly palette: Palette;
  /** CSS pixels for a metre, and the height of the picture in metres. */
  readonly scale: number;
  readonly height: number;
  /** Width of the picture, CSS px. */
  readonly wide: number;
  readonly gun: (GunPoint & { readonly open: boolean }) | undefined;
  readonly ghost: { readonly shown: boolean; readonly next: number; readonly at: number | undefined };
  readonly runs: readonly Run[];
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

/** Draws what lies over the film: outline and openings, the planned passes, runs, the fan. */
export function drawOver(context: CanvasRenderingContext2D, over: Over): void {
  const { target, palette, scale, height, gun, ghost, runs } = over;
  const { piece, plan } = target.wall;
  const { canvas } = context;
  const dense = canvas.width / (over.wide || canvas.width);
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, canvas.width, canvas.height);
  // Metres, y upwards.
  context.setTransform(scale * dense, 0, 0, -scale * dense, 0, height * scale * dense);
  const hair = 1 / scale;
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

  if (ghost.shown)
    plan.passes.forEach((pass, index) => {
      context.strokeStyle = index === ghost.next ? palette.identity : palette.ink2;
      context.globalAlpha = index === ghost.next ? 1 : 0.45;
      context.lineWidth = (index === ghost.next ? 2 : 1) * hair;
      context.setLineDash([5 * hair, 4 * hair]);
      for (const { from, to } of pass.open) {
        const [a, b] = [onPass(pass, from), onPass(pass, to)];
        context.beginPath();
        context.moveTo(a.x, a.y);
        context.lineTo(b.x, b.y);
        context.stroke();
      }
      context.setLineDash([]);
      context.globalAlpha = 1;
    });

  context.strokeStyle = palette.danger;
  context.lineCap = 'round';
  context.lineWidth = 3 * hair;
  for (const { x, y, length } of runs) {
    context.beginPath();
    context.moveTo(x, y);
    context.lineTo(x, y - (target.upright ? length : 0));
    context.stroke();
    context.beginPath();
    context.arc(x, y - (target.upright ? length : 0), 3 * hair, 0, 2 * Math.PI);
    context.stroke();
  }

  const pass = ghost.at === undefined ? undefined : plan.passes[ghost.next];
  if (pass && ghost.at !== undefined && ghost.shown) {
    const place = onPass(pass, ghost.at);
    context.strokeStyle = palette.identity;
    context.lineWidth = 2.5 * hair;
    context.beginPath();
    context.arc(place.x, place.y, 9 * hair, 0, 2 * Math.PI);
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
