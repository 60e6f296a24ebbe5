import fc from 'fast-check';
import { readGedcom as readIndependently } from 'read-gedcom';
import { describe, expect, it } from 'vitest';
import { applyGesture, brokenInvariants, tokensOf } from '../../../diagram';
import { families, familyOf } from '../../../testing/arbitrary-family';
import { hostileName } from '../../../testing/hostile-names';
import { own } from '../../../model';
import { familyTree } from '../kind';
import { personOf, type FamilyTree } from '../model';
import { relationsOf } from '../relations';
import { familyGedcom } from '../write/gedcom';
import { gedcomNodes, gedcomText } from './gedcom-lines';
import { readGedcom } from './gedcom';
import { readFamily } from './read';

const make = (text: string): FamilyTree => familyTree.make(readFamily(tokensOf(text)), '');

/** What a family says, by names: persons with their dates, couples, and whose children they are. */
function told(diagram: FamilyTree) {
  const relations = relationsOf(diagram);
  const name = (id: string) => own(diagram.entries, id)!.name;
  return Object.keys(diagram.entries)
    .map((id) => {
      const { born, died, sex } = personOf(diagram, id);
      return {
        name: name(id),
        details: own(diagram.entries, id)!.details,
        ...{ born, died, sex },
        parents: relations.parentsOf(id).map(({ union, kind }) => [kind, ...union.partners.map(name).sort()]),
        ways: relations
          .parents(id)
          .map((parent) => `${parent.kind} ${name(parent.id)}`)
          .sort(),
        partners: relations
          .unionsOf(id)
          .flatMap(({ partners }) => partners.filter((one) => one !== id).map(name))
          .sort(),
      };
    })
    .sort((a, b) => (a.name < b.name ? -1 : 1));
}

const named = fc
  .record({
    draws: fc.array(fc.nat({ max: 1_000_000 }), { minLength: 1, maxLength: 9 }),
    names: fc.uniqueArray(
      hostileName.map((one) => one.replace(/\s+/g, ' ').replaceAll('/', '').trim()),
      { minLength: 9, maxLength: 9 },
    ),
  })
  .filter(({ names }) => names.every((name) => name !== ''))
  .map(({ draws, names }) => familyOf(draws, (i) => names[i]!));

/** Everybody's name, with their partners and parents in words. */
const related = (diagram: FamilyTree): string[][] =>
  told(diagram).map(({ name, partners, parents }) => [
    name,
    partners.join(),
    parents.map((one) => one.join(' ')).join(),
  ]);

