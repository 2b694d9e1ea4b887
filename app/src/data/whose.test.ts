import { playStorage } from '@/testing/deviceStorage';
import { call } from './api';
import { forgetWhose, isOf, onAnotherCompany, storeName, surelyOurs } from './whose';

const original = globalThis.fetch;
let kept: Map<string, string>;
const opened = jest.fn();
beforeEach(() => {
  kept = playStorage();
  forgetWhose();
  opened.mockReset();
  onAnotherCompany(opened);
});
afterEach(() => {
  globalThis.fetch = original;
});

/** A server that says of which company this device is. */
function serverOf(id: string | undefined): void {
  globalThis.fetch = (() =>
    id === undefined
      ? Promise.reject(new Error('away'))
      : Promise.resolve({
          ok: true,
          status: 200,
          json: () => Promise.resolve({ company: { id } }),
        })) as unknown as typeof fetch;
}

describe('the stores of a device', () => {
  it('are those without a name for its first company, and others for each other', async () => {
    expect(storeName('fine-spray')).toBe('fine-spray');
    serverOf('ours');
    expect(await surelyOurs()).toBe(true);
    expect(storeName('fine-spray')).toBe('fine-spray');
    // Signed in to another: the page is opened anew, and this one sends nothing any more.
    expect(isOf('theirs')).toBe(false);
    expect(opened).toHaveBeenCalledTimes(1);
    expect(storeName('fine-spray')).toBe('fine-spray.theirs');
    forgetWhose();
    serverOf('theirs');
    expect(await surelyOurs()).toBe(true);
    // And back.
    expect(isOf('ours')).toBe(false);
    forgetWhose();
    expect(storeName('fine-spray')).toBe('fine-spray');
  });

  it('that an older version left are of the company it noted', () => {
    kept.set('fine-spray.kept.log-of', '"ours"');
    expect(isOf('theirs')).toBe(false);
    expect(storeName('fine-spray')).toBe('fine-spray.theirs');
  });

  it('are not known to be ours while the server is away: asked again', async () => {
    serverOf(undefined);
    await expect(surelyOurs()).rejects.toThrow(/does not answer/);
    serverOf('ours');
    expect(await surelyOurs()).toBe(true);
  });
});

describe('a page whose company the server does not answer for any more', () => {
  it('says its company with each call, and opens anew with the one that answers', async () => {
    serverOf('ours');
    await surelyOurs();
    const asked: { path: string; company: string | undefined }[] = [];
    globalThis.fetch = ((path: string, how: { headers?: Record<string, string> } = {}) => {
      asked.push({ path, company: how.headers?.['Company'] });
      const other = path !== '/api/me';
      const body = other
        ? {
            type: 'urn:fine-spray:problem:other-company',
            ...{ title: 'x', status: 409, detail: 'Another company answers.', errors: [] },
          }
        : { company: { id: 'theirs' } };
      return Promise.resolve({ ok: !other, status: other ? 409 : 200, json: () => Promise.resolve(body) });
    }) as unknown as typeof fetch;
    await expect(call('GET', '/api/jobs')).rejects.toThrow('Another company answers.');
    await new Promise((done) => setTimeout(done, 0));
    expect(asked).toEqual([
      { path: '/api/jobs', company: 'ours' },
      { path: '/api/me', company: undefined },
    ]);
    expect(opened).toHaveBeenCalledTimes(1);
    expect(storeName('fine-spray')).toBe('fine-spray.theirs');
  });
});
