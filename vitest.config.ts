import { defineConfig } from 'vitest/config';

const long = process.env.BATHYSKOP_LONG === '1';

export default defineConfig({
  resolve: { tsconfigPaths: true },
  test: {
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'scripts/**/*.test.ts'],
    environment: 'node',
    // One worker is left out by default, for the person who waits: on two cores that is half of them.
    maxWorkers: '100%',
    testTimeout: long ? 600_000 : 60_000,
    env: { BATHYSKOP_RUNS: long ? '2000' : '100' },
  },
});
