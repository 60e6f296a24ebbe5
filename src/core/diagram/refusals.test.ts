import { describe, expect, it } from 'vitest';
import type { Diagram } from './diagram';
import { diagramFromParents } from '../testing/arbitrary';
import { vennOf } from '../testing/arbitrary-venn';
import { createEntry } from '../model';
import { applyCommand } from './apply';
import { type Command } from './command';

const chart = diagramFromParents([-1, 0, 0, 1], (i) => ['Ada', 'Bo', 'Cy', ''][i]!);
const sets = vennOf(2, [1, 2]);
const entry = (id: string, parent: string | null = null) => createEntry({ id, name: id, parent, order: 'k' });
const nothing = { links: [], branches: {}, only: {} };
const link = { id: 'l', from: 'e0', to: 'e1', kind: 'side' as const, phrase: '' };
const patch = { style: {}, title: null };

/** What others did in the meantime can take the ground from under a change; it is refused in words that say what is missing. */
const refusals: [string, Diagram, Command, RegExp][] = [
  ['renaming', chart, { kind: 'rename', id: 'x', name: 'Zoë' }, /to rename is no longer in the list/],
  ['details', chart, { kind: 'setDetails', id: 'x', details: [] }, /whose details were changed is no longer/],
  ['a field', chart, { kind: 'setField', id: 'x', field: 'room', value: '4' }, /whose details were changed/],
  ['a picture', chart, { kind: 'setImage', id: 'x', image: null }, /whose picture was changed/],
  ['a role', chart, { kind: 'setRole', id: 'x', role: null }, /whose role was changed/],
  ['moving what is gone', chart, { kind: 'moveBranch', id: 'x', parent: null, order: 'k' }, /to move is no longer/],
  [
    'moving under what is gone',
    chart,
    { kind: 'moveBranch', id: 'e1', parent: 'x', order: 'k' },
    /“Bo” was to go under/,
  ],
  [
    'moving under itself',
    chart,
    { kind: 'moveBranch', id: 'e1', parent: 'e3', order: 'k' },
    /“Bo” cannot go under An entry without a name/,
  ],
  ['adding twice', chart, { kind: 'addEntries', entries: [entry('e1')], ...nothing }, /“e1” is in the list already/],
  ['adding under what is gone', chart, { kind: 'addEntries', entries: [entry('n', 'x')], ...nothing }, /“n” was to go/],
  [
    'adding a ring',
    chart,
    { kind: 'addEntries', entries: [entry('n', 'm'), entry('m', 'n')], ...nothing },
    /would stand under themselves/,
  ],
  [
    'adding with a loose link',
    chart,
    { kind: 'addEntries', entries: [entry('n')], ...nothing, links: [{ ...link, to: 'x' }] },
    /leads to an entry that is no longer/,
  ],
  [
    'adding with a style for another',
    chart,
    { kind: 'addEntries', entries: [entry('n')], ...nothing, only: { x: {} } },
    /A styled entry is none of the new ones/,
  ],
  ['sets in an org chart', chart, { kind: 'dropSet', id: 's0' }, /knows no such change|another kind of diagram/],
  [
    'members in an org chart',
    chart,
    { kind: 'addEntries', entries: [entry('n')], ...nothing, members: { n: ['s0'] } },
    /knows no such change|another kind of diagram/,
  ],
  ['removing what is gone', chart, { kind: 'removeEntries', ids: ['e3', 'x'] }, /One of the entries is no longer/],
  ['removing what has some below', chart, { kind: 'removeEntries', ids: ['e1'] }, /has come to stand under an entry/],
  ['a link that is there', { ...chart, links: { l: link } }, { kind: 'addLink', link }, /is there already/],
  ['a link to itself', chart, { kind: 'addLink', link: { ...link, to: 'e0' } }, /two different entries/],
  ['a link into nothing', chart, { kind: 'addLink', link: { ...link, to: 'x' } }, /One end of the link/],
  ['a link that is gone', chart, { kind: 'removeLink', id: 'l' }, /The link is no longer/],
  ['a line that left the tray', chart, { kind: 'takeFromTray', id: 't' }, /taken from the tray already/],
  [
    'tiers among items',
    sets,
    { kind: 'moveBranch', id: 'e0', parent: 'e1', order: 'k' },
    /have no tiers under each other/,
  ],
  ['a set that is gone', sets, { kind: 'setMembers', entry: 'e0', sets: ['s7'] }, /set is no longer there/],
  ['sorting what is gone', sets, { kind: 'setMembers', entry: 'x', sets: ['s0'] }, /to sort is no longer/],
  ['changing a set that is gone', sets, { kind: 'changeSet', id: 's7', patch: { name: 'dune' } }, /set is no longer/],
  [
    'a set with the region of another',
    sets,
    { kind: 'putSet', set: { id: 's4', name: 'creek', order: 'z', colour: null }, members: [], regions: { s9: patch } },
    /A region of the set is none of it/,
  ],
  [
    'a set that holds what is gone',
    sets,
    { kind: 'putSet', set: { id: 's4', name: 'creek', order: 'z', colour: null }, members: ['x'], regions: {} },
    /An entry of the set is no longer/,
  ],
  ['titling a region that is gone', sets, { kind: 'titleRegion', region: 's0,s7', title: 'x' }, /region is no longer/],
  [
    'a sixth set',
    vennOf(5, []),
    { kind: 'putSet', set: { id: 'n', name: 'n', order: 'z', colour: null }, members: [], regions: {} },
    /at most 5 sets/,
  ],
];

