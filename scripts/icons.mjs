import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../e2e/chromium.mjs';
import { ROOT } from './lib/paths.mjs';
import { main, say } from './lib/say.mjs';

const PUBLIC = path.join(ROOT, 'app/public');
/** The ground of the icon, to the edge where a device cuts its own shape out of it. */
const GROUND = '#6A2149';
/** What of a maskable icon every shape shows: a circle of four fifths of its width (W3C, Web Application Manifest). */
const SAFE = 0.72;

/** Pictures of `icon.svg` for devices that take no SVG: name, px, and whether its ground goes to the edge. */
const ICONS = [
  { name: 'icon-192.png', size: 192, bleed: false },
  { name: 'icon-512.png', size: 512, bleed: false },
  { name: 'icon-maskable-512.png', size: 512, bleed: true },
  { name: 'apple-touch-icon.png', size: 180, bleed: true },
];

/** Draws the icons of an installed application anew: `npm run icons`. */
await main(async () => {
  const svg = readFileSync(path.join(PUBLIC, 'icon.svg'), 'utf8');
  const browser = await chromium.launch(CHROMIUM);
  try {
    for (const { name, size, bleed } of ICONS) {
      const page = await browser.newPage({ viewport: { width: size, height: size } });
      const inner = bleed ? size * SAFE : size;
      await page.setContent(
        `<style>body{margin:0;display:grid;place-items:center;width:${size}px;height:${size}px;background:${bleed ? GROUND : 'transparent'}}svg{width:${inner}px;height:${inner}px}</style>${svg}`,
      );
      const picture = await page.screenshot({ omitBackground: !bleed });
      writeFileSync(path.join(PUBLIC, name), picture);
      await page.close();
      say(`${name}: ${picture.length} bytes`);
    }
  } finally {
    await browser.close();
  }
});
