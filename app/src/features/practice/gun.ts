import { follow, swing, type Body } from '@fine-spray/core/practice';
import type { TimedPoint } from '@fine-spray/core/simulation';

/** How the gun is held besides where it is: set by sliders and switches. */
export interface Hold {
  readonly distance: number;
  /** The fan upright, or level. */
  readonly fan: 'upright' | 'level';
  /** The wrist locked, or swinging with the arm. */
  readonly wrist: 'locked' | 'swings';
}

export interface Place {
  readonly x: number;
  readonly y: number;
}

/** Speed is the way of so long, s: shorter jumps about, longer comes too late. */
const OVER = 0.25;

/** A gun that is moved by a hand: where it points, and how fast it went just now. */
export class Gun {
  private body: Body | undefined;
  private last: (Place & { readonly time: number }) | undefined;
  private way: { readonly length: number; readonly time: number }[] = [];

  /** The gun at a place at a moment. */
  at({ x, y }: Place, time: number, { distance, fan, wrist }: Hold): TimedPoint {
    const orientation = fan === 'upright' ? Math.PI / 2 : 0;
    const { last } = this;
    const seconds = last ? Math.max(0, time - last.time) : 0;
    this.body = this.body ? follow(this.body, { x, y }, seconds) : { x, y };
    if (last && seconds > 0) {
      this.way.push({ length: Math.hypot(x - last.x, y - last.y), time });
      this.way = this.way.filter((one) => time - one.time < OVER);
    }
    this.last = { x, y, time };
    const tiltThrough = wrist === 'swings' ? swing(this.body, { x, y, orientation }) : 0;
    return { x, y, distance, orientation, time, tiltAcross: 0, tiltThrough };
  }

  /** Speed over the last quarter of a second, m/s. */
  get speed(): number {
    return this.way.reduce((sum, { length }) => sum + length, 0) / OVER;
  }

  /** The gun is taken away. */
  lift(): void {
    this.last = undefined;
    this.body = undefined;
    this.way = [];
  }
}