describe('a change whose ground is gone', () => {
  it.each(refusals)('%s is refused with the reason, and nothing is touched', (_, diagram, command, reason) => {
    const before = JSON.stringify(diagram);
    const outcome = applyCommand(diagram, command);
    expect(outcome).toMatchObject({ ok: false });
    expect(outcome.ok ? '' : outcome.reason).toMatch(reason);
    expect(outcome.ok ? '' : outcome.reason).toMatch(/\.$/);
    expect(JSON.stringify(diagram)).toBe(before);
  });
  it('is told by reasons that can be told apart', () =>
    expect(new Set(refusals.map(([, , , reason]) => reason.source)).size).toBeGreaterThan(20));
});

describe('small changes', () => {
  const after = (command: Command, diagram: Diagram = chart): Diagram => {
    const outcome = applyCommand(diagram, command);
    if (!outcome.ok) throw new Error(outcome.reason);
    const back = applyCommand(outcome.diagram, outcome.inverse);
    expect(back.ok && back.diagram).toEqual(diagram);
    return outcome.diagram;
  };
  it('a field without a value is not kept at all', () => {
    const given = after({ kind: 'setField', id: 'e0', field: 'room', value: '4' });
    expect(given.entries.e0!.fields).toEqual({ room: '4' });
    expect(after({ kind: 'setField', id: 'e0', field: 'room', value: null }, given).entries.e0!.fields).toEqual({});
  });
  it('an entry without a picture does not have the property', () => {
    const image = { id: '0123456789abcdef0123456789abcdef', width: 4, height: 3 };
    const pictured = after({ kind: 'setImage', id: 'e0', image });
    expect(pictured.entries.e0!.image).toEqual(image);
    expect('image' in after({ kind: 'setImage', id: 'e0', image: null }, pictured).entries.e0!).toBe(false);
  });
  it('a tier that is given its plain name and gap back leaves no trace', () => {
    const named = after({ kind: 'setTier', tier: 2, patch: { name: 'Wardens' } });
    expect(named.tiers).toEqual({ '2': { name: 'Wardens', gap: null, width: null } });
    expect(after({ kind: 'setTier', tier: 2, patch: { name: null } }, named).tiers).toEqual({});
  });
  it('sheet, title block, look and title change only what they name', () => {
    expect(after({ kind: 'setSheet', patch: { size: 'A3' } }).sheet).toEqual({ ...chart.sheet, size: 'A3' });
    expect(after({ kind: 'setTitleBlock', patch: { author: 'Office' } }).titleBlock).toEqual({
      ...chart.titleBlock,
      author: 'Office',
    });
    expect(after({ kind: 'setLook', look: 'heather' })).toEqual({ ...chart, look: 'heather' });
    expect(after({ kind: 'setTitle', title: 'Crew' })).toEqual({ ...chart, title: 'Crew' });
  });
  it('removing takes links and own styles along, and brings them back', () => {
    const styled: Diagram = {
      ...chart,
      links: { l: { ...link, to: 'e3' } },
      styles: { ...chart.styles, only: { e3: { fill: '#aabbcc' }, e0: { fill: '#ddeeff' } } },
    };
    const less = after({ kind: 'removeEntries', ids: ['e3'] }, styled);
    expect(less.links).toEqual({});
    expect(less.styles.only).toEqual({ e0: { fill: '#ddeeff' } });
  });
});
