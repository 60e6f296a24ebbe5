import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { applyGesture, type Command, type Diagram } from '../../core/diagram';
import { commands as anyCommands, diagramFromParents } from '../../core/testing/arbitrary';
import { ApiError, type Ask } from '../shared/api';
import type { Live, LiveListener, Visitor } from '../shared/live';
import type { Unsent } from './outbox';
import { Sync, type Lost, type SaveState } from './sync';

type Sent = { base: number; gestures: { id: string; commands: Command[] }[] };
const pageSize = 3;

/** A server in memory by the rules of src/server/edits.ts, with small pages. */
class Memory {
  diagram: Diagram;
  log: { revision: number; id: string; commands: readonly Command[] }[] = [];
  refusals = new Map<string, string>();
  listeners = new Set<LiveListener>();
  requests = 0;
  /** Status codes with which the next requests that send something are refused, whatever they send. */
  answers: number[] = [];
  /** The status code with which every request that sends the name “Bad” is refused. */
  poison: number | null = null;

  constructor(readonly first: Diagram) {
    this.diagram = first;
  }

  get revision(): number {
    return this.log.length;
  }

  /** Announces only while somebody listens; an announcement may be lost. */
  announce(): void {
    for (const listener of this.listeners) listener.revision(this.revision);
  }

  answer(path: string, body: Sent | null): unknown {
    this.requests++;
    if (!path.includes('/edits')) return { diagram: this.diagram, revision: this.revision };
    const poisoned = this.poison !== null && JSON.stringify(body ?? '').includes('Bad') ? this.poison : undefined;
    const status = body ? (this.answers.shift() ?? poisoned) : undefined;
    if (status) throw new ApiError(`refused with ${status}`, status);
    const outcomes = (body?.gestures ?? []).map(({ id, commands }) => {
      const known = this.log.find((edit) => edit.id === id);
      if (known) return { id, revision: known.revision };
      const refused = this.refusals.get(id);
      if (refused !== undefined) return { id, refused };
      const outcome = applyGesture(this.diagram, commands);
      if (!outcome.ok) {
        this.refusals.set(id, outcome.reason);
        return { id, refused: outcome.reason };
      }
      this.diagram = outcome.diagram;
      this.log.push({ revision: this.log.length + 1, id, commands });
      return { id, revision: this.revision };
    });
    const since = body ? body.base : Number(new URL(path, 'http://x').searchParams.get('since'));
    const edits = this.log.filter((edit) => edit.revision > since).slice(0, pageSize);
    return { revision: this.revision, edits, outcomes, more: (edits.at(-1)?.revision ?? since) < this.revision };
  }
}

/** What happens to a request on its way. */
type Fate = 'arrives' | 'lost on the way' | 'answer lost' | 'late';

class Window {
  diagram: Diagram;
  kept: readonly Unsent[] = [];
  saves: SaveState[] = [];
  told: string[] = [];
  lost: Lost[] = [];
  refused: Lost[] = [];
  others: readonly Visitor[] = [];
  fates: Fate[] = [];
  listening: LiveListener | null = null;
  sync: Sync;

  constructor(
    readonly server: Memory,
    readonly name: string,
    left: readonly Unsent[] = [],
    from: { diagram: Diagram; revision: number } = { diagram: server.diagram, revision: server.revision },
  ) {
    this.diagram = from.diagram;
    this.kept = left;
    const ask: Ask = async <T>(path: string, init?: { body?: unknown }): Promise<T> => {
      const fate = this.fates.shift() ?? 'arrives';
      if (fate === 'lost on the way') throw new ApiError('The server cannot be reached just now.', null);
      const answer = JSON.parse(JSON.stringify(server.answer(path, (init?.body as Sent | undefined) ?? null))) as T;
      if (fate === 'answer lost') throw new ApiError('The answer of the server broke off.', null);
      if (fate === 'late') await new Promise((resolve) => setTimeout(resolve, 3000));
      return answer;
    };
    const live: Live = (_, listener) => {
      this.listening = listener;
      server.listeners.add(listener);
      return () => server.listeners.delete(listener);
    };
    const events = {
      changed: (diagram: Diagram) => void (this.diagram = diagram),
      saving: (state: SaveState) => void this.saves.push(state),
      refused: (what: readonly Lost[]) => {
        this.told.push(...what.map(({ reason }) => reason));
        this.refused.push(...what);
      },
      lost: (what: readonly Lost[]) => void this.lost.push(...what),
      here: (visitors: readonly Visitor[]) => void (this.others = visitors),
    };
    const outbox = {
      takeOver: () => Promise.resolve([...left]),
      keep: (unsent: readonly Unsent[]) => void (this.kept = unsent),
    };
    this.sync = new Sync('d', from.diagram, from.revision, events, outbox, ask, live);
  }

  async begin(): Promise<this> {
    this.diagram = await this.sync.begin();
    return this;
  }

  /** False where the command does not apply to what is shown. */
  do(command: Command, id: string, merge: string | null = null): boolean {
    const outcome = applyGesture(this.diagram, [command]);
    if (!outcome.ok) return false;
    this.diagram = outcome.diagram;
    this.sync.add(id, [command], { merge });
    return true;
  }
}

