export interface Backup {
  readonly file: string;
  readonly kind: 'night' | 'migration' | 'hand';
  readonly at: Date;
  readonly bytes: number;
}
export function backupsIn(folder: string): Backup[];
export function untilNext(newest: Date | undefined, now?: Date): number;
