import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { applyGesture, type Command } from '../../core/edit';
import type { Diagram } from '../../core/model';
import { diagramFromParents } from '../../core/testing/arbitrary';
import type { Unsent } from './outbox';
import { Sync, type SaveState, type Visitor } from './sync';

/** A server in memory by the rules of src/server/edits.ts; `down` refuses connections, `mute` loses the answer after the work is done. */
class Memory {
  diagram: Diagram;
  log: { revision: number; id: string; commands: readonly Command[] }[] = [];
  down = false;
  mute = false;
  requests = 0;

  constructor(readonly first: Diagram) {
    this.diagram = first;
  }

  answer(path: string, body: { base: number; gestures: { id: string; commands: Command[] }[] } | null): unknown {
    this.requests++;
    if (this.down) throw new TypeError('refused');
    const since = body ? body.base : Number(new URL(path, 'http://x').searchParams.get('since'));
    const refused: { id: string; reason: string }[] = [];
    for (const gesture of body?.gestures ?? []) {
      if (this.log.some((edit) => edit.id === gesture.id)) continue;
      const outcome = applyGesture(this.diagram, gesture.commands);
      if (!outcome.ok) {
        refused.push({ id: gesture.id, reason: outcome.reason });
        continue;
      }
      this.diagram = outcome.diagram;
      this.log.push({ revision: this.log.length + 1, ...gesture });
    }
    if (this.mute) {
      this.mute = false;
      throw new TypeError('the answer was lost');
    }
    return { revision: this.log.length, edits: this.log.filter((edit) => edit.revision > since), refused };
  }
}

class Window {
  diagram: Diagram;
  kept: readonly Unsent[];
  saves: SaveState[] = [];
  told: string[] = [];
  others: readonly Visitor[] = [];
  readonly sync: Sync;
  private n = 0;

  constructor(server: Memory, name: string, left: readonly Unsent[] = []) {
    this.diagram = server.first;
    this.kept = left;
    const outbox = {
      takeOver: () => Promise.resolve([...left]),
      keep: (unsent: readonly Unsent[]) => {
        this.kept = unsent;
        return Promise.resolve();
      },
    };
    const events = {
      changed: (diagram: Diagram) => void (this.diagram = diagram),
      saving: (state: SaveState) => void this.saves.push(state),
      refused: (reasons: readonly string[]) => void this.told.push(...reasons),
      here: (visitors: readonly Visitor[]) => void (this.others = visitors),
    };
    this.sync = new Sync('d', server.first, 0, events, outbox);
    this.name = name;
  }
  private readonly name: string;

  do(command: Command, merge: string | null = null): void {
    const outcome = applyGesture(this.diagram, [command]);
    if (!outcome.ok) throw new Error(outcome.reason);
    this.diagram = outcome.diagram;
    this.sync.add(`${this.name}-${this.n++}`, [command], merge);
  }
}

const rename = (id: string, name: string): Command => ({ kind: 'rename', id, name });
type Hearing = (event: { data: string }) => void;
let feeds: { onmessage: Hearing | null; onerror: (() => void) | null; named: Map<string, Hearing> }[] = [];

