import { freePort, startFineSpray, temporaryHome } from './fine-spray';

/** One real server with the demo in it for the specs that do not stop it. */
export default async function globalSetup(): Promise<() => Promise<void>> {
  const { home, remove } = temporaryHome();
  const running = await startFineSpray(home, await freePort());
  process.env['FINE_SPRAY_ADDRESS'] = running.address;
  return async () => {
    await running.stop();
    remove();
  };
}
