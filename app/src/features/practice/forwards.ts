/**
 * Moments that only run forwards. A device that is busy tells late of what was done, when time has gone on already without it: that is put
 * off by as much as it is late, and what follows with it, so that ways take as long as they took; what is on time again goes by its own.
 */
export class Forwards {
  private last = -Infinity;
  private late = 0;

  /** @param moment s, as it is told. @returns when it is taken to have been, s */
  at(moment: number): number {
    if (moment >= this.last) this.late = 0;
    else this.late = Math.max(this.late, this.last - moment);
    this.last = Math.max(this.last, moment + this.late);
    return this.last;
  }

  /** Time begins anew. */
  begin(): void {
    this.last = -Infinity;
    this.late = 0;
  }
}
