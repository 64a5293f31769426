import { chromiumPath } from '../scripts/chromium.mjs';

export const CHROMIUM_PATH = chromiumPath();

/** How Debian's Chromium is started for journeys and benchmarks: alone, offline, without a GPU. */
export const CHROMIUM_ARGUMENTS: string[] = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
