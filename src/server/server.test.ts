import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { applyGesture, Command, brokenInvariants, type Diagram, openDiagram } from '../core/diagram';
import { hostileCommands, oddDiagrams } from '../core/testing/hostile';
import { commands, diagramFromParents, diagrams } from '../core/testing/arbitrary';
import { vennCommands, vennOf, venns } from '../core/testing/arbitrary-venn';
import {
  accountOfSession,
  changePassword,
  checkSignIn,
  closeSession,
  createAccount,
  openSession,
  type Account,
} from './accounts';
import { watched, withTransaction } from './database';
import {
  createStored,
  eraseDiagram,
  listDiagrams,
  readDiagram,
  restoreFromLog,
  revisionOf,
  searchEntries,
  setBinned,
} from './diagrams';
import { drawingOf, drawNow } from './drawing';
import { editsSince, ownSteps, pageText, submitBatch } from './edits';
import { migrate } from './migrate';
import { person as personOn } from './test-people';
import { admitted, type Batch } from './work/admit';

const address = process.env.TEST_DATABASE_URL;
let pool: pg.Pool;
let ada: Account;
let bo: Account;
const person = (name: string) => personOn(pool, name);
const stored = async (owner: Account, diagram: Diagram = diagramFromParents([-1, 0, 0, 1])) => {
  const id = randomUUID();
  await createStored(pool, owner.id, id, diagram);
  return id;
};
const gesture = (...list: Command[]) => ({ id: randomUUID(), commands: list });
/** As a window sends it. */
const submit = (owner: Account, id: string, batch: Batch) => submitBatch(pool, owner.id, id, admitted(batch));
const rename = (id: string, name: string): Command => ({ kind: 'rename', id, name });

/** Commands sent to the server leave the JSON that they leave in the browser. */
const replayedAlike = (of: fc.Arbitrary<Diagram>, some: fc.Arbitrary<Command>) =>
  fc.assert(
    fc.asyncProperty(of, fc.array(some, { minLength: 1, maxLength: 15 }), async (start, list) => {
      // PostgreSQL's text cannot hold the null character; browsers do not type it.
      fc.pre(!JSON.stringify([start, list]).includes('\\u0000'));
      // A title of its own: one that another diagram has would be numbered.
      const begun = { ...start, title: randomUUID() };
      const id = await stored(ada, begun);
      let local = openDiagram(JSON.parse(JSON.stringify(begun)));
      for (const command of list) {
        const outcome = applyGesture(local, [command]);
        if (outcome.ok) local = outcome.diagram;
      }
      await submit(ada, id, { base: 0, gestures: list.map((command) => gesture(command)) });
      const { diagram } = await readDiagram(pool, ada.id, id);
      expect(JSON.stringify(diagram)).toBe(JSON.stringify(openDiagram(JSON.parse(JSON.stringify(local)))));
    }),
    { numRuns: 40 },
  );

