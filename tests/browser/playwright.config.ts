import { defineConfig } from '@playwright/test';
import { options, thrifty } from './app';

export default defineConfig({
  testDir: '.',
  globalSetup: './prepare.ts',
  outputDir: './test-results/runs',
  testMatch: '*.spec.ts',
  timeout: 150_000,
  expect: { timeout: 25_000 },
  workers: 2,
  fullyParallel: true,
  use: {
    ...thrifty,
    ...options,
  },
});
