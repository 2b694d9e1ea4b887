import type { Cluster } from './cluster.mjs';

export interface Backup {
  readonly file: string;
  readonly kind: 'night' | 'migration' | 'hand';
  readonly at: Date;
  readonly bytes: number;
}
export function backupsIn(folder: string): Backup[];
export function untilNext(newest: Date | undefined, now?: Date): number;
export const KINDS: { readonly [Kind in Backup['kind']]: Kind };
export function backUp(
  from: { readonly url: string; readonly programs: string },
  folder: string,
  kind: Backup['kind'],
  now?: Date,
): Promise<string>;
export function restoreInto(cluster: Cluster, file: string): Promise<void>;
