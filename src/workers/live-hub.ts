/** What a window hears of its diagram. */
export type LiveMessage =
  | { readonly kind: 'revision'; readonly revision: number }
  | { readonly kind: 'here'; readonly visitors: readonly { readonly name: string; readonly own: boolean }[] }
  | { readonly kind: 'line'; readonly open: boolean };

/** What a window says of itself. */
export type WindowMessage =
  | { readonly kind: 'watch'; readonly diagram: string; readonly window: string }
  | { readonly kind: 'still here' }
  | { readonly kind: 'gone' };

interface Watcher {
  readonly diagram: string;
  readonly window: string;
  readonly tell: (message: LiveMessage) => void;
}

const firstWaitMs = 1000;
const longestWaitMs = 20_000;
/** Windows that open or close together change the stream once. */
const togetherMs = 60;

/** One stream of server-sent events for all windows of a browser. It is opened anew when the windows change and, with growing waits, when it breaks. */
export class LiveHub {
  private readonly watchers = new Map<object, Watcher>();
  private source: EventSource | null = null;
  private shown = '';
  private timer: ReturnType<typeof setTimeout> | null = null;
  private waitMs = firstWaitMs;

  add(key: object, watcher: Watcher): void {
    this.watchers.set(key, watcher);
    this.later(togetherMs);
  }

  remove(key: object): void {
    if (this.watchers.delete(key)) this.later(togetherMs);
  }

  private later(ms: number): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => this.open(), ms);
  }

  private open(): void {
    this.timer = null;
    const at = [...this.watchers.values()]
      .map(({ diagram, window }) => `${diagram}~${window}`)
      .sort()
      .join(',');
    if (at === this.shown && this.source && this.source.readyState !== EventSource.CLOSED) return;
    this.source?.close();
    this.source = null;
    this.shown = at;
    if (at === '') return;
    const source = new EventSource(`/api/feed?at=${encodeURIComponent(at)}`);
    this.source = source;
    source.onopen = () => {
      this.waitMs = firstWaitMs;
      this.tellAll({ kind: 'line', open: true });
    };
    source.onmessage = (event: MessageEvent<string>) => {
      const { id, revision } = JSON.parse(event.data) as { id: string; revision: number };
      for (const watcher of this.watchers.values())
        if (watcher.diagram === id) watcher.tell({ kind: 'revision', revision });
    };
    source.addEventListener('here', (event: MessageEvent<string>) => {
      const { window, visitors } = JSON.parse(event.data) as {
        window: string;
        visitors: { name: string; own: boolean }[];
      };
      for (const watcher of this.watchers.values())
        if (watcher.window === window) watcher.tell({ kind: 'here', visitors });
    });
    source.onerror = () => {
      if (this.source !== source) return;
      this.tellAll({ kind: 'line', open: false });
      // A browser goes on by itself where the line broke, and gives up where it was refused.
      if (source.readyState !== EventSource.CLOSED) return;
      this.later(this.waitMs);
      this.waitMs = Math.min(longestWaitMs, this.waitMs * 2);
    };
  }

  private tellAll(message: LiveMessage): void {
    for (const watcher of this.watchers.values()) watcher.tell(message);
  }
}
