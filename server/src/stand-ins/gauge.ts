import { SINGLE_OPERATIONS, gaugeOrder, gaugeQuery, gaugeStandIn } from '@fine-spray/contract';
import { GAUGE_RATE, gaugeAt } from '@fine-spray/core';
import { Router } from 'express';
import { ProblemError } from '../http/problems';

/** Readings after which a stream ends: the client opens another. No stream runs on for a tab that was forgotten. */
export const STREAM_READINGS = GAUGE_RATE * 60 * 15;

/** The simulated gauge at pump and gun as server-sent events; the stream ends when the client leaves. */
export function gaugeRoutes(): Router {
  const router = Router();
  const { path, file } = SINGLE_OPERATIONS.getGauge;
  router.get(path, (request, response) => {
    const order = gaugeOrder(gaugeStandIn.parse(gaugeQuery.parse(request.query).order));
    if (!order.ok) {
      const { field, message, code } = order;
      throw new ProblemError('bad-body', message, [{ field, message, code }]);
    }
    // Not to be held back by compression or a proxy: a reading is worth nothing later.
    response.writeHead(200, {
      'Content-Type': file,
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    });
    let tick = 0;
    const send = () => {
      response.write(`event: reading\nid: ${tick}\ndata: ${JSON.stringify(gaugeAt(order.value, tick))}\n\n`);
      tick += 1;
      if (tick >= STREAM_READINGS) response.end();
    };
    send();
    const timer = setInterval(send, 1000 / GAUGE_RATE);
    response.once('close', () => clearInterval(timer));
  });
  return router;
}
