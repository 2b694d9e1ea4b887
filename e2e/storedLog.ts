export interface StoredEntry {
  readonly id: string;
  readonly kind: string;
  readonly author: string;
  readonly jobId: string | null;
  readonly at: string;
  readonly clockSkew: number | null;
  readonly createdAt: string;
  readonly replaces: string | null;
  readonly payload: Readonly<Record<string, unknown>>;
}

/** The whole log of a server, page by page, in the order it was stored. */
export async function storedLog(origin: string): Promise<readonly StoredEntry[]> {
  const all: StoredEntry[] = [];
  for (let next: string | null = ''; next !== null;) {
    const answer = await fetch(`${origin}/api/entries${next === '' ? '' : `?before=${next}`}`);
    const page = (await answer.json()) as { items: StoredEntry[]; next: string | null };
    all.push(...page.items);
    ({ next } = page);
  }
  return all.reverse();
}
