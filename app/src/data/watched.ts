/** A value that screens follow (`useSyncExternalStore`): who watches is told when it becomes another. */
export class Watched<Value> {
  private readonly watchers = new Set<() => void>();

  constructor(private value: Value) {}

  readonly current = (): Value => this.value;

  readonly subscribe = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => this.watchers.delete(watcher);
  };

  set(next: Value): void {
    if (Object.is(next, this.value)) return;
    this.value = next;
    this.watchers.forEach((watcher) => watcher());
  }
}
