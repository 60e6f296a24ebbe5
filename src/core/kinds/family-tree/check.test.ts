import { describe, expect, it } from 'vitest';
import { applyGesture, check, draw, tokensOf } from '../../diagram';
import { addChild, addParent, addPartner, addSibling, parentsWritten, partnersWritten } from './gestures';
import { familyTree } from './kind';
import type { FamilyTree } from './model';
import { relationsOf } from './relations';

const make = (text: string): FamilyTree => familyTree.make(familyTree.read(tokensOf(text)), '');
const codes = (text: string) => {
  const diagram = make(text);
  return check(diagram, draw(diagram)).map(({ code }) => code);
};
const couple = (more: string) =>
  `Id,Name,Sex,Born,Died,Father,Mother,Partner,Married\n1,Ada,F,1900,1960,,,2,1922\n2,Bo,M,1898,1950,,,,\n${more}\n`;

describe('what is found in a family', () => {
  it('nothing in a sound one', () => expect(codes(couple('3,Cy,M,1925,1990,2,1,,'))).toEqual([]));
  it('a child born before a parent', () => expect(codes(couple('3,Cy,M,1890,,2,1,,'))).toContain('before-parent'));
  it('a child born after the mother’s death', () =>
    expect(codes(couple('3,Cy,M,1962,,2,1,,'))).toContain('after-death'));
  it('a child born more than nine months after the father’s death, but not within them', () => {
    expect(codes('Id,Name,Sex,Died,Born,Father\n2,Bo,M,1 March 1950,1920,\n3,Cy,M,,1 October 1950,2\n')).not.toContain(
      'after-death',
    );
    expect(codes('Id,Name,Sex,Died,Born,Father\n2,Bo,M,1 March 1950,1920,\n3,Cy,M,,1 June 1951,2\n')).toContain(
      'after-death',
    );
  });
  it('a death before a birth', () => expect(codes(couple('3,Cy,M,1925,1920,2,1,,'))).toContain('died-before-born'));
  it('parents too young or too old', () => {
    expect(codes(couple('3,Cy,M,1908,,2,1,,'))).toContain('young-parent');
    expect(codes('Id,Name,Born,Father\n1,Ada,1800,\n2,Bo,1890,1\n')).toContain('old-parent');
  });
  it('a wedding before birth or after death', () => {
    expect(codes('Id,Name,Born,Partner,Married\n1,Ada,1900,2,1890\n2,Bo,1860,,\n')).toContain('partners-dates');
    expect(codes('Id,Name,Died,Partner,Married\n1,Ada,1900,2,1910\n2,Bo,,,\n')).toContain('partners-dates');
  });
  it('one person twice, by name and dates', () =>
    expect(codes('Id,Name,Born,Father\n1,Ada,1900,\n2,ada,1900,\n3,Cy,1930,1\n')).toContain('same-person'));
  it('families that nothing ties together', () => expect(codes('Ada + Bo\n\tCy\nDi + Ed\n\tFay')).toContain('islands'));
  it('words that are no date', () => expect(codes(couple('3,Cy,M,in the spring,,2,1,,'))).toContain('no-date'));
  it('an uncertain date is given the benefit of the doubt', () =>
    expect(codes(couple('3,Cy,M,about 1898,,2,,,'))).not.toContain('before-parent'));
});

describe('adding persons by what they are', () => {
  const start = make('Ada + Bo\n\tCy');
  const after = (gesture: ReturnType<typeof addChild>): FamilyTree => {
    const outcome = applyGesture(start, gesture!);
    if (!outcome.ok) throw new Error(outcome.reason);
    expect(applyGesture(outcome.diagram, outcome.inverse)).toMatchObject({ diagram: start });
    return outcome.diagram as FamilyTree;
  };
  const made = { id: 'new', union: 'nu' };
  const parents = (diagram: FamilyTree, id: string) =>
    relationsOf(diagram)
      .parents(id)
      .map((one) => one.id);
  it('a child of the couple, after the others', () =>
    expect(parents(after(addChild(start, 'p1', made)), 'new')).toEqual(['p1', 'p1-2']));
  it('a sibling, of the same parents', () =>
    expect(parents(after(addSibling(start, 'p2', made)), 'new')).toEqual(['p1', 'p1-2']));
  it('a partner, with whom there are no children yet', () =>
    expect(relationsOf(after(addPartner(start, 'p2', made))).unionsOf('new')).toHaveLength(1));
  it('a parent, and no third', () => {
    expect(parents(after(addParent(start, 'p1', made)), 'p1')).toEqual(['new']);
    expect(addParent(start, 'p2', made)).toBeNull();
  });
  it('a child of a single person makes a family of one, whom a partner joins', () => {
    const one = after(addChild(start, 'p2', made));
    expect(parents(one, 'new')).toEqual(['p2']);
    const joined = applyGesture(one, addPartner(one, 'p2', { id: 'mate', union: 'x' })!);
    if (!joined.ok) throw new Error(joined.reason);
    expect(parents(joined.diagram as FamilyTree, 'new')).toEqual(['p2', 'mate']);
  });
  it('parents and partners are written by their names, or it is said why not', () => {
    expect(parentsWritten(start, 'p2', 'Ada', () => 'n1')).toMatchObject({ ok: true });
    expect(parentsWritten(start, 'p2', 'Nobody', () => 'n1')).toMatchObject({
      ok: false,
      reason: expect.stringContaining('Nobody in the list') as string,
    });
    expect(partnersWritten(start, 'p1', '', () => 'n1')).toMatchObject({
      ok: false,
      reason: expect.stringContaining('children') as string,
    });
    expect(partnersWritten(start, 'p2', 'Cy', () => 'n1')).toMatchObject({ ok: false });
  });
  it('who is removed comes back with partners, children and dates', () => {
    const outcome = applyGesture(start, [{ kind: 'removeEntries', ids: ['p1', 'p1-2'] }]);
    if (!outcome.ok) throw new Error(outcome.reason);
    expect((outcome.diagram as FamilyTree).family.unions).toEqual({});
    expect(applyGesture(outcome.diagram, outcome.inverse)).toMatchObject({ diagram: start });
  });
});