describe('families there and back', () => {
  it('as CSV', () => {
    fc.assert(
      fc.property(named, (diagram) => {
        const back = make(familyTree.csv(diagram));
        expect(brokenInvariants(back)).toEqual([]);
        expect(told(back)).toEqual(told(diagram));
      }),
      { numRuns: 300 },
    );
  });
  it('as GEDCOM, with how couples are and long details', () => {
    fc.assert(
      fc.property(named, fc.string({ minLength: 1, maxLength: 700 }), (diagram, long) => {
        const detail = long.replace(/\s+/g, ' ').trim() || 'x';
        const first = Object.keys(diagram.entries)[0]!;
        const told_ = {
          ...diagram,
          entries: {
            ...diagram.entries,
            [first]: { ...own(diagram.entries, first)!, details: [detail.slice(0, 900)] },
          },
        };
        const back = make(familyGedcom(told_));
        expect(told(back)).toEqual(told(told_));
        const kinds = (of: FamilyTree) =>
          Object.values(of.family.unions)
            .map(({ kind, partners }) => `${kind} ${partners.length}`)
            .sort();
        expect(kinds(back)).toEqual(kinds(told_));
        // Written again it stays what it is.
        expect(familyGedcom(make(familyGedcom(back)))).toBe(familyGedcom(back));
      }),
      { numRuns: 300 },
    );
  });
  it('as GEDCOM an independent reader finds the same persons, couples and children in', () => {
    fc.assert(
      fc.property(named, (diagram) => {
        const read = readIndependently(new TextEncoder().encode(familyGedcom(diagram)).buffer as ArrayBuffer);
        const nameOf = (id: string | null) =>
          (read.getIndividualRecord(id).getName().value()[0] ?? '').replaceAll('/', '').replace(/\s+/g, ' ').trim();
        const persons = read.getIndividualRecord().arraySelect();
        const theirs = persons.map((one) => nameOf(one.pointer()[0]!)).sort();
        const ours = Object.values(diagram.entries)
          .map(({ name }) => name)
          .sort();
        expect(theirs).toEqual(ours);
        const partners = (list: readonly (string | null)[]) =>
          list
            .map(nameOf)
            .filter((name) => name !== '')
            .sort()
            .join(' & ');
        const families = read.getFamilyRecord().arraySelect();
        expect(
          families
            .map((one) => {
              const couple = [...one.getHusband().value(), ...one.getWife().value()];
              return `${partners(couple)}: ${partners(one.getChild().value())}`;
            })
            .sort(),
        ).toEqual(
          Object.values(diagram.family.unions)
            .map(({ id, partners: of }) => {
              const couple = of.map((one) => own(diagram.entries, one)!.name).sort();
              const children = relationsOf(diagram)
                .childrenOf(id)
                .map((one) => own(diagram.entries, one.id)!.name)
                .sort();
              return `${couple.join(' & ')}: ${children.join(' & ')}`;
            })
            .sort(),
        );
      }),
      { numRuns: 100 },
    );
  });
  it('an edited table changes what it says and nothing else, and can be taken back', () => {
    const before = make('Id,Name,Born,Parent 1,Parent 2,Partners\n1,Ada,1900,,,2\n2,Bo,1899,,,1\n3,Cy,1925,1,2,\n');
    let n = 0;
    const { gesture } = familyTree.update(before, familyTree.csv(before).replace('1925', '1926'), () => `new${n++}`);
    expect(gesture).toEqual([expect.objectContaining({ kind: 'setPerson', patch: { born: '1926' } })]);
    const more = familyTree.update(before, `${familyTree.csv(before)}4,Di,1930,1,2,\r\n`, () => `new${n++}`);
    const outcome = applyGesture(before, more.gesture);
    if (!outcome.ok) throw new Error(outcome.reason);
    expect(told(outcome.diagram as FamilyTree).find(({ name }) => name === 'Di')!.parents).toEqual([
      ['birth', 'Ada', 'Bo'],
    ]);
    expect(applyGesture(outcome.diagram, outcome.inverse)).toMatchObject({ diagram: before });
    expect(familyTree.update(before, familyTree.csv(before), () => 'x').gesture).toEqual([]);
  });
});

const written = `0 HEAD
1 SOUR SOMEWHERE
2 VERS 3
1 GEDC
2 VERS 5.5.1
1 CHAR UTF-8
0 @I1@ INDI
1 NAME Ada /Quill/
2 GIVN Ada
2 SURN Quill
1 SEX F
1 BIRT
2 DATE ABT 1850
2 PLAC The Staithe
2 _EXACT no
1 OCCU Sail maker
2 DATE 1880
1 _COLOUR green
1 NOTE First line
2 CONT second @@ line
2 CONC  goes on
1 FAMS @F1@
0 @I2@ INDI
1 NAME Bo Marsh
1 FAMS @F1@
0 @I3@ INDI
1 NAME Cy Quill
1 FAMC @F1@
2 PEDI adopted
0 @F1@ FAM
1 HUSB @I2@
1 WIFE @I1@
1 CHIL @I3@
1 MARR
2 DATE 3 MAY 1871
2 PLAC Brackwater
1 _HOUSE The boathouse
0 @S1@ SOUR
1 TITL Parish book
0 TRLR
`;

