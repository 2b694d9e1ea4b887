/** Rows of this many kinds of content at most are kept as they were read, the oldest go first. */
const KEPT = 5000;

/**
 * Rows that were held against their schema, by what tells one state of a row from another. Plans are read far more often than they
 * change: each state is checked once.
 */
export class CheckedRows {
  private readonly known = new Map<string, unknown>();

  /** What `check` says of a state, asked once. What is given out is shared: nobody changes it. */
  once<Checked>(state: string, check: () => Checked): Checked {
    const had = this.known.get(state);
    if (had !== undefined) return had as Checked;
    const made = check();
    if (this.known.size >= KEPT) {
      const [oldest] = this.known.keys();
      if (oldest !== undefined) this.known.delete(oldest);
    }
    this.known.set(state, made);
    return made;
  }
}
