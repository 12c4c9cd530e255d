import { defineConfig } from '@playwright/test';
import { browser } from './app';

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
    ...browser,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // Far from UTC and off the hour: an instant that loses its zone on the way shows.
    timezoneId: 'Asia/Kathmandu',
  },
});
