// npm run browsers: walks the path of an item in Firefox ESR and WebKit, from Debian's packages, installed
// where they are missing. -- firefox, or -- webkit, for one of them. Not part of npm test, which has Chromium only.
import { spawnSync } from 'node:child_process';

import { installDebian } from './debian.mjs';
import { makeReady } from './serve.mjs';

installDebian(
  {
    'firefox-esr': ['/usr/bin/firefox-esr'],
    'webkit2gtk-driver': ['/usr/bin/WebKitWebDriver'],
    xvfb: ['/usr/bin/Xvfb'],
  },
  'The path is walked in other browsers',
);
await makeReady();
const done = spawnSync('node_modules/.bin/tsx', ['e2e/browsers/main.ts', ...process.argv.slice(2)], {
  stdio: 'inherit',
});
process.exit(done.status ?? 1);
