import base from './playwright.config.ts';

/** `npm run screenshots`: the pictures of the README, from the demo data. */
export default { ...base, testMatch: '**/*.shots.ts', reporter: [['list']] as [['list']] };