// bin/test always gives an address; without one the suite is shown as skipped.
describe.skipIf(!address)('the server on a real database', () => {
  beforeAll(async () => {
    pool = watched(new pg.Pool({ connectionString: address }));
    // What is drawn after an edit asks the process's own pool.
    process.env.DATABASE_URL = address;
    await migrate(pool, fileURLToPath(new URL('../../db/migrations', import.meta.url)));
    [ada, bo] = await Promise.all([person('Ada Quill'), person('Bo Lin')]);
  });
  afterAll(() => pool.end());

  it('migrating again changes nothing', async () => {
    expect(await migrate(pool, fileURLToPath(new URL('../../db/migrations', import.meta.url)))).toEqual([]);
  });
  it('a failed transaction leaves nothing behind', async () => {
    const id = randomUUID();
    await expect(
      withTransaction(pool, async (tx) => {
        await tx.query('insert into rate_limit (key) values ($1)', [id]);
        throw new Error('half way');
      }),
    ).rejects.toThrow('half way');
    expect((await pool.query('select 1 from rate_limit where key = $1', [id])).rowCount).toBe(0);
  });

  describe('accounts', () => {
    it('the right password signs in, a wrong one or an unknown address does not', async () => {
      expect(await checkSignIn(pool, { email: ada.email, password: 'estuary-mud-9' })).toEqual(ada);
      await expect(checkSignIn(pool, { email: ada.email, password: 'wrong' })).rejects.toMatchObject({ status: 401 });
      await expect(checkSignIn(pool, { email: 'nobody@brackwater.example', password: 'x' })).rejects.toMatchObject({
        status: 401,
      });
    });
    it('passwords are kept as argon2id, session secrets as a hash', async () => {
      const { rows } = await pool.query<{ password_hash: string }>('select password_hash from account where id = $1', [
        ada.id,
      ]);
      expect(rows[0]!.password_hash).toMatch(/^\$argon2id\$/);
      const { token } = await openSession(pool, ada.id);
      expect((await pool.query('select 1 from session where token_hash = $1', [token])).rowCount).toBe(0);
    });
    it('of sixty tries at once six are tested; the others have to wait a little', async () => {
      const victim = await person('Cy Dee');
      const tries = await Promise.allSettled(
        Array.from({ length: 60 }, () => checkSignIn(pool, { email: victim.email, password: 'wrong' }, 'source-a')),
      );
      const statuses = tries.map((one) => (one as PromiseRejectedResult).reason.status as number);
      expect(statuses.filter((status) => status === 401).length).toBeLessThanOrEqual(7);
      expect(statuses.filter((status) => status === 429).length).toBeGreaterThanOrEqual(53);
    });
    it('nobody is locked out by what others try from elsewhere', async () => {
      const victim = await person('Di Eck');
      for (let i = 0; i < 12; i++)
        await checkSignIn(pool, { email: victim.email, password: 'wrong' }, `source-${i % 3}`).catch(() => undefined);
      expect(await checkSignIn(pool, { email: victim.email, password: 'estuary-mud-9' }, 'at home')).toEqual(victim);
    });
    it('a change of password ends the other sessions and keeps this one', async () => {
      const someone = await person('Ed Fay');
      const [here, there] = [await openSession(pool, someone.id), await openSession(pool, someone.id)];
      const change = { current: 'estuary-mud-9', next: 'new-and-longer-1' };
      await expect(changePassword(pool, someone, { ...change, current: 'x' }, here.token, 's')).rejects.toMatchObject({
        status: 401,
      });
      await changePassword(pool, someone, change, here.token, 's');
      expect(await accountOfSession(pool, here.token)).toEqual(someone);
      expect(await accountOfSession(pool, there.token)).toBeNull();
      expect(await checkSignIn(pool, { email: someone.email, password: change.next }, 't')).toEqual(someone);
    });
    it('the demo’s passwords open something only where the demo is wanted', async () => {
      const email = `${randomUUID()}@brackwater.example`;
      await createAccount(pool, { email, name: 'Demo', password: 'tide-table-1' }, 'demo', { demo: true });
      await expect(checkSignIn(pool, { email, password: 'tide-table-1' }, 'd')).rejects.toMatchObject({ status: 401 });
      process.env.DENDROTAX_DEMO = 'yes';
      expect(await checkSignIn(pool, { email, password: 'tide-table-1' }, 'd')).toMatchObject({ email });
      delete process.env.DENDROTAX_DEMO;
    });
    it('a session leads to its account until it is closed', async () => {
      const { token } = await openSession(pool, ada.id);
      expect(await accountOfSession(pool, token)).toEqual(ada);
      await closeSession(pool, token);
      expect(await accountOfSession(pool, token)).toBeNull();
      expect(await accountOfSession(pool, 'made up')).toBeNull();
    });
    it('one address has one account', async () => {
      await expect(
        createAccount(pool, { email: ada.email, name: 'x', password: 'another-one-1' }),
      ).rejects.toMatchObject({ status: 409 });
      expect(await createAccount(pool, { email: ada.email, name: 'x', password: 'estuary-mud-9' })).toEqual(ada);
    });
  });

  describe('diagrams', () => {
    it('come back as they were stored', async () => {
      const diagram = { ...diagramFromParents([-1, 0, 0]), title: randomUUID() };
      const id = await stored(ada, diagram);
      expect(await readDiagram(pool, ada.id, id)).toEqual({ id, diagram, revision: 0, binned: false });
    });
    it('two of one name are numbered, the sheet’s title with them unless it was parted', async () => {
      const dora = await person('Dora');
      const plain = { ...diagramFromParents([-1]), title: 'Staff' };
      const made = [
        plain,
        { ...plain, titleBlock: { ...plain.titleBlock, title: 'Staff' } },
        { ...plain, title: 'Staff (2)' },
      ];
      const ids = [];
      for (const one of made) ids.push(await stored(dora, one));
      const titles = await Promise.all(ids.map(async (id) => (await readDiagram(pool, dora.id, id)).diagram));
      expect(titles.map(({ title, titleBlock }) => [title, titleBlock.title])).toEqual([
        ['Staff', 'Generated'],
        ['Staff (2)', 'Staff (2)'],
        ['Staff (3)', 'Generated'],
      ]);
    });
    it('nobody sees, changes, bins, erases or finds another’s', async () => {
      const id = await stored(
        ada,
        diagramFromParents([-1], () => 'Zebulon Quirke'),
      );
      const refused = { status: 404 };
      await expect(readDiagram(pool, bo.id, id)).rejects.toMatchObject(refused);
      await expect(revisionOf(pool, bo.id, id)).rejects.toMatchObject(refused);
      await expect(submit(bo, id, { base: 0, gestures: [gesture(rename('e0', 'x'))] })).rejects.toMatchObject(refused);
      await expect(setBinned(pool, bo.id, id, true)).rejects.toMatchObject(refused);
      await setBinned(pool, ada.id, id, true);
      await expect(eraseDiagram(pool, bo.id, id)).rejects.toMatchObject(refused);
      await setBinned(pool, ada.id, id, false);
      expect(await searchEntries(pool, bo.id, 'zebulon')).toEqual([]);
      expect((await listDiagrams(pool, bo.id)).map((row) => row.id)).not.toContain(id);
      await expect(createStored(pool, bo.id, id, diagramFromParents([-1]))).rejects.toMatchObject({ status: 409 });
      expect((await readDiagram(pool, ada.id, id)).revision).toBe(0);
    });
    it('are listed with entries, tiers and findings, and again after an edit', async () => {
      const carol = await person('Carol');
      const id = await stored(carol);
      expect(await listDiagrams(pool, carol.id)).toMatchObject([
        { id, entries: 4, tiers: null, findings: null, changedBy: 'Carol', binned: false },
      ]);
      await drawNow(id);
      expect(await listDiagrams(pool, carol.id)).toMatchObject([{ id, tiers: 3, findings: 0, problem: null }]);
      await submit(carol, id, { base: 0, gestures: [gesture(rename('e3', ''))] });
      await drawNow(id);
      expect(await listDiagrams(pool, carol.id)).toMatchObject([{ id, findings: 1, revision: 1 }]);
      expect((await drawingOf(carol.id, id)).svg).toContain('<svg');
    });
    it('are erased only from the bin', async () => {
      const id = await stored(ada);
      await expect(eraseDiagram(pool, ada.id, id)).rejects.toMatchObject({ status: 404 });
      await setBinned(pool, ada.id, id, true);
      await eraseDiagram(pool, ada.id, id);
      await expect(readDiagram(pool, ada.id, id)).rejects.toMatchObject({ status: 404 });
    });
    it('people are found by any words of their line, also after they were renamed or removed', async () => {
      const id = await stored(
        ada,
        diagramFromParents([-1, 0], (i) => (i === 0 ? 'Oona Tidewater' : 'Percival Shingle_100%')),
      );
      const found = async (query: string) =>
        (await searchEntries(pool, ada.id, query)).filter((one) => one.diagram === id).map((one) => one.entry);
      expect(await found('tide oona')).toEqual(['e0']);
      expect(await found('_100%')).toEqual(['e1']);
      expect(await found('%')).toEqual(['e1']);
      await submit(ada, id, {
        base: 0,
        gestures: [gesture(rename('e0', 'Una Ebb')), gesture({ kind: 'removeEntries', ids: ['e1'] })],
      });
      expect(await found('tidewater')).toEqual([]);
      expect(await found('una')).toEqual(['e0']);
      expect(await found('percival')).toEqual([]);
    });
  });

  describe('edits', () => {
    it('each gesture is one revision in the log', async () => {
      const id = await stored(ada);
      const [a, b] = [gesture(rename('e1', 'One')), gesture(rename('e2', 'Two'))];
      expect(await submit(ada, id, { base: 0, gestures: [a, b] })).toEqual({
        revision: 2,
        more: false,
        edits: [
          { revision: 1, id: a.id, commands: null, anew: false },
          { revision: 2, id: b.id, commands: null, anew: false },
        ],
        outcomes: [
          { id: a.id, revision: 1 },
          { id: b.id, revision: 2 },
        ],
      });
      const page = await editsSince(pool, ada.id, id, 1);
      expect(JSON.parse(pageText(page))).toEqual({
        revision: 2,
        more: false,
        outcomes: [],
        edits: [{ revision: 2, id: b.id, commands: b.commands }],
      });
    });
    it('on an older revision a gesture is put onto the newest one, and what others did is told', async () => {
      const id = await stored(ada);
      const first = gesture(rename('e1', 'First'));
      await submit(ada, id, { base: 0, gestures: [first] });
      const second = gesture(rename('e2', 'Second'));
      const answer = await submit(ada, id, { base: 0, gestures: [second] });
      expect(answer.edits).toEqual([
        { revision: 1, id: first.id, commands: JSON.stringify(first.commands), anew: false },
        { revision: 2, id: second.id, commands: null, anew: false },
      ]);
      const { diagram } = await readDiagram(pool, ada.id, id);
      expect([diagram.entries.e1!.name, diagram.entries.e2!.name]).toEqual(['First', 'Second']);
    });
    it('one that no longer applies is refused with its reason; the others of the batch are kept', async () => {
      const id = await stored(ada);
      await submit(ada, id, { base: 0, gestures: [gesture({ kind: 'removeEntries', ids: ['e3'] })] });
      const late = gesture(rename('e3', 'x'));
      const answer = await submit(ada, id, { base: 0, gestures: [late, gesture(rename('e1', 'Kept'))] });
      const refused = { id: late.id, refused: 'The entry to rename is no longer in the list.' };
      expect(answer.outcomes[0]).toEqual(refused);
      // Asked again, the same is answered, also where it would apply by now.
      const back = gesture({
        kind: 'addEntries',
        entries: [{ ...diagramFromParents([-1]).entries.e0!, id: 'e3' }],
        links: [],
        branches: {},
        only: {},
      });
      await submit(ada, id, { base: 0, gestures: [back] });
      expect((await submit(ada, id, { base: 0, gestures: [late] })).outcomes).toEqual([refused]);
      expect((await readDiagram(pool, ada.id, id)).diagram.entries.e1!.name).toBe('Kept');
    });
    it('one that is sent again, because its answer was lost, is not applied again', async () => {
      const id = await stored(ada);
      const add = gesture({
        kind: 'addEntries',
        entries: [{ id: 'n', name: 'New', details: [], fields: {}, role: null, parent: 'e0', order: 'z' }],
        links: [],
        branches: {},
        only: {},
      });
      await submit(ada, id, { base: 0, gestures: [add] });
      // Also from a window that fetched the diagram in between.
      for (const base of [0, 1])
        expect(await submit(ada, id, { base, gestures: [add] })).toMatchObject({
          revision: 1,
          outcomes: [{ id: add.id, revision: 1 }],
        });
    });
    it('ten windows at once lose nothing', async () => {
      const id = await stored(ada, diagramFromParents([-1, ...new Array<number>(10).fill(0)]));
      await Promise.all(
        Array.from({ length: 10 }, (_, i) =>
          submit(ada, id, { base: 0, gestures: [gesture(rename(`e${i + 1}`, `Window ${i}`))] }),
        ),
      );
      const { diagram, revision } = await readDiagram(pool, ada.id, id);
      expect(revision).toBe(10);
      for (let i = 0; i < 10; i++) expect(diagram.entries[`e${i + 1}`]!.name).toBe(`Window ${i}`);
    });
    it('a random sequence gives the same JSON as in the browser', () => replayedAlike(diagrams, commands));
    it('the log is told in pages', async () => {
      const id = await stored(ada);
      for (let i = 0; i < 2; i++)
        await submit(ada, id, {
          base: 0,
          gestures: Array.from({ length: 250 }, (_, k) => gesture(rename('e1', `${i} ${k}`))),
        });
      const first = await editsSince(pool, ada.id, id, 0);
      expect([first.edits.length, first.more, first.revision]).toEqual([300, true, 500]);
      const second = await editsSince(pool, ada.id, id, first.edits.at(-1)!.revision);
      expect([second.edits.length, second.more]).toEqual([200, false]);
    });
    it('what takes gestures back is kept with them, for the account that made them', async () => {
      const id = await stored(ada);
      const step = randomUUID();
      await submit(ada, id, {
        base: 0,
        gestures: [
          { ...gesture(rename('e1', 'A')), step },
          { ...gesture(rename('e1', 'Ab')), step },
        ],
      });
      await submit(ada, id, { base: 2, gestures: [{ ...gesture(rename('e1', 'Person 1')), manner: 'undo' }] });
      expect(JSON.parse(await ownSteps(pool, ada.id, id))).toEqual([
        { inverse: [rename('e1', 'Person 1')], step, manner: 'do' },
        { inverse: [rename('e1', 'A')], step, manner: 'do' },
        { inverse: [rename('e1', 'Ab')], step: null, manner: 'undo' },
      ]);
      await expect(ownSteps(pool, bo.id, id)).rejects.toMatchObject({ status: 404 });
    });
    it('the log alone rebuilds a diagram whose body was spoilt', async () => {
      const id = await stored(ada);
      await submit(ada, id, { base: 0, gestures: [gesture(rename('e1', 'Kept by the log'))] });
      await pool.query(`update diagram set body = '{"kind":"nonsense"}' where id = $1`, [id]);
      await expect(readDiagram(pool, ada.id, id)).rejects.toThrow();
      expect((await listDiagrams(pool, ada.id)).map((row) => row.id)).toContain(id);
      expect(await restoreFromLog(pool, ada.id, id)).toBe(1);
      const { diagram, revision } = await readDiagram(pool, ada.id, id);
      expect([diagram.entries.e1!.name, revision]).toEqual(['Kept by the log', 2]);
      expect((await editsSince(pool, ada.id, id, 1)).edits).toMatchObject([{ revision: 2, anew: true }]);
    });
    it('nothing is stored that breaks the schema or an invariant', () =>
      fc.assert(
        fc.asyncProperty(
          oddDiagrams,
          fc.array(hostileCommands, { minLength: 1, maxLength: 10 }),
          async (start, list) => {
            const sent = list.filter((command) => Command.safeParse(command).success);
            fc.pre(sent.length > 0 && !JSON.stringify([start, sent]).includes('\\u0000'));
            const id = await stored(ada, start);
            const answer = await submit(ada, id, { base: 0, gestures: sent.map((command) => gesture(command)) });
            expect(answer.outcomes).toHaveLength(sent.length);
            const { diagram } = await readDiagram(pool, ada.id, id);
            expect(brokenInvariants(diagram)).toEqual([]);
          },
        ),
        { numRuns: 60 },
      ));
  });

  describe('a Venn diagram on the server', () => {
    it('a random sequence gives the same JSON as in the browser', () => replayedAlike(venns(2, 10), vennCommands));
    it('one item sorted in two windows takes the later, and a set dropped meanwhile is refused with the reason', async () => {
      const id = await stored(ada, vennOf(3, [1, 2]));
      const sort = (...sets: string[]): Command => ({ kind: 'setMembers', entry: 'e0', sets });
      await submit(ada, id, { base: 0, gestures: [gesture(sort('s1'))] });
      await submit(ada, id, { base: 0, gestures: [gesture(sort('s0', 's2'))] });
      const { diagram } = await readDiagram(pool, ada.id, id);
      expect(diagram.kind === 'venn' && diagram.venn.members.e0).toEqual(['s0', 's2']);
      await submit(ada, id, { base: 2, gestures: [gesture({ kind: 'dropSet', id: 's1' })] });
      const late = await submit(ada, id, { base: 2, gestures: [gesture(sort('s1'))] });
      expect(JSON.stringify(late)).toContain('That set is no longer there.');
    });
    it('its items are found from the Desk', async () => {
      const id = await stored(
        bo,
        vennOf(2, [1, 3], (i) => ['Sandpiper of the north', 'Ruff'][i]!),
      );
      expect(await searchEntries(pool, bo.id, 'sandpiper')).toMatchObject([{ diagram: id, entry: 'e0' }]);
    });
  });
});
