import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import { CHROMIUM_ARGUMENTS } from './chromium';

export interface Killable {
  readonly browser: Browser;
  /** Ends it as a power cut does: nothing in it has a last word. */
  readonly kill: () => Promise<void>;
}

/** A browser of its own process over a profile that outlives it. */
export async function killableBrowser(executablePath: string, profile: string): Promise<Killable> {
  const told = join(profile, 'DevToolsActivePort');
  rmSync(told, { force: true });
  const child = spawn(
    executablePath,
    [...CHROMIUM_ARGUMENTS, '--headless', '--remote-debugging-port=0', `--user-data-dir=${profile}`, 'about:blank'],
    { stdio: 'ignore', detached: true },
  );
  const ended = new Promise<void>((done) => child.once('exit', () => done()));
  while (!existsSync(told) || readFileSync(told, 'utf8').split('\n').length < 2)
    await new Promise((next) => setTimeout(next, 20));
  const port = readFileSync(told, 'utf8').split('\n')[0];
  const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
  return {
    browser,
    kill: async () => {
      // The whole group: the pages and the store are processes of their own.
      if (child.pid) process.kill(-child.pid, 'SIGKILL');
      await ended;
      await browser.close().catch(() => undefined);
    },
  };
}
