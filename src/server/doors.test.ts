import { afterAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import { diagramFromParents } from '../core/testing/arbitrary';
import { parseJson } from './json';
import { NewAccount, SignIn } from './accounts';
import { ownPath } from './own-path';
import { readJson, readQuery } from './requests';
import { Batch, NewDiagram } from './work/admit';
import { endWorkers, work } from './work/pool';

const post = (body: string) =>
  new Request('http://here.example/', { method: 'POST', body, headers: { 'content-type': 'application/json' } });

describe('what comes in at a door', () => {
  it('a small door takes no large body, and says how much it takes', async () => {
    await expect(readJson(post(`"${'x'.repeat(5000)}"`), z.string())).rejects.toMatchObject({
      status: 413,
      message: /4 KB/ as unknown,
    });
  });
  it('brackets without end are refused by counting them', () => {
    expect(() => parseJson('['.repeat(1_000_000), z.unknown())).toThrow('nested too deeply');
    expect(parseJson('{"a":"[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[\\"["}', z.unknown())).toHaveProperty('a');
  });
  it.each(['1.5', '1e10', '-1', 'x', '99999999999999999999'])('since=%s is refused in words', (since) => {
    const Since = z.object({ since: z.coerce.number().int().min(0).max(2_147_483_647) });
    expect(() => readQuery(new URL(`http://here.example/?since=${since}`), Since)).toThrow(
      /^What stands at “since” is (not what it has to be|less than 0|more than [\d,]+)\.$/,
    );
  });
});

describe('what is wrong with a request is said in our words', () => {
  const said = (schema: z.ZodType, given: unknown): string => {
    try {
      parseJson(JSON.stringify(given), schema);
    } catch (error) {
      return (error as Error).message;
    }
    return '';
  };
  const account = { email: 'a@b.example', name: 'A', password: '1234567890' };
  it.each<[unknown, z.ZodType, string]>([
    [{ ...account, password: 'x'.repeat(201) }, SignIn, 'The password has more than 200 letters; shorten it.'],
    [{ ...account, password: 'short' }, NewAccount, 'Take at least 10 characters for the password.'],
    [{ ...account, email: 'nowhere' }, NewAccount, 'Write the address like name@place.example.'],
    [{ ...account, name: 'x'.repeat(101) }, NewAccount, 'The name has more than 100 letters; shorten it.'],
    [{ email: 'a@b.example' }, SignIn, 'The password is missing.'],
    [7, SignIn, 'The request is not what it has to be.'],
    [
      { id: '12345678', diagram: { ...diagramFromParents([-1]), title: 'x'.repeat(201) } },
      NewDiagram,
      'The title has more than 200 letters; shorten it.',
    ],
  ])('%j', (given, schema, words) => expect(said(schema, given)).toBe(words));
  it('never in those of a validator, whatever is sent', () => {
    const values = [null, 0, -1e300, 'x'.repeat(500), [], {}, { id: {} }, [[[]]], true];
    const keys = ['email', 'password', 'name', 'id', 'diagram', 'base', 'gestures'];
    for (const value of values)
      for (const schema of [SignIn, NewAccount, NewDiagram, Batch])
        for (const given of [value, Object.fromEntries(keys.map((key) => [key, value]))])
          expect(said(schema, given)).not.toMatch(/expected|received|Invalid|string|number|undefined/i);
  });
});

describe('the path to return to after signing in', () => {
  it.each([
    ['/diagrams/abc?entry=e1#x', '/diagrams/abc?entry=e1#x'],
    ['/', '/'],
    [null, '/'],
    ['//other.example/', '/'],
    ['/\t/other.example/', '/'],
    ['/\\other.example/', '/'],
    ['https://other.example/', '/'],
    ['javascript:alert(1)', '/'],
    ['/./\t/other.example', '/'],
    ['diagrams', '/'],
  ])('%s leads to %s', (asked, path) => expect(ownPath(asked)).toBe(path));
});

describe('work in another thread', () => {
  afterAll(endWorkers);
  const body = JSON.stringify(diagramFromParents([-1, 0]));
  it('gives what the task gives', async () => {
    const commands = JSON.stringify([{ kind: 'rename', id: 'e1', name: 'Ada' }]);
    const applied = await work('a', 'applyBatch', { body, gestures: [{ commands }] });
    expect(JSON.parse(applied.body!)).toMatchObject({ entries: { e1: { name: 'Ada' } } });
    expect(applied.index).toMatchObject({ ids: ['e1'], texts: ['ada'] });
  });
  it('a refusal keeps its status and words, and a fault is one answer', async () => {
    await expect(work('a', 'admitBatch', { text: '{"base":-1}' })).rejects.toMatchObject({ status: 422 });
    await expect(work('a', 'applyBatch', { body: 'nonsense', gestures: [] })).rejects.toMatchObject({ status: 503 });
    expect(
      (
        await work('a', 'admitBatch', {
          text: '{"base":0,"gestures":[{"id":"12345678","commands":[{"kind":"removeLink","id":"x"}]}]}',
        })
      ).gestures,
    ).toHaveLength(1);
  });
  it('a damaged picture ends one answer and no more', async () => {
    const bytes = new Uint8Array([
      137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13, 73, 72, 68, 82, 0, 0, 0, 9, 0, 0, 0, 9, 8, 6, 0, 0, 0, 1, 1, 1, 1,
      0, 0, 0, 9, 73, 68, 65, 84, 7, 7, 7, 7, 7, 7, 7, 7, 7, 7, 7, 7, 7,
    ]);
    const id = '0'.repeat(32);
    const diagram = JSON.parse(body) as ReturnType<typeof diagramFromParents>;
    const venn = {
      ...diagram,
      kind: 'venn',
      entries: { e0: { ...diagram.entries.e0, image: { id, width: 9, height: 9 } } },
      venn: {
        sets: {},
        members: {},
        regions: {},
        manner: { universe: '', shape: 'equal', content: 'scattered', outline: 'thin', frame: true, wordBank: false },
      },
    };
    const input = {
      body: JSON.stringify(venn),
      format: 'pdf' as const,
      dotsPerInch: 96,
      pictures: [[id, { mime: 'image/png' as const, bytes }]] as const,
    };
    await work('a', 'handOut', input).catch((error: unknown) => expect(error).toMatchObject({ status: 503 }));
    expect((await work('a', 'handOut', { ...input, pictures: [] })).title).toBe('Generated');
  });
  it('what is called off stops, whether it waits or runs', async () => {
    const big = JSON.stringify(diagramFromParents(Array.from({ length: 20_000 }, (_, i) => (i === 0 ? -1 : i >> 1))));
    const off = new AbortController();
    const tasks = Array.from({ length: 5 }, () =>
      work('b', 'handOut', { body: big, format: 'pdf', dotsPerInch: 96, pictures: [] }, off.signal),
    );
    const told = Promise.allSettled(tasks);
    setTimeout(() => off.abort(), 50);
    expect((await told).map((one) => (one as PromiseRejectedResult).reason?.status)).toEqual(Array(5).fill(499));
  });
});
