import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { createServer } from './app';

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: process.env['PORT'] ?? '4310' },
    host: { type: 'string', default: '127.0.0.1' },
    demo: { type: 'boolean', default: false },
  },
});
const port = Number(values.port);
if (!Number.isInteger(port) || port < 0 || port > 65535) {
  console.error(`--port wants a number from 0 to 65535, not ${values.port}`);
  process.exit(2);
}
const folder = fileURLToPath(new URL('../dist/app/', import.meta.url));
const server = createServer({ folder, demo: values.demo }).listen(port, values.host, () => {
  const address = server.address();
  console.log(
    `Gentle Thumb is at http://${values.host}:${typeof address === 'object' && address ? address.port : port}/  (Ctrl+C ends it)`,
  );
});
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE' ? `Port ${port} is taken. Try another: npm run demo -- --port 4311` : String(error),
  );
  process.exit(1);
});
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => server.close(() => process.exit(0)));
