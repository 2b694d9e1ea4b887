/**
 * Work of which one pass runs at a time: asked for while one is on its way it is done once more after it, however often it was
 * asked for. Who asks waits until it is done.
 */
export class OneAtATime {
  private asked = false;
  private pass: Promise<void> | undefined;

  constructor(private readonly work: () => Promise<void>) {}

  /** What is on its way, until it is through. */
  get running(): Promise<void> | undefined {
    return this.pass;
  }

  run(): Promise<void> {
    this.asked = true;
    this.pass ??= this.all();
    return this.pass;
  }

  private async all(): Promise<void> {
    try {
      while (this.asked) {
        this.asked = false;
        await this.work();
      }
    } finally {
      // At once: who asks after the last look at it begins another pass.
      this.pass = undefined;
    }
  }
}

/** Does something while no other page of this device does; where pages cannot tell, at once. It throws where it is ended before its turn. */
export async function alone(
  name: string,
  work: (shared: boolean) => Promise<void>,
  signal?: AbortSignal,
): Promise<void> {
  const locks = (globalThis.navigator as Navigator | undefined)?.locks;
  if (locks) await locks.request(name, signal ? { signal } : {}, () => work(true));
  else await work(false);
}

/**
 * Does something at once, and says whether nobody is in the middle of what is done `alone` under this name; nobody begins with
 * that meanwhile. Where pages cannot tell, nobody is taken to be.
 */
export async function unlessTaken<T>(name: string, work: (free: boolean) => Promise<T>): Promise<T> {
  const locks = (globalThis.navigator as Navigator | undefined)?.locks;
  if (!locks) return work(true);
  return locks.request(name, { ifAvailable: true }, (lock) => work(lock !== null));
}
