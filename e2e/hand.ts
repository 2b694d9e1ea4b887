import { expect, type Locator, type Page } from '@playwright/test';

/**
 * Seconds a person takes, by the keystroke-level model (Card, Moran and Newell 1980): to make up one's mind 1.35, to point 1.1, to press 0.2;
 * a key of a telephone's keyboard 0.5, slower than their average typist.
 */
const SECONDS = { mind: 1.35, point: 1.1, press: 0.2, key: 0.5 } as const;

/** A hand that works the interface and counts the seconds a person would take, whatever the machine does meanwhile. */
export class Hand {
  taps = 0;
  keys = 0;
  private minds = 0;

  constructor(readonly page: Page) {}

  /** Taps something one has to look for. */
  async tap(target: Locator): Promise<void> {
    this.minds += 1;
    await this.again(target);
  }

  /** Taps what is under the thumb already: a key of a pad, the same button once more. */
  async again(target: Locator): Promise<void> {
    this.taps += 1;
    await target.click();
  }

  /** A tap that is done otherwise here, and counted all the same. */
  protected counts(): void {
    this.minds += 1;
    this.taps += 1;
  }

  async type(field: Locator, text: string): Promise<void> {
    await this.tap(field);
    this.keys += text.length;
    await field.fill(text);
  }

  /** Types a length: by the pad on a phone, by the keyboard when wide. */
  async length(label: string, text: string): Promise<void> {
    await this.tap(this.page.getByLabel(`${label}, m`));
    const pad = this.page.getByRole('group', { name: `Number pad for ${label}` });
    await expect(pad).toBeVisible();
    if (await pad.getByRole('button', { name: '7', exact: true }).isVisible())
      for (const key of text) await this.again(pad.getByRole('button', { name: key, exact: true }));
    else {
      this.keys += text.length;
      await this.page.getByLabel(`${label}, m`).fill(text);
    }
  }

  get seconds(): number {
    const { mind, point, press, key } = SECONDS;
    return this.minds * mind + this.taps * (point + press) + this.keys * key;
  }
}
