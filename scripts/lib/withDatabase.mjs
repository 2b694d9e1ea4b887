import { runningCluster, startCluster } from './cluster.mjs';
import { takeLock } from './lock.mjs';
import { postgresPrograms } from './packages.mjs';
import { clusterFolder, dataFolder } from './paths.mjs';

/** The addresses of a database: as the program, and as whoever may do everything; and the programs of its version. */
const addresses = ({ url, databaseAsAdmin, programs }) => ({ url, asAdmin: databaseAsAdmin, programs });

/**
 * Does something with the database of DATABASE_URL, of a Fine Spray that runs, or of one that does not: then PostgreSQL is
 * started for it and stopped again.
 */
export async function withDatabase(work) {
  const { DATABASE_URL: url } = process.env;
  if (url) return work({ url, asAdmin: url, programs: postgresPrograms() });
  const running = runningCluster(clusterFolder());
  if (running) return work(addresses(running));
  const release = takeLock(dataFolder());
  try {
    const cluster = await startCluster(clusterFolder());
    try {
      return await work(addresses(cluster));
    } finally {
      await cluster.stop();
    }
  } finally {
    release();
  }
}
