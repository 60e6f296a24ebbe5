import { LiveHub, type WindowMessage } from './live-hub';

/** Shared by all windows of a browser. A window that was not heard of for this long is gone (its timers run at least once a minute). */
const silentMs = 150_000;

const hub = new LiveHub();
const heard = new Map<MessagePort, number>();

(self as unknown as { onconnect: (event: MessageEvent) => void }).onconnect = ({ ports: [port] }) => {
  if (!port) return;
  const leave = () => {
    heard.delete(port);
    hub.remove(port);
  };
  port.onmessage = ({ data }: MessageEvent<WindowMessage>) => {
    heard.set(port, Date.now());
    if (data.kind === 'gone') leave();
    if (data.kind !== 'watch') return;
    hub.add(port, { diagram: data.diagram, window: data.window, tell: (message) => port.postMessage(message) });
  };
};

setInterval(() => {
  for (const [port, at] of heard) {
    if (Date.now() - at < silentMs) continue;
    heard.delete(port);
    hub.remove(port);
  }
}, silentMs / 5);
