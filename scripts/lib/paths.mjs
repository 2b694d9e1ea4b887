import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { isRoot } from './run.mjs';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');

/** Where data live: FINE_SPRAY_HOME, or a folder of the user (of the system when run as root). */
export function dataFolder() {
  if (process.env.FINE_SPRAY_HOME) return path.resolve(process.env.FINE_SPRAY_HOME);
  if (isRoot()) return '/var/lib/fine-spray';
  const base = process.env.XDG_DATA_HOME ?? path.join(os.homedir(), '.local/share');
  return path.join(base, 'fine-spray');
}

/** Where a PostgreSQL of our own lives. */
export const clusterFolder = () => path.join(dataFolder(), 'postgres');
