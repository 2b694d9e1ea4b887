/** @jest-environment jsdom */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { pictureOf, keepLastSeen } from './lastSeen';

const DRAWS = readFileSync(path.join(__dirname, '../../public/last-seen.js'), 'utf8');

const PAGE = `<div><h1>Jobs</h1><button>New job</button><input>
  <a href="/jobs/1"><b>Gull Cottage</b></a><a href="/jobs/2">The long barn</a><nav><a href="/kit">Kit</a></nav></div>`;

/** A page with something in it, as it stands before its scripts run. */
function page(inside: string): HTMLElement {
  document.documentElement.dataset['theme'] = 'light';
  document.head.innerHTML = '<link rel="stylesheet" href="/one.css">';
  document.body.innerHTML = `<div id="root">${inside}</div>`;
  return document.getElementById('root') as HTMLElement;
}

/** Runs what draws the picture, as the browser does where it stands in the page. */
const draw = (): void => void window.eval(DRAWS);

/** The application reads the address it begins at. */
const begins = () => dispatchEvent(new Event('fine-spray-begins'));

const tap = (element: Element | null) => {
  const event = new MouseEvent('click', { bubbles: true, cancelable: true });
  element?.dispatchEvent(event);
  return event;
};

/** The application draws, in place of what stands there; then all that waits has had its turn. */
async function applicationDraws(root: HTMLElement, inside: string): Promise<void> {
  root.innerHTML = inside;
  await new Promise((resolve) => setTimeout(resolve));
  dispatchEvent(new Event('fine-spray-stands'));
  await new Promise((resolve) => setTimeout(resolve, 5));
}

beforeEach(() => {
  localStorage.clear();
  history.replaceState(null, '', '/');
});
afterEach(() => jest.restoreAllMocks());

describe('the picture of what was last seen', () => {
  it('is the page without what is there for the moment, and nothing can be typed into it', () => {
    const root = page(
      '<div><div data-testid="strip">3 waiting to send</div><p role="status">Stored</p><p>Jobs</p><input></div>',
    );
    expect(pictureOf(root)).toBe('<div><p>Jobs</p><input disabled=""></div>');
  });

  it('ends at the lower edge of the window', () => {
    const root = page(PAGE);
    jest.spyOn(root.querySelector('[href="/jobs/2"]') as Element, 'getBoundingClientRect').mockReturnValue({
      top: innerHeight + 1,
    } as DOMRect);
    expect(pictureOf(root)).toContain('Gull Cottage');
    expect(pictureOf(root)).not.toContain('The long barn');
  });

  it.each([
    ['a list that is coming', '<div aria-label="Loading" role="status"></div>'],
    ['an error', '<div role="alert">The jobs cannot be read now</div>'],
    ['a sheet', '<div role="dialog">Delete?</div>'],
  ])('is not taken of %s: the one before stays', (_what, inside) => {
    page(PAGE);
    keepLastSeen();
    const before = localStorage.getItem('fine-spray.last-seen');
    page(`<div>${inside}</div>`);
    keepLastSeen();
    expect(before).toContain('Gull Cottage');
    expect(localStorage.getItem('fine-spray.last-seen')).toBe(before);
  });
});

