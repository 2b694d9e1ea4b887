import { PICTURE } from '@fine-spray/contract';
import { useSyncExternalStore } from 'react';
import { Refused, call, fileOf, whyFailed } from './api';
import { device as pageDevice, type Device, type KeptPicture, type PictureHead } from './device';
import { newId } from './newId';
import { OneAtATime, alone } from './oneAtATime';
import { surelyOurs } from './whose';

/** Pictures that wait on this device. */
export interface PicturesState {
  readonly waiting: readonly PictureHead[];
  /** This device has no room: these are in this page only. */
  readonly full: boolean;
}

/** Pictures the server has too that are kept for being looked at without it. */
const KEPT_SENT = 60;
const RETRY = 5_000;
const LONGEST_RETRY = 300_000;
/** Answers that say something of the picture itself; after others it is sent again. */
const REFUSES: ReadonlySet<number> = new Set([400, 409, 413, 415, 422]);
const LOCK = 'fine-spray.pictures';
/** A picture that nobody wrote an entry for is let go after this, ms. */
const DRAFT_HOLDS = 7 * 24 * 3_600_000;

/**
 * Pictures of the log on their way: kept on this device as soon as they are made small, sent one by one when the server is reached
 * and their entry was written. Under its id a picture never changes, so a repeat changes nothing.
 */
export class Pictures {
  private state: PicturesState = { waiting: [], full: false };
  private readonly listeners = new Set<() => void>();
  /** Pictures the device had no room for. */
  private readonly held = new Map<string, KeptPicture>();
  private readonly sending = new OneAtATime(() => this.sendOnce());
  private readonly urls = new Map<string, Promise<string>>();
  private failures = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly device: Device = pageDevice,
    private readonly ours: () => Promise<boolean> = surelyOurs,
    private readonly now: () => number = Date.now,
  ) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly current = (): PicturesState => this.state;

  private set(next: PicturesState): void {
    this.state = next;
    this.listeners.forEach((listener) => listener());
  }

  /** Looks at what is here; drafts nobody came back to are let go. */
  private async look(): Promise<void> {
    const here = await this.device.picturesHere().catch(() => []);
    const old = here.filter(({ state, at }) => state === 'draft' && this.now() - at > DRAFT_HOLDS);
    const sent = here.filter(({ state }) => state === 'sent').sort((a, b) => b.at - a.at);
    const gone = [...old, ...sent.slice(KEPT_SENT)].map(({ id }) => id);
    if (gone.length > 0) await this.device.dropPictures(gone).catch(() => undefined);
    const held = [...this.held.values()].map(({ bytes: _bytes, ...head }) => head);
    const waiting = [...here, ...held].filter(({ state }) => state === 'waiting');
    this.set({ waiting, full: this.held.size > 0 });
  }

  private async keep(picture: KeptPicture): Promise<void> {
    try {
      await this.device.keepPicture(picture);
      this.held.delete(picture.id);
    } catch {
      this.held.set(picture.id, picture);
    }
  }

  private async find(id: string): Promise<KeptPicture | undefined> {
    return this.held.get(id) ?? (await this.device.picture(id).catch(() => undefined));
  }

  /** Keeps a picture that belongs to an entry which is not written yet. Gives its id. */
  async keepDraft(bytes: ArrayBuffer): Promise<string> {
    const id = newId();
    await this.keep({ id, bytes, state: 'draft', at: this.now() });
    return id;
  }

  /** Their entries are written: they go up from now on. */
  async written(ids: readonly string[]): Promise<void> {
    for (const id of ids) {
      const found = await this.find(id);
      if (found?.state === 'draft') await this.keep({ ...found, state: 'waiting' });
    }
    await this.look();
    void this.send();
  }

  /** Pictures whose entries were taken back at once, or that were taken out of a form. Those the server has stay there. */
  async drop(ids: readonly string[]): Promise<void> {
    ids.forEach((id) => this.held.delete(id));
    await this.device.dropPictures(ids).catch(() => undefined);
    await this.look();
  }

  /** One the server did not take goes up once more. */
  async sendAgain(id: string): Promise<void> {
    const found = await this.find(id);
    if (!found) return;
    const { refused: _refused, ...picture } = found;
    await this.keep(picture);
    void this.send();
  }

  /** Sends what waits, until all is sent or the server does not answer; then tries again later. */
  send(): Promise<void> {
    return this.sending.run();
  }

  /** The server was away and is back. */
  again(): Promise<void> {
    this.failures = 0;
    return this.send();
  }

  private later(): void {
    this.failures += 1;
    clearTimeout(this.timer);
    this.timer = setTimeout(
      () => void this.send(),
      Math.min(LONGEST_RETRY, RETRY * 2 ** Math.min(10, this.failures - 1)),
    );
  }

  close(): void {
    clearTimeout(this.timer);
  }

  private async sendOnce(): Promise<void> {
    clearTimeout(this.timer);
    await this.look();
    const going = this.state.waiting.filter(({ refused }) => refused === undefined);
    if (going.length === 0) return;
    try {
      if (!(await this.ours())) return;
      await alone(LOCK, async () => {
        for (const { id } of going) await this.sendPicture(id);
      });
      this.failures = 0;
    } catch {
      this.later();
    }
    await this.look();
  }

  private async sendPicture(id: string): Promise<void> {
    const found = await this.find(id);
    // Another page may have sent it while this one waited for its turn.
    if (found?.state !== 'waiting') return;
    try {
      await call('PUT', `/api/pictures/${id}`, new Blob([found.bytes], { type: PICTURE.type }));
      this.held.delete(id);
      // Where there is no room to keep it the server has it.
      await this.device.keepPicture({ ...found, state: 'sent' }).catch(() => undefined);
    } catch (error) {
      if (!(error instanceof Refused) || !REFUSES.has(error.problem.status)) throw error;
      await this.keep({ ...found, refused: whyFailed(error) });
    }
  }

  /**
   * Where a picture can be shown from: this device, else the server, which it is kept from then on.
   * It throws where neither has it.
   */
  urlOf(id: string): Promise<string> {
    const known = this.urls.get(id);
    if (known) return known;
    const url = this.blobOf(id).then((blob) => URL.createObjectURL(blob));
    this.urls.set(id, url);
    // What is not to be had now may be later.
    url.catch(() => this.urls.delete(id));
    return url;
  }

  /** The file of a picture. It throws where neither this device nor the server has it. */
  async blobOf(id: string): Promise<Blob> {
    const found = await this.find(id);
    if (found) return new Blob([found.bytes], { type: PICTURE.type });
    const blob = await fileOf(`/api/pictures/${id}`);
    const bytes = await blob.arrayBuffer();
    void this.device.keepPicture({ id, bytes, state: 'sent', at: this.now() }).catch(() => undefined);
    return blob;
  }
}

/** The pictures of this page. */
export const pictures = new Pictures();

/** The pictures that wait on this device. */
export const usePicturesHere = (): PicturesState =>
  useSyncExternalStore(pictures.subscribe, pictures.current, pictures.current);
