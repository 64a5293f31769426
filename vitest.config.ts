import { defineConfig } from 'vitest/config';

const long = process.env.BATHYSKOP_LONG === '1';

const common = {
  environment: 'node',
  // Files share what they import, a quarter of their time otherwise: what keeps anything in a module begins its tests with a fresh one.
  isolate: false,
  testTimeout: long ? 600_000 : 60_000,
  env: { BATHYSKOP_RUNS: long ? '2000' : '100' },
} as const;

export default defineConfig({
  test: {
    // One worker is left out by default, for the person who waits: on two cores that is half of them.
    maxWorkers: '100%',
    projects: [
      {
        resolve: { tsconfigPaths: true },
        test: { ...common, name: 'core', include: ['src/core/**/*.test.ts'] },
      },
      {
        resolve: { tsconfigPaths: true },
        test: {
          ...common,
          name: 'rest',
          include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'scripts/**/*.test.ts'],
          exclude: ['src/core/**'],
        },
      },
    ],
  },
});
