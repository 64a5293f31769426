import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGUMENTS, CHROMIUM_PATH } from './e2e/chromium';

const PORT = Number(process.env.BATHYSKOP_TEST_PORT ?? 4391);

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/browser',
  fullyParallel: true,
  workers: 2,
  // The machine is shared: a journey that fails once is run once more, and scripts/test.mjs names it as unsteady.
  retries: 1,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  reporter: [
    ['list'],
    ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? 'test-results/browser.json' }],
  ],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    // Keeping the whole application for use without a network, in each journey anew, would take the time of the journeys; e2e/offline.spec.ts lets it.
    serviceWorkers: 'block',
    // What is not there after this long does not come: the journey fails at once, not at its own limit.
    actionTimeout: 15_000,
    launchOptions: {
      executablePath: CHROMIUM_PATH,
      args: CHROMIUM_ARGUMENTS,
    },
  },
  webServer: {
    command: `node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${PORT}`,
    url: `http://127.0.0.1:${PORT}`,
    reuseExistingServer: false,
    env: { NEXT_TELEMETRY_DISABLED: '1' },
  },
});
