import { networkInterfaces } from 'node:os';
import type { RequestHandler } from 'express';
import { ProblemError } from './problems';

/** Where the server is reached. */
export interface Door {
  /** The address it listens on. */
  readonly host: string;
  /** The origin people use, where that is another: "https://spray.example.org". */
  readonly publicUrl?: string | undefined;
}

/** Names of this machine that nobody else can point elsewhere. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

const bracketed = (address: string) => (address.includes(':') ? `[${address.split('%')[0] ?? ''}]` : address);

/** Names and addresses a request may be for. */
function allowedNames({ host, publicUrl }: Door): ReadonlySet<string> {
  const everywhere = host === '0.0.0.0' || host === '::';
  const own = everywhere
    ? Object.values(networkInterfaces()).flatMap((all) =>
        (all ?? []).map(({ address }) => bracketed(address)),
      )
    : [bracketed(host)];
  return new Set([...LOOPBACK, ...own, ...(publicUrl === undefined ? [] : [new URL(publicUrl).hostname])]);
}

/** The name in a Host header, without its port. */
const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Lets in only what was meant for this server: a name that somebody else has pointed at it (DNS rebinding) gets nothing, and
 * neither does a page of another origin.
 */
export function door(at: Door): RequestHandler {
  const names = allowedNames(at);
  return (request, _response, next) => {
    const host = request.headers.host ?? '';
    if (!names.has(nameOf(host)))
      throw new ProblemError(
        'wrong-host',
        'This server is not known by that name. Whoever looks after it can set PUBLIC_URL to it.',
      );
    if (request.path.startsWith('/api/') && !isOwn(request.headers, request.method, host, at.publicUrl))
      throw new ProblemError('wrong-origin', 'A page of another address cannot use this server.');
    next();
  };
}

/** Whether a request comes from a page of ours, from no page at all, or is somebody opening an address. */
function isOwn(
  headers: Readonly<Record<string, string | string[] | undefined>>,
  method: string,
  host: string,
  publicUrl: string | undefined,
): boolean {
  const { origin } = headers;
  if (typeof origin === 'string') {
    if (origin === publicUrl) return true;
    return URL.canParse(origin) && new URL(origin).host === host.toLowerCase();
  }
  const site = headers['sec-fetch-site'];
  if (site === undefined || site === 'same-origin' || site === 'none') return true;
  return method === 'GET' && headers['sec-fetch-mode'] === 'navigate';
}