describe('keeping in step with the server', () => {
  let server: Memory;
  beforeEach(() => {
    vi.useFakeTimers();
    server = new Memory(diagramFromParents([-1, 0, 0, 1]));
    feeds = [];
    vi.stubGlobal('fetch', (path: string, init?: { body?: string }) => {
      try {
        const body = init?.body ? (JSON.parse(init.body) as Parameters<Memory['answer']>[1]) : null;
        const answer = JSON.stringify(server.answer(path, body));
        return Promise.resolve(new Response(answer, { status: 200 }));
      } catch (error) {
        return Promise.reject(error as Error);
      }
    });
    vi.stubGlobal(
      'EventSource',
      class {
        static readonly CLOSED = 2;
        readyState = 1;
        onmessage = null;
        onerror = null;
        readonly named = new Map<string, Hearing>();
        constructor() {
          feeds.push(this);
        }
        addEventListener(name: string, hearing: Hearing) {
          this.named.set(name, hearing);
        }
        close() {
          this.readyState = 2;
        }
      },
    );
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  const settle = () => vi.advanceTimersByTimeAsync(20_000);
  const announce = () => feeds.forEach((feed) => feed.onmessage?.({ data: String(server.log.length) }));

  it('who else is here is told while the line stands, and nobody once it breaks', async () => {
    const window = new Window(server, 'a');
    await window.sync.begin();
    feeds[0]!.named.get('here')!({ data: JSON.stringify([{ name: 'Bo Lin', own: false }]) });
    expect(window.others).toEqual([{ name: 'Bo Lin', own: false }]);
    feeds[0]!.onerror!();
    expect(window.others).toEqual([]);
  });
  it('what is done arrives after a pause, and the outbox is empty then', async () => {
    const window = new Window(server, 'a');
    await window.sync.begin();
    window.do(rename('e1', 'One'));
    expect(window.kept).toHaveLength(1);
    expect(server.requests).toBe(0);
    await settle();
    expect(server.diagram.entries.e1!.name).toBe('One');
    expect(window.kept).toEqual([]);
    expect(window.saves.at(-1)!.state).toBe('kept');
  });
  it('typing in one name travels as one gesture', async () => {
    const window = new Window(server, 'a');
    await window.sync.begin();
    for (const name of ['A', 'Ad', 'Ada']) window.do(rename('e1', name), 'cell');
    await settle();
    expect(server.log).toHaveLength(1);
    expect(server.diagram.entries.e1!.name).toBe('Ada');
  });
  it('without a connection work is kept and sent when the server is back', async () => {
    const window = new Window(server, 'a');
    await window.sync.begin();
    server.down = true;
    window.do(rename('e1', 'Kept'));
    window.do(rename('e2', 'Too'));
    await settle();
    expect(window.saves.at(-1)!.state).toBe('waiting');
    expect(window.kept).toHaveLength(2);
    await expect(window.sync.flush()).rejects.toThrow('cannot be reached');
    server.down = false;
    await settle();
    expect([server.diagram.entries.e1!.name, server.diagram.entries.e2!.name]).toEqual(['Kept', 'Too']);
    expect(window.kept).toEqual([]);
  });
  it('a lost answer does not do the work twice', async () => {
    const window = new Window(server, 'a');
    await window.sync.begin();
    server.mute = true;
    window.do({
      kind: 'addEntries',
      entries: [{ ...server.first.entries.e1!, id: 'n' }],
      links: [],
      branches: {},
      only: {},
    });
    await settle();
    expect(server.log).toHaveLength(1);
    expect(window.told).toEqual([]);
    expect(window.diagram).toEqual(server.diagram);
  });
  it('what a closed window left unsent is taken over and sent', async () => {
    const window = new Window(server, 'b', [{ id: 'left-1', commands: [rename('e3', 'Left behind')] }]);
    expect((await window.sync.begin()).entries.e3!.name).toBe('Left behind');
    await settle();
    expect(server.diagram.entries.e3!.name).toBe('Left behind');
  });
  it('two windows come to the same diagram, whatever they do at the same time', async () => {
    const [a, b] = [new Window(server, 'a'), new Window(server, 'b')];
    await Promise.all([a.sync.begin(), b.sync.begin()]);
    a.do(rename('e1', 'By a'));
    b.do(rename('e1', 'By b'));
    b.do({ kind: 'moveBranch', id: 'e3', parent: 'e2', order: 'V' });
    a.do(rename('e3', 'Also by a'));
    await settle();
    announce();
    await settle();
    expect(a.diagram).toEqual(server.diagram);
    expect(b.diagram).toEqual(server.diagram);
    expect(server.diagram.entries.e3).toMatchObject({ name: 'Also by a', parent: 'e2' });
  });
  it('what others made impossible is told with its reason, the rest is kept', async () => {
    const [a, b] = [new Window(server, 'a'), new Window(server, 'b')];
    await Promise.all([a.sync.begin(), b.sync.begin()]);
    a.do({ kind: 'removeEntries', ids: ['e3'] });
    await a.sync.flush();
    b.do(rename('e3', 'Too late'));
    b.do(rename('e2', 'In time'));
    await settle();
    expect(b.told).toEqual(['The entry to rename is no longer in the list.']);
    expect(b.diagram).toEqual(server.diagram);
    expect(b.diagram.entries.e2!.name).toBe('In time');
    expect(b.diagram.entries.e3).toBeUndefined();
  });
});
