import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('..', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'dendrotax-draw-'));
const run = (args: string[], input?: string) =>
  spawnSync(join(root, 'bin/draw'), args, { encoding: 'utf8', ...(input === undefined ? {} : { input }) });

describe('bin/draw', () => {
  it('draws the Brackwater staff and reports what was understood', () => {
    const [out, report] = [join(folder, 'staff.svg'), join(folder, 'staff.json')];
    const { status, stdout } = run([join(root, 'demo/lists/brackwater-staff.csv'), '--out', out, '--report', report]);
    expect([status, stdout]).toEqual([0, `46 people in 5 tiers, drawn to ${out}.\n`]);
    const told = JSON.parse(readFileSync(report, 'utf8')) as {
      kind: string;
      understood: { structure: string };
      entries: { name: string; tier: number; line: number }[];
      questions: { line: number }[];
      links: unknown[];
    };
    expect(told.kind).toBe('org-chart');
    expect(told.understood.structure).toBe('parent-column');
    expect(told.entries.find((entry) => entry.name === 'Kalle Nyström')).toMatchObject({ tier: 4, line: 17 });
    expect(told.questions).toMatchObject([{ line: 12 }]);
    expect(told.links).toHaveLength(1);
    expect(readFileSync(out, 'utf8')).toContain('Nyström');
  });
  it('reads standard input and takes direction, look and sheet', () => {
    const out = join(folder, 'crew.json');
    expect(
      run(['-', '--direction', 'right', '--look', 'ledger', '--sheet', 'A3', '--out', out], 'Ada\n\tBo').status,
    ).toBe(0);
    expect(JSON.parse(readFileSync(out, 'utf8'))).toMatchObject({
      direction: 'right',
      sheet: { name: 'A3 landscape' },
    });
  });
  it.each<[string, string[], number, RegExp]>([
    ['no file', ['gone.csv', '--out', 'x.svg'], 1, /There is no file gone\.csv/],
    ['an unknown ending', ['a.csv', '--out', 'x.doc'], 2, /“doc” is none of them/],
    ['no words', [], 2, /Name one list file/],
    ['an unknown kind', ['a.csv', '--kind', 'x', '--out', 'x.svg'], 2, /--kind knows org-chart/],
  ])('%s is told in words', (_, args, code, words) => {
    const { status, stderr } = run(args);
    expect(status).toBe(code);
    expect(stderr).toMatch(words);
    expect(stderr).not.toMatch(/\bat .*:\d+:\d+/);
  });
  it('draws sets to scale and reports them', () => {
    const [out, report] = [join(folder, 'sets.json'), join(folder, 'sets-report.json')];
    const list = join(root, 'demo/lists/volunteer-certificates.csv');
    const { status, stdout } = run([list, '--kind', 'venn', '--curves', 'ellipses', '--out', out, '--report', report]);
    expect([status, stdout]).toEqual([0, `20 items in 4 tiers, drawn to ${out}.\n`]);
    expect(JSON.parse(readFileSync(out, 'utf8'))).toMatchObject({ scaled: { unwanted: [] } });
    const told = JSON.parse(readFileSync(report, 'utf8')) as { sets: { name: string; items: string[] }[] };
    expect(told.sets.map(({ name, items }) => [name, items.length])).toEqual([
      ['First aid', 11],
      ['Boat', 9],
      ['Minibus', 10],
    ]);
  });
  it('draws pictures that lie beside the list, and tells which do not', () => {
    const png = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==';
    writeFileSync(join(folder, 'curlew.png'), Buffer.from(png, 'base64'));
    const [list, out] = [join(folder, 'birds.csv'), join(folder, 'birds.svg')];
    writeFileSync(list, 'Bird,mudflat,saltmarsh,Picture\ncurlew,x,x,curlew.png\nteal,,x,teal.png\n');
    const { status, stderr } = run([list, '--kind', 'venn', '--content', 'scattered', '--out', out]);
    expect(status).toBe(0);
    expect(stderr).toContain('teal: the picture teal.png is not beside the list.');
    expect(readFileSync(out, 'utf8').match(/<image /g)).toHaveLength(1);
  });
  it('a file that is no list ends with 1, the reason, and a report that says so', () => {
    const [file, report] = [join(folder, 'x.pdf'), join(folder, 'bad.json')];
    writeFileSync(file, '%PDF-1.4 …');
    const { status, stderr } = run([file, '--out', join(folder, 'x.svg'), '--report', report]);
    expect(status).toBe(1);
    expect(stderr).toContain('This is a PDF');
    expect(JSON.parse(readFileSync(report, 'utf8'))).toMatchObject({ entries: [], findings: [{ code: 'not-text' }] });
  });
});
