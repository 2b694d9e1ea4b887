interface Waiting<Given, Result> {
  readonly given: Given;
  readonly resolve: (result: Result) => void;
  readonly reject: (error: unknown) => void;
}

/** Work of one kind for one who asks: what comes while some is on its way is done together after it. */
interface Line<Given, Result> {
  waiting: Waiting<Given, Result>[];
  readonly work: (all: readonly Given[]) => Promise<readonly Result[]>;
}

/**
 * Does together what comes one by one: the first at once, and what comes while that is on its way in one go after it, each answered
 * for itself. Nobody waits longer than for what was there before, and a crowd costs one transaction and not one each.
 */
export class Gathered<Given, Result> {
  private readonly lines = new Map<string, Line<Given, Result>>();

  /** @param most how many are done in one go */
  constructor(private readonly most: number) {}

  /**
   * @param key what can be done together
   * @param work a result for each, in its place
   */
  add(key: string, given: Given, work: Line<Given, Result>['work']): Promise<Result> {
    return new Promise((resolve, reject) => {
      const waiting = { given, resolve, reject };
      const line = this.lines.get(key);
      if (line) line.waiting.push(waiting);
      else {
        const begun = { waiting: [waiting], work };
        this.lines.set(key, begun);
        void this.run(key, begun);
      }
    });
  }

  private async run(key: string, line: Line<Given, Result>): Promise<void> {
    while (line.waiting.length > 0) {
      const some = line.waiting.splice(0, this.most);
      try {
        const results = await line.work(some.map(({ given }) => given));
        some.forEach(({ resolve, reject }, index) => {
          const result = results[index];
          if (result === undefined) reject(new Error('one of them was not answered'));
          else resolve(result);
        });
      } catch (error) {
        some.forEach(({ reject }) => reject(error));
      }
    }
    this.lines.delete(key);
  }
}
