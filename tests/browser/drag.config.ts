import { defineConfig } from '@playwright/test';
import { browser } from './app';
import base from './playwright.config';

/** How long from the finger to the picture, printed beside the other speeds. */
export default defineConfig({
  ...base,
  testMatch: 'drag.ts',
  workers: 1,
  reporter: 'line',
  use: { ...base.use, ...browser },
});
