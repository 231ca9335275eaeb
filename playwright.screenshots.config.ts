import { defineConfig } from '@playwright/test';
import base from './playwright.config.ts';

/** `npm run screenshots`: the pictures of the README, from the demo data. */
export default defineConfig({ ...base, testMatch: '**/*.shots.ts', reporter: [['list']] });