describe('the next start', () => {
  const EMPTY = '<div class="first-picture">Fine Spray</div>';
  /** The page of the next start, with what was kept of the one before drawn into it. */
  const nextStart = (): HTMLElement => {
    page(PAGE);
    keepLastSeen();
    const root = page(EMPTY);
    draw();
    return root;
  };

  it('begins with it, as it was', () => {
    const root = nextStart();
    expect(root.querySelector('[href="/jobs/1"]')?.textContent).toBe('Gull Cottage');
    expect(root.querySelector('.first-picture')).toBeNull();
    expect(document.head.firstElementChild?.textContent).toContain('@font-face');
  });

  it.each([
    ['another address', () => history.replaceState(null, '', '/kit')],
    ['other colours', () => (document.documentElement.dataset['theme'] = 'dark')],
    ['another program', () => document.querySelector('link')?.setAttribute('href', '/two.css')],
    ['another company', () => localStorage.setItem('fine-spray.company', 'another')],
    ['something that is not ours', () => localStorage.setItem('fine-spray.last-seen', '{"html":7')],
    ['nothing kept', () => localStorage.clear()],
  ])('is as the first one with %s', (_what, changes) => {
    page(PAGE);
    keepLastSeen();
    const root = page(EMPTY);
    changes();
    draw();
    expect(root.innerHTML).toBe(EMPTY);
  });

  it('takes a tap on a link, where the application then begins; the last one, and back leads to the list', async () => {
    page(PAGE);
    keepLastSeen();
    const root = page(EMPTY);
    const before = history.length;
    draw();
    for (const wanted of ['[href="/kit"]', '[href="/jobs/1"] b'])
      expect(tap(root.querySelector(wanted)).defaultPrevented).toBe(true);
    expect([...root.querySelectorAll('[data-tapped]')].map((one) => one.getAttribute('href'))).toEqual([
      '/jobs/1',
    ]);
    expect([location.pathname, history.length]).toEqual(['/jobs/1', before + 1]);
    const clicked = jest.fn();
    root.addEventListener('click', clicked);
    begins();
    await applicationDraws(root, '<div><a href="/jobs/1"><b>Gull Cottage</b></a></div>');
    expect(clicked).not.toHaveBeenCalled();
  });

  it('sends nobody there again who comes back to the list', async () => {
    const root = nextStart();
    tap(root.querySelector('[href="/jobs/1"]'));
    const clicked = jest.fn();
    root.addEventListener('click', clicked);
    begins();
    await applicationDraws(root, '<div><h1>Gull Cottage</h1></div>');
    history.replaceState(null, '', '/');
    dispatchEvent(new PopStateEvent('popstate'));
    await applicationDraws(root, PAGE);
    expect(clicked).not.toHaveBeenCalled();
  });

  it('keeps nobody on the way who goes back while the application begins', async () => {
    const root = nextStart();
    begins();
    tap(root.querySelector('[href="/jobs/1"]'));
    dispatchEvent(new PopStateEvent('popstate'));
    const clicked = jest.fn();
    root.addEventListener('click', clicked);
    await applicationDraws(root, PAGE);
    expect(clicked).not.toHaveBeenCalled();
  });

  it('takes a tap while the application begins, and gives it that once it has what was tapped', async () => {
    const root = nextStart();
    begins();
    const event = tap(root.querySelector('[href="/jobs/1"] b'));
    expect(event.defaultPrevented).toBe(true);
    expect(root.querySelector('[data-tapped]')?.getAttribute('href')).toBe('/jobs/1');

    const clicked: (string | null)[] = [];
    root.addEventListener('click', (click) => {
      click.preventDefault();
      clicked.push((click.target as Element).getAttribute('href'));
    });
    await applicationDraws(root, '<div><div role="status" aria-label="Loading"></div></div>');
    expect(clicked).toEqual([]);
    await applicationDraws(root, PAGE);
    expect(clicked).toEqual(['/jobs/1']);
    // Once, however often it draws; and a tap is its own again.
    await applicationDraws(root, PAGE);
    expect(clicked).toEqual(['/jobs/1']);
    expect(document.head.querySelector('style')).toBeNull();
    tap(root.querySelector('button'));
    expect(root.querySelector('[data-tapped]')).toBeNull();
  });

  it('of two taps goes by the last', async () => {
    const root = nextStart();
    begins();
    tap(root.querySelector('[href="/jobs/1"]'));
    tap(root.querySelector('button'));
    const clicked: string[] = [];
    root.addEventListener('click', (click) => clicked.push((click.target as Element).tagName));
    await applicationDraws(root, PAGE);
    expect(clicked).toEqual(['BUTTON']);
  });

  it('of a link and then a button presses the button, at the address the page has', async () => {
    const root = nextStart();
    tap(root.querySelector('[href="/jobs/1"]'));
    tap(root.querySelector('button'));
    expect(location.pathname).toBe('/');
    const clicked: string[] = [];
    root.addEventListener('click', (click) => clicked.push((click.target as Element).tagName));
    begins();
    await applicationDraws(root, PAGE);
    expect(clicked).toEqual(['BUTTON']);
  });

  it('does nothing for a tap on what is no longer there', async () => {
    const root = nextStart();
    begins();
    tap(root.querySelector('[href="/jobs/1"]'));
    const clicked = jest.fn();
    root.addEventListener('click', clicked);
    await applicationDraws(root, '<div><a href="/jobs/2">The long barn</a></div>');
    expect(clicked).not.toHaveBeenCalled();
  });
});