describe('GEDCOM', () => {
  it('is read with dates, places, partners, children and how they belong', () => {
    const diagram = make(written);
    expect(told(diagram)).toEqual([
      {
        name: 'Ada Quill',
        details: ['First line', 'second @ line goes on'],
        born: 'ABT 1850',
        died: '',
        sex: 'female',
        parents: [],
        ways: [],
        partners: ['Bo Marsh'],
      },
      { name: 'Bo Marsh', details: [], born: '', died: '', sex: null, parents: [], ways: [], partners: ['Ada Quill'] },
      {
        name: 'Cy Quill',
        details: [],
        born: '',
        died: '',
        sex: null,
        parents: [['adopted', 'Ada Quill', 'Bo Marsh']],
        ways: ['adopted Ada Quill', 'adopted Bo Marsh'],
        partners: [],
      },
    ]);
    expect(Object.values(diagram.family.unions)[0]).toMatchObject({ kind: 'married', from: '3 MAY 1871' });
  });
  it('what is not understood is written back in its place', () => {
    const text = familyGedcom(make(written));
    for (const line of [
      '1 _COLOUR green',
      '1 OCCU Sail maker\n2 DATE 1880',
      '2 _EXACT no',
      '2 GIVN Ada',
      '1 _HOUSE The boathouse',
      '1 TITL Parish book',
      '2 PLAC Brackwater',
      '1 NAME Ada /Quill/',
    ])
      expect(text).toContain(line);
    // Below their own events.
    expect(text).toMatch(/1 BIRT\n2 DATE ABT 1850\n2 PLAC The Staithe\n2 _EXACT no/);
    expect(text).toMatch(/1 MARR\n2 DATE 3 MAY 1871\n2 PLAC Brackwater/);
  });
  it.each([
    ['\r\n', 'carriage return and line feed'],
    ['\r', 'carriage returns alone'],
  ])('line ends do not matter: %j, %s', (end) =>
    expect(told(make(written.replaceAll('\n', end)))).toEqual(told(make(written))),
  );
  it('version 7 without CHAR, with other sex and notes', () => {
    const { entries, people } = readGedcom(
      '0 HEAD\n1 GEDC\n2 VERS 7.0\n0 @I1@ INDI\n1 NAME Wren /Holm/\n1 SEX X\n1 NOTE @@home\n0 TRLR\n',
    );
    expect(entries[0]).toMatchObject({ name: 'Wren Holm', details: ['@home'] });
    expect(people.p1!.sex).toBe('other');
  });
  it('faults are told with their line, and the rest is read', () => {
    const { entries, findings } = readGedcom(
      '0 HEAD\n0 @I1@ INDI\n1 NAME Ada\nnonsense here\n4 DATE 1900\n1 FAMC @F9@\n0 @F2@ FAM\n1 HUSB @I7@\n1 CHIL @I1@\n',
    );
    expect(entries).toHaveLength(1);
    const lines = findings.map(({ line }) => line);
    for (const line of [4, 5, 6, 8]) expect(lines).toContain(line);
  });
  it('whatever stands in a file, it is read without failing or hanging', () => {
    const piece = fc.constantFrom(
      '0',
      '1',
      '2',
      '99',
      '@I1@',
      '@F1@',
      'INDI',
      'FAM',
      'NAME',
      'HUSB',
      'CHIL',
      'FAMC',
      'CONC',
      'DATE',
      '@',
      ' ',
      '\n',
      '\r',
      'é',
      '\u0000',
      'ABT 1850',
      '/x/',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 120 }), (pieces) => {
        const diagram = make(`0 HEAD\n${pieces.join('')}`);
        expect(brokenInvariants(diagram)).toEqual([]);
      }),
      { numRuns: 500 },
    );
  });
  it('100,000 lines are read in one go', () => {
    const many = Array.from(
      { length: 16_666 },
      (_, i) =>
        `0 @I${i}@ INDI\n1 NAME Person ${i}\n1 BIRT\n2 DATE ${1700 + (i % 300)}\n1 NOTE about ${i}\n1 FAMS @F${i}@`,
    );
    const { entries, findings } = readGedcom(`0 HEAD\n${many.join('\n')}\n0 TRLR`);
    expect(entries).toHaveLength(16_666);
    expect(findings).toEqual([]);
  });
  it('long values are parted and put together again, blanks at the seams included', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 900 }), (value) => {
        const plain = value.replace(/[\r\n]/g, ' ').replace(/^\s+|\s+$/g, '');
        fc.pre(!/^@[^@#][^@]*@$/.test(plain));
        const [node] = gedcomNodes(gedcomText(0, 'NOTE', plain)).nodes;
        expect(node!.value).toBe(plain);
      }),
    );
  });
});

