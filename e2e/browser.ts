import { existsSync } from 'node:fs';

/** Debian has Chromium as a shell without windows too, which takes less; where only the whole one is there, it serves as well. */
const shell = '/usr/bin/chromium-headless-shell';

/** How Debian's Chromium is started here: headless, without anything that reaches outside. */
export const chromium = {
  executablePath: existsSync(shell) ? shell : '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    // Letters stand where they are told, as they do in the files that are handed out.
    '--font-render-hinting=none',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
