import { isIP } from 'node:net';
import { stop } from './say.mjs';

const DEFAULT_PORT = 4380;
const LOOPBACK = new Set(['127.0.0.1', '::1', 'localhost']);

function portWanted(text = String(DEFAULT_PORT)) {
  const port = Number(text);
  if (!/^\d+$/.test(text) || port < 1 || port > 65535)
    stop(`PORT must be a number from 1 to 65535; it is "${text}".`);
  return port;
}

function hostWanted(text = '127.0.0.1') {
  if (isIP(text) === 0 && text !== 'localhost')
    stop(
      `HOST must be an address of this machine, such as 127.0.0.1 or 0.0.0.0 for all of them; it is "${text}".`,
    );
  return text;
}

/** The origin that people use, where it is not the address of this machine. */
function publicUrlWanted(text) {
  if (!text) return undefined;
  const url = URL.canParse(text) ? new URL(text) : undefined;
  if (!url || !['http:', 'https:'].includes(url.protocol) || url.pathname !== '/' || url.search || url.hash)
    stop(`PUBLIC_URL must be an address without a path, such as https://spray.example.org; it is "${text}".`);
  return url.origin;
}

/** How many proxies of one's own stand before the server: so many of the addresses they name are believed. */
function proxiesWanted(text = '0') {
  if (!/^[0-9]$/.test(text))
    stop(`TRUST_PROXY must be the number of proxies of your own before Fine Spray, 0 to 9; it is "${text}".`);
  return Number(text);
}

/** Whether people sign in: they need not where only this machine reaches the server. */
function signInWanted(text, host) {
  if (text !== undefined && text !== '' && !['on', 'off'].includes(text))
    stop(`SIGN_IN must be "on" or "off"; it is "${text}".`);
  const local = LOOPBACK.has(host);
  const signIn = text === 'on';
  if (!local && !signIn)
    stop(
      `HOST=${host} lets other machines reach Fine Spray, and without sign-in anyone on them could read and change everything. Set SIGN_IN=on (and PUBLIC_URL to the address they use), or leave HOST out.`,
    );
  return signIn;
}

/** Settings of the start command, from its environment; one that cannot be is a sentence. */
export function settingsFrom(env) {
  const host = hostWanted(env.HOST || undefined);
  return {
    port: portWanted(env.PORT || undefined),
    host,
    publicUrl: publicUrlWanted(env.PUBLIC_URL),
    proxies: proxiesWanted(env.TRUST_PROXY || undefined),
    signIn: signInWanted(env.SIGN_IN, host),
  };
}

/** Whether an address is this machine's own, which no other reaches. */
export const isLoopback = (host) => LOOPBACK.has(host);
