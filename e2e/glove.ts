import { expect, type Locator } from '@playwright/test';
import { Hand } from './hand';

/** What a gloved thumb hits, px; half a pixel is rounding. */
const THUMB = 56 - 0.5;
/** What a thumb is taken to need from seeing a target to hitting it, ms: it must lie still for so long. */
const REACH = 150;

/** A hand in a glove: it touches, and what it touches is large enough and lies still. */
export class Glove extends Hand {
  override async again(target: Locator): Promise<void> {
    this.taps += 1;
    await target.scrollIntoViewIfNeeded();
    const before = await target.boundingBox();
    await this.page.waitForTimeout(REACH);
    const now = await target.boundingBox();
    const name = (await target.getAttribute('aria-label')) ?? (await target.textContent()) ?? '';
    expect([name, now && now.height >= THUMB], `${name}: ${JSON.stringify(now)}`).toEqual([name, true]);
    expect([name, now], 'it lies still').toEqual([name, before]);
    await target.tap();
  }

  /** Ways between screens by the bar at the foot and the links on the way: each a tap one has to look for. */
  async go(path: string, taps = 2): Promise<void> {
    for (let one = 0; one < taps; one += 1) this.counts();
    await this.page.goto(path);
  }
}
