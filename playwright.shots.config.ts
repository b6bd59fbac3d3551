import base from './playwright.config';

/** Makes the pictures of docs/screenshots from the demo jobs. */
export default { ...base, testMatch: '**/*.shots.ts', reporter: [['list']] as [['list']] };
