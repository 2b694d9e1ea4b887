import path from 'node:path';
import { test } from '@playwright/test';
import { startCluster, type Cluster } from '../scripts/lib/cluster.mjs';
import { freePort, temporaryHome } from './fine-spray';
import { Instance } from './instance';

/** A server of a spec's own, on a cluster of its own: each test begins with it running, and may stop it. */
export function ownServer(): Pick<Instance, 'address' | 'databaseUrl' | 'runs' | 'start' | 'kill' | 'stop'> {
  let cluster: Cluster;
  let instance: Instance;
  let clear: () => void;
  test.beforeAll(async () => {
    const { home, remove } = temporaryHome();
    clear = remove;
    cluster = await startCluster(path.join(home, 'postgres'));
    instance = new Instance(await freePort(), cluster.url);
  });
  test.beforeEach(async () => {
    if (!instance.runs) await instance.start();
  });
  test.afterAll(async () => {
    await instance.kill();
    await cluster.stop();
    clear();
  });
  return {
    get address() {
      return instance.address;
    },
    get databaseUrl() {
      return instance.databaseUrl;
    },
    get runs() {
      return instance.runs;
    },
    start: () => instance.start(),
    kill: () => instance.kill(),
    stop: () => instance.stop(),
  };
}
