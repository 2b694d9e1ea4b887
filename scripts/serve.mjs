/**
 * The server as a process of its own, started by scripts/start.mjs: so that it need not be who started it, and can be started
 * again when it ends. It is told what to do and says what it does through the channel to its parent, and ends with it.
 */
let serving;
let asked = 0;
const waiting = new Map();

/** Asks the parent to do something it alone can do. */
const ask = (what) =>
  new Promise((resolve, reject) => {
    asked += 1;
    waiting.set(asked, { resolve, reject });
    process.send({ kind: 'do', what, id: asked });
  });

async function begin(options) {
  const { serve, NotForUs } = await import('../server/dist/index.js');
  try {
    serving = await serve({
      ...options,
      beforeMigration: () => ask('back up'),
      say: (line) => process.send({ kind: 'say', line }),
    });
    process.send({ kind: 'ready', address: serving.address, user: process.getuid?.() });
  } catch (error) {
    const said = error.errors?.[0]?.message ?? error.message;
    process.send({
      kind: 'failed',
      code: error.code,
      message: said || error.code,
      plain: error instanceof NotForUs,
      stack: error.stack,
    });
  }
}

async function end() {
  await serving?.stop();
  process.disconnect();
  process.exit(0);
}

process.on('message', (message) => {
  if (message.kind === 'serve') void begin(message.options);
  if (message.kind === 'stop') void end();
  if (message.kind === 'done') {
    const { resolve, reject } = waiting.get(message.id) ?? {};
    waiting.delete(message.id);
    if (message.failed === undefined) resolve?.();
    else reject?.(new Error(message.failed));
  }
});
// Without its parent nobody could stop it.
process.on('disconnect', () => process.exit(1));
// Ctrl-C goes to the whole group: the parent says when.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => undefined);
