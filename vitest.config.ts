import { defineConfig } from 'vitest/config';

const long = process.env.BATHYSKOP_LONG === '1';

export default defineConfig({
  resolve: { tsconfigPaths: true },
  test: {
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'scripts/**/*.test.ts'],
    environment: 'node',
    testTimeout: long ? 600_000 : 60_000,
    env: { BATHYSKOP_RUNS: long ? '2000' : '100' },
  },
});
