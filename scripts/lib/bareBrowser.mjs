/**
 * A browser profile whose pages are driven by the bare protocol. Playwright's own pages collect a call stack for each request
 * and timer: on a slowed processor that alone is half a second of a start.
 * @param browser one that Playwright launched
 */
export async function bareProfile(browser) {
  const root = await browser.newBrowserCDPSession();
  const { browserContextId } = await root.send('Target.createBrowserContext');

  /** A page at phone size: `send` gives what the browser answers to a command. */
  async function open() {
    const { targetId } = await root.send('Target.createTarget', { url: 'about:blank', browserContextId });
    const { sessionId } = await root.send('Target.attachToTarget', { targetId, flatten: false });
    const asked = new Map();
    const hear = ({ sessionId: from, message }) => {
      if (from !== sessionId) return;
      const { id, result, error } = JSON.parse(message);
      const answer = asked.get(id);
      asked.delete(id);
      if (error) answer?.reject(new Error(error.message));
      else answer?.resolve(result);
    };
    root.on('Target.receivedMessageFromTarget', hear);
    let last = 0;
    const send = (method, params = {}) =>
      new Promise((resolve, reject) => {
        last += 1;
        asked.set(last, { resolve, reject });
        const message = JSON.stringify({ id: last, method, params });
        root.send('Target.sendMessageToTarget', { sessionId, message }).catch(reject);
      });
    await send('Emulation.setDeviceMetricsOverride', {
      width: 390,
      height: 844,
      deviceScaleFactor: 1,
      mobile: false,
    });
    await send('Page.enable');
    return {
      send,
      evaluate: async (expression) => {
        const { result } = await send('Runtime.evaluate', { expression, returnByValue: true });
        return result.value;
      },
      close: async () => {
        root.off('Target.receivedMessageFromTarget', hear);
        await root.send('Target.closeTarget', { targetId });
      },
    };
  }

  return { open, close: () => root.send('Target.disposeBrowserContext', { browserContextId }) };
}
