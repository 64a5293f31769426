// Installs what is missing, builds when the sources are newer than the build, starts with the demonstration rooms and prints the address.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { install } from './install.mjs';

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer()
      .once('error', () => resolve(false))
      .once('listening', () => probe.close(() => resolve(true)));
    probe.listen(port, '127.0.0.1');
  });

install();
const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };
const next = 'node_modules/next/dist/bin/next';
const { build, isBuilt } = await import('./build.mjs');
if (!isBuilt() && !(await build())) process.exit(1);
let port = Number(process.env.PORT ?? 4310);
while (!(await isFree(port))) port += 1;
const server = spawn(process.execPath, [next, 'start', '-H', '127.0.0.1', '-p', String(port)], {
  stdio: ['ignore', 'pipe', 'inherit'],
  env,
});
server.stdout.on('data', (data) => {
  if (String(data).includes('Ready'))
    console.log(`\nBathyskop is open at http://127.0.0.1:${port}/ with its demonstration rooms. Ctrl+C closes it.`);
});
server.on('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
