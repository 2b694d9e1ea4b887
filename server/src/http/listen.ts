import { once } from 'node:events';
import { createServer, type RequestListener, type Server } from 'node:http';

/** How long a client may take, ms: for the head of a request, and for all of it. */
export interface Patience {
  readonly head: number;
  readonly request: number;
}
/** Four megabytes over a poor mobile line take a minute. */
const PATIENCE: Patience = { head: 10_000, request: 90_000 };
/**
 * How long an idle connection is kept, ms: longer than clients and proxies before it keep theirs (a minute is usual),
 * so that it is never closed under a request that is just being sent on it.
 */
const IDLE = 75_000;

/** Listens on an address. A client that sends its request too slowly is answered 408 and cut off, so that it holds nothing. */
export async function listenOn(
  app: RequestListener,
  port: number,
  host: string,
  { head, request }: Patience = PATIENCE,
): Promise<Server> {
  const server = createServer(
    {
      headersTimeout: head,
      requestTimeout: request,
      keepAliveTimeout: IDLE,
      connectionsCheckingInterval: Math.min(5000, head),
    },
    app,
  );
  server.listen(port, host);
  await once(server, 'listening');
  return server;
}