const rename = (id: string, name: string): Command => ({ kind: 'rename', id, name });
const addition = (id: string): Command => ({
  kind: 'addEntries',
  entries: [{ id, name: id, details: [], fields: {}, role: null, parent: null, order: 'z' }],
  links: [],
  branches: {},
  only: {},
});
let n = 0;
const newId = () => `gesture-${n++}`;
const settle = () => vi.advanceTimersByTimeAsync(120_000);

describe('keeping in step with the server', () => {
  let server: Memory;
  beforeEach(() => {
    vi.useFakeTimers();
    server = new Memory(diagramFromParents([-1, 0, 0, 1]));
  });
  afterEach(() => vi.useRealTimers());
  const open = (name: string, left: readonly Unsent[] = []) => new Window(server, name, left).begin();

  it('who else is here is told while the line stands, and nobody once it breaks', async () => {
    const window = await open('a');
    window.listening!.here([{ name: 'Bo Lin', own: false }]);
    expect(window.others).toEqual([{ name: 'Bo Lin', own: false }]);
    window.listening!.line(false);
    expect(window.others).toEqual([]);
  });
  it('what is done arrives after a pause, and the outbox is empty then', async () => {
    const window = await open('a');
    window.do(rename('e1', 'One'), newId());
    expect(window.kept).toHaveLength(1);
    expect(server.requests).toBe(0);
    await settle();
    expect(server.diagram.entries.e1!.name).toBe('One');
    expect(window.kept).toEqual([]);
    expect(window.saves.at(-1)!.state).toBe('kept');
  });
  it('typing in one name travels as one gesture', async () => {
    const window = await open('a');
    for (const name of ['A', 'Ad', 'Ada']) window.do(rename('e1', name), newId(), 'cell');
    await settle();
    expect(server.log).toHaveLength(1);
    expect(server.diagram.entries.e1!.name).toBe('Ada');
  });
  it('without a connection work is kept and sent when the server is back', async () => {
    const window = await open('a');
    window.fates = Array<Fate>(40).fill('lost on the way');
    window.do(rename('e1', 'Kept'), newId());
    window.do(rename('e2', 'Too'), newId());
    await vi.advanceTimersByTimeAsync(2000);
    expect(window.saves.at(-1)!.state).toBe('waiting');
    expect(window.kept).toHaveLength(2);
    const flushed = expect(window.sync.flush()).rejects.toThrow('cannot be reached');
    await vi.advanceTimersByTimeAsync(2000);
    await flushed;
    window.fates = [];
    await settle();
    expect([server.diagram.entries.e1!.name, server.diagram.entries.e2!.name]).toEqual(['Kept', 'Too']);
    expect(window.saves.at(-1)!.state).toBe('kept');
  });
  it('a server that is away is asked less and less often', async () => {
    const window = await open('a');
    window.fates = Array<Fate>(1000).fill('lost on the way');
    window.do(rename('e1', 'x'), newId());
    await vi.advanceTimersByTimeAsync(600_000);
    expect(1000 - window.fates.length).toBeLessThan(70);
  });
  it('reloaded between commit and answer: what the fetched diagram has already is neither done twice nor sent for ever', async () => {
    const first = await open('a');
    first.fates = ['answer lost'];
    first.do(addition('n'), newId());
    await vi.advanceTimersByTimeAsync(400);
    first.sync.end();
    expect(server.log).toHaveLength(1);
    const second = await open('a', first.kept);
    await settle();
    expect(server.log).toHaveLength(1);
    expect(second.kept).toEqual([]);
    expect(second.saves.at(-1)!.state).toBe('kept');
    expect(second.told).toEqual([]);
    expect(second.diagram).toEqual(server.diagram);
    expect(server.requests).toBeLessThan(10);
  });
  it('an edit of another that comes while one’s own answer is on its way is not missed', async () => {
    const [a, b] = [await open('a'), await open('b')];
    a.fates = ['late'];
    a.do(rename('e1', 'By a'), newId());
    await vi.advanceTimersByTimeAsync(500);
    b.do(rename('e2', 'By b'), newId());
    await vi.advanceTimersByTimeAsync(500);
    server.announce();
    await vi.advanceTimersByTimeAsync(5000);
    expect(a.diagram).toEqual(server.diagram);
    expect(a.diagram.entries.e2!.name).toBe('By b');
  });
  it('what others made impossible is told once with its reason, the rest is kept', async () => {
    const [a, b] = [await open('a'), await open('b')];
    a.do({ kind: 'removeEntries', ids: ['e3'] }, newId());
    await vi.advanceTimersByTimeAsync(1000);
    b.do(rename('e3', 'Too late'), newId());
    b.do(rename('e2', 'In time'), newId());
    await settle();
    expect(b.told).toEqual(['The entry to rename is no longer in the list.']);
    expect(b.diagram).toEqual(server.diagram);
    expect(b.diagram.entries.e2!.name).toBe('In time');
  });
  it.each([413, 422])(
    'a gesture that the server will never take (%i) leaves the queue, is told, and the others are kept',
    async (status) => {
      const window = await open('a');
      window.do(rename('e1', 'Good'), newId());
      window.do(rename('e2', 'Bad'), newId());
      window.do(rename('e3', 'Good too'), newId());
      server.poison = status;
      await settle();
      expect(window.lost).toMatchObject([{ commands: [rename('e2', 'Bad')], reason: `refused with ${status}` }]);
      expect([server.diagram.entries.e1!.name, server.diagram.entries.e3!.name]).toEqual(['Good', 'Good too']);
      expect(window.kept).toEqual([]);
      expect(window.diagram).toEqual(server.diagram);
      expect(window.saves.at(-1)!.state).toBe('kept');
    },
  );
  it('a diagram that is gone: what is unsent is handed back instead of sent for ever', async () => {
    const window = await open('a');
    window.do(rename('e1', 'x'), newId());
    window.do(rename('e2', 'y'), newId());
    server.answers = [404];
    await settle();
    expect(window.lost).toHaveLength(2);
    expect(window.kept).toEqual([]);
  });
  it('signed out elsewhere: the work waits and goes on after signing in', async () => {
    const window = await open('a');
    window.do(rename('e1', 'x'), newId());
    server.answers = [401, 401];
    await vi.advanceTimersByTimeAsync(400);
    expect(window.saves.at(-1)).toMatchObject({
      state: 'waiting',
      reason: expect.stringContaining('Sign in') as unknown,
    });
    await settle();
    expect(server.diagram.entries.e1!.name).toBe('x');
  });

  it('after any commits, lost answers, reloads, resends, edits of others, failed fetches and broken lines all windows equal the server', async () => {
    type Step =
      | { readonly kind: 'edit'; readonly window: number; readonly command: Command }
      | { readonly kind: 'fate'; readonly window: number; readonly fates: Fate[] }
      | { readonly kind: 'reload'; readonly window: number }
      | { readonly kind: 'stale reload'; readonly window: number }
      | { readonly kind: 'announce' }
      | { readonly kind: 'line'; readonly window: number; readonly open: boolean }
      | { readonly kind: 'pass'; readonly ms: number };
    const which = fc.nat({ max: 2 });
    const step: fc.Arbitrary<Step> = fc.oneof(
      { weight: 5, arbitrary: fc.record({ kind: fc.constant('edit' as const), window: which, command: anyCommands }) },
      {
        weight: 3,
        arbitrary: fc.record({
          kind: fc.constant('fate' as const),
          window: which,
          fates: fc.array(fc.constantFrom<Fate>('arrives', 'lost on the way', 'answer lost', 'late'), {
            minLength: 1,
            maxLength: 4,
          }),
        }),
      },
      {
        weight: 1,
        arbitrary: fc.record({ kind: fc.constantFrom('reload' as const, 'stale reload' as const), window: which }),
      },
      { weight: 1, arbitrary: fc.constant({ kind: 'announce' as const }) },
      { weight: 1, arbitrary: fc.record({ kind: fc.constant('line' as const), window: which, open: fc.boolean() }) },
      {
        weight: 4,
        arbitrary: fc.record({ kind: fc.constant('pass' as const), ms: fc.constantFrom(0, 10, 300, 1200, 5000) }),
      },
    );
    await fc.assert(
      fc.asyncProperty(fc.nat({ max: 5 }), fc.array(step, { minLength: 3, maxLength: 30 }), async (revision, steps) => {
        server = new Memory(diagramFromParents([-1, 0, 0, 1, 1]));
        // A start from any revision.
        const older = { diagram: server.diagram, revision: server.revision };
        for (let i = 0; i < revision; i++)
          server.answer('/edits', { base: 0, gestures: [{ id: newId(), commands: [rename('e1', `Start ${i}`)] }] });
        const windows = await Promise.all(['a', 'b', 'c'].map((name) => open(name)));
        const done: string[] = [];
        for (const each of steps) {
          if (each.kind === 'announce') server.announce();
          else if (each.kind === 'pass') await vi.advanceTimersByTimeAsync(each.ms);
          else {
            const window = windows[each.window]!;
            if (each.kind === 'fate') window.fates.push(...each.fates);
            else if (each.kind === 'line') window.listening!.line(each.open);
            else if (each.kind === 'edit') {
              const id = newId();
              if (window.do(each.command, id)) done.push(id);
            } else {
              window.sync.end();
              // A page may come from a moment before the newest revision.
              const from = each.kind === 'reload' ? undefined : older;
              windows[each.window] = await new Window(server, window.name, window.kept, from).begin();
            }
          }
        }
        for (const window of windows) window.fates = [];
        await settle();
        for (const window of windows) {
          expect(window.diagram).toEqual(server.diagram);
          expect(window.kept).toEqual([]);
          expect(window.lost).toEqual([]);
          if (window.saves.length > 0) expect(window.saves.at(-1)!.state).toBe('kept');
          window.sync.end();
        }
        const log = server.log.map(({ id }) => id);
        expect(new Set(log).size).toBe(log.length);
        for (const id of done) expect(log.includes(id) !== server.refusals.has(id)).toBe(true);
      }),
      { numRuns: 250 },
    );
  });
});
