/** A PostgreSQL of our own. */
export interface Cluster {
  /** The database, for the program. */
  readonly url: string;
  /** For whoever may do everything. */
  readonly adminUrl: string;
  /** The database, for a dump of all of it. */
  readonly databaseAsAdmin: string;
  /** Folder of the programs of its version. */
  readonly programs: string;
  /** Resolves with the last it said when it cannot be kept running. */
  readonly ended: Promise<unknown>;
  stop(): Promise<void>;
}

export function freePort(): Promise<number>;
export function startCluster(folder: string, options?: { readonly throwAway?: boolean }): Promise<Cluster>;
export function throwAwayCluster(folder: string): Promise<Cluster>;
export function newCluster(folder: string): Promise<void>;
