import path from 'node:path';
import { newCluster, startCluster } from '../scripts/lib/cluster.mjs';
import { freePort, temporaryHome } from './fine-spray';
import { Instance } from './instance';

/**
 * A cluster with the demo in a database that each worker gets a copy of, and an initialised one that the specs which
 * start a PostgreSQL of their own begin from.
 */
export default async function globalSetup(): Promise<() => Promise<void>> {
  const { home, remove } = temporaryHome();
  process.env['FINE_SPRAY_NEW_CLUSTER'] = path.join(home, 'new');
  await newCluster(path.join(home, 'new'));
  const cluster = await startCluster(path.join(home, 'postgres'), { throwAway: true });
  const filling = new Instance(await freePort(), cluster.url);
  await filling.start();
  await filling.stop();
  process.env['FINE_SPRAY_ADMIN'] = cluster.adminUrl;
  process.env['FINE_SPRAY_TEMPLATE'] = cluster.url;
  return async () => {
    await cluster.stop();
    remove();
  };
}
