import { createServer as createHttpServer, type Server } from 'node:http';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { createServer } from './app';

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: process.env['PORT'] ?? '4310' },
    host: { type: 'string', default: '127.0.0.1' },
    demo: { type: 'boolean', default: false },
    folder: { type: 'string', default: fileURLToPath(new URL('../dist/app/', import.meta.url)) },
  },
});
const port = Number(values.port);
if (!Number.isInteger(port) || port < 0 || port > 65535) {
  console.error(`--port wants a number from 0 to 65535, not ${values.port}`);
  process.exit(2);
}
const { folder } = values;
let server: Server;
try {
  server = createHttpServer(createServer({ folder, demo: values.demo, host: values.host }));
} catch (error) {
  console.error(error instanceof Error ? error.message : String(error));
  process.exit(1);
}
server.on('listening', () => {
  const address = server.address();
  console.log(
    `Gentle Thumb is at http://${values.host}:${typeof address === 'object' && address ? address.port : port}/  (Ctrl+C ends it)`,
  );
});
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE' ? `Port ${port} is taken. Try another: npm run demo -- --port 4311` : error.message,
  );
  process.exit(1);
});
server.listen(port, values.host);
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    server.close(() => process.exit(0));
    // A request that never ends must not hold the end up.
    server.closeAllConnections();
  });
