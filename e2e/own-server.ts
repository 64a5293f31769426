import { spawn } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

export interface OwnServer {
  readonly url: string;
  /** Where it stands: what is served from `public` there may be changed. */
  readonly folder: string;
  readonly stop: () => Promise<void>;
}

/** A server of a journey's own, over the build as it is, which can be stopped. */
export async function ownServer(port: number, folder = mkdtempSync(join(tmpdir(), 'served-'))): Promise<OwnServer> {
  for (const name of ['.next', 'node_modules', 'package.json', 'next.config.ts'])
    try {
      symlinkSync(resolve(name), join(folder, name));
    } catch {
      // It stands there already, from before it was stopped.
    }
  mkdirSync(join(folder, 'public'), { recursive: true });
  cpSync('public/service-worker.js', join(folder, 'public', 'service-worker.js'), { force: false });
  const server = spawn(
    process.execPath,
    [resolve('node_modules/next/dist/bin/next'), 'start', '-H', '127.0.0.1', '-p', String(port)],
    { cwd: folder, stdio: ['ignore', 'pipe', 'inherit'], env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } },
  );
  const ended = new Promise<void>((done) => server.once('exit', () => done()));
  await new Promise<void>((ready, fail) => {
    server.stdout.on('data', (data) => String(data).includes('Ready') && ready());
    server.once('exit', (code) => fail(new Error(`the server ended with ${code}`)));
  });
  return {
    url: `http://127.0.0.1:${port}`,
    folder,
    stop: async () => {
      server.kill();
      await ended;
    },
  };
}
