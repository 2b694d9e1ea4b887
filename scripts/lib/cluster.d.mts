/** A PostgreSQL of our own. */
export interface Cluster {
  readonly url: string;
  /** Resolves when it ends by itself. */
  readonly ended: Promise<unknown>;
  stop(): Promise<void>;
}

export function freePort(): Promise<number>;
export function startCluster(folder: string, options?: { readonly throwAway?: boolean }): Promise<Cluster>;
export function throwAwayCluster(folder: string): Promise<Cluster>;
export function newCluster(folder: string): Promise<void>;
