import puppeteer, { type Browser } from 'puppeteer-core';
import { mkdtemp } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/**
 * Debian's Chromium, headless, with a profile of its own and no talk of its own on the network.
 *
 * @param clipboardOf the origin whose pages may read and write the clipboard, as a person would let them
 */
export async function openChromium(clipboardOf?: string): Promise<Browser> {
  const browser = await puppeteer.launch({
    executablePath: '/usr/bin/chromium',
    userDataDir: await mkdtemp(join(tmpdir(), 'kite-chromium-')),
    args: [
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
    defaultViewport: { width: 1280, height: 800 },
    protocolTimeout: 180_000,
  });
  // A person who leaves a place while it is still being saved is asked, and says yes: what waits is kept by the browser.
  browser.on('targetcreated', (target) => {
    if (target.type() !== 'page') return;
    void target.page().then((page) => page?.on('dialog', (dialog) => dialog.type() === 'beforeunload' && void dialog.accept()));
  });
  if (clipboardOf)
    await browser
      .defaultBrowserContext()
      .overridePermissions(clipboardOf, ['clipboard-read', 'clipboard-write', 'clipboard-sanitized-write']);
  return browser;
}
