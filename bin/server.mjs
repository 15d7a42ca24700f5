// The built application behind a small server of ours: node bin/server.mjs PORT. It listens on the loopback address; the
// application opens the doors to the home network by itself (server/doors/front.ts) with what is handed over here.
import { createServer } from 'node:http';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { REFUSED_BY_BROWSERS } from './lib.mjs';

process.env.NODE_ENV = 'production';
process.title = 'hyndle-server';
const { default: next } = await import('next');

const dir = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
const port = Number(process.argv[2]);
const app = next({ dev: false, dir, hostname: '127.0.0.1', port });
const handle = app.getRequestHandler();

/**
 * @param door `machine` for the loopback address, `home` for the home network
 * @returns handles requests that came in by that door: the gate (server/doors/gate.ts) first, then the application
 */
function behind(door) {
  return (request, response) => {
    const gate = globalThis.hyndleGate;
    if (!gate) {
      response.writeHead(503, { 'retry-after': '1' }).end();
      return;
    }
    if (!gate(request, response, door)) return;
    handle(request, response).catch((error) => {
      console.error(error);
      response.destroy();
    });
  };
}

globalThis.hyndleFront = { behind, port, isRefusedByBrowsers: (one) => REFUSED_BY_BROWSERS.includes(one) };
await app.prepare();
const server = createServer(behind('machine'));
server.on('error', (error) => {
  console.error(error.code === 'EADDRINUSE' ? `Port ${port} is in use.` : error);
  process.exit(1);
});
// Node closes a connection that has been idle for 5 s, and an act that is sent in that very moment is lost on its way.
server.keepAliveTimeout = 65_000;
server.listen(port, '127.0.0.1');
