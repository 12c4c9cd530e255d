import { defineConfig } from '@playwright/test';
import base from './playwright.config';

/** Pictures of the main views for the README, from demo data. */
export default defineConfig({ ...base, testMatch: 'shots.ts', workers: 1, reporter: 'line' });
