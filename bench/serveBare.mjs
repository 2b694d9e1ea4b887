import { bareServer } from './bareServer.mjs';

const [, , databaseUrl, port] = process.argv;
bareServer(databaseUrl).app.listen(Number(port), '127.0.0.1', () => process.send('ready'));
process.on('disconnect', () => process.exit(0));