describe('lists as they come', () => {
  it('a table by names: partners, parents, and who is named only there', () => {
    const read = readFamily(
      tokensOf('Name,Born,Father,Mother,Spouse\nAda Quill,1900,,,Bo Marsh\nCy Marsh,1925,Bo Marsh,Ada Quill,\n'),
    );
    expect(read.entries.map(({ name }) => name)).toEqual(['Ada Quill', 'Cy Marsh', 'Bo Marsh']);
    expect(read.unions).toHaveLength(1);
    expect(read.findings.map(({ code }) => code)).toEqual(['added-person']);
  });
  it('a near spelling is asked about, and the answer counts', () => {
    const list = 'Name,Father\nJoakim Tolvanen,\nElof Tolvanen,Joakim Tolvannen\n';
    const read = readFamily(tokensOf(list));
    expect(read.questions[0]!.text).toContain('Is “Joakim Tolvannen” in line 3 Joakim Tolvanen, line 2?');
    expect(read.entries).toHaveLength(2);
    const added = readFamily(tokensOf(list), { answers: { [read.questions[0]!.id]: 'add' } });
    expect(added.entries).toHaveLength(3);
  });
  it('an outline whose partners stand on lines of their own with a plus, children below them or beside them', () => {
    for (const indent of ['      ', '\t  ']) {
      const diagram = make(
        `Edith Marsh (1904–1990)\n    + Karl Brandt\n${indent}Hans Brandt (1930)\n    + Lionel Pym\n      Rosa Pym (1937)`,
      );
      expect(related(diagram).sort()).toEqual([
        ['Edith Marsh', 'Karl Brandt,Lionel Pym', ''],
        ['Hans Brandt', '', 'birth Edith Marsh Karl Brandt'],
        ['Karl Brandt', 'Edith Marsh', ''],
        ['Lionel Pym', 'Edith Marsh', ''],
        ['Rosa Pym', '', 'birth Edith Marsh Lionel Pym'],
      ]);
      expect(personOf(diagram, 'p3')).toMatchObject({ born: '1930', died: '' });
    }
  });
  it('children on the indent of the only partner are of the two', () => {
    const diagram = make('Edith Marsh\n    + Karl Brandt\n    Hans Brandt\n    Ida Brandt');
    const children = told(diagram).filter(({ parents }) => parents.length > 0);
    expect(children.map(({ name }) => name)).toEqual(['Hans Brandt', 'Ida Brandt']);
    for (const { parents } of children) expect(parents).toEqual([['birth', 'Edith Marsh', 'Karl Brandt']]);
  });
  it('an outline: partners after + or &, further partners on lines of their own, dates in brackets', () => {
    const diagram = make(
      'Ada Quill (1900–1980) + Bo Marsh\n\tCy Marsh (b. 1925)\n\t& Di Holm\n\t\tEd Holm\nFay Reed\n',
    );
    expect(related(diagram)).toEqual([
      ['Ada Quill', 'Bo Marsh,Di Holm', ''],
      ['Bo Marsh', 'Ada Quill', ''],
      ['Cy Marsh', '', 'birth Ada Quill Bo Marsh'],
      ['Di Holm', 'Ada Quill', ''],
      ['Ed Holm', '', 'birth Ada Quill Di Holm'],
      ['Fay Reed', '', ''],
    ]);
    expect(personOf(diagram, 'p1')).toMatchObject({ born: '1900', died: '1980' });
  });
  it('any generated family holds together', () => {
    fc.assert(
      fc.property(families(40), (diagram) => {
        expect(brokenInvariants(diagram)).toEqual([]);
      }),
      { numRuns: 50 },
    );
  });
});
