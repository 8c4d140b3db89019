// npm start: serves one's own data, kept in FOX_DATA (./data unless set).
import { ensureBuild, ensurePackages, fail, say, startServer } from './lib.mjs';

const port = process.env.PORT ?? '4310';
const folder = process.env.FOX_DATA ?? 'data';
ensurePackages();
ensureBuild();
const server = await startServer({
  PORT: port,
  FOX_DATA: folder,
  HOST: process.env.HOST ?? '127.0.0.1',
}).catch(fail);
say(`Open ${server.url} in a browser. Your data are in ${folder}.`);
server.child.on('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void server.stop());
