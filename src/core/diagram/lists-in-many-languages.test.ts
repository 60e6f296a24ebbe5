import { describe, expect, it } from 'vitest';
import type { FamilyReading } from '../kinds/family-tree/read/result';
import { readInAllKinds } from './reading';

const best = (list: string) => readInAllKinds(list)[0]!;
const told = (list: string): string[] => {
  const { kind, read } = best(list);
  const names = new Map(read.entries.map(({ id, name }) => [id, name]));
  return [kind.id, ...read.entries.map(({ name, parent }) => (parent ? `${name} < ${names.get(parent)}` : name))];
};

/** Headings for id, name, post and superior. */
const staff: readonly (readonly [language: string, headings: string])[] = [
  ['Polish', 'Nr przełożonego;Imię i nazwisko;Nr pracownika;Stanowisko'],
  ['Finnish', 'Esihenkilön numero;Nimi;Henkilönumero;Tehtävä'],
  ['Turkish', 'Amir sicil no;Ad Soyad;Sicil no;Görev'],
  ['Portuguese', 'Código do chefe;Nome;Matrícula;Cargo'],
  ['Czech', 'Číslo nadřízeného;Jméno a příjmení;Osobní číslo;Funkce'],
  ['Hungarian', 'Felettes;Név;Azonosító;Beosztás'],
  ['Russian', 'Руководитель;ФИО;Табельный номер;Должность'],
  ['Chinese', '上级;姓名;工号;职位'],
  ['no language', 'Qqz;Wwx;Eev;Rru'],
];

describe('lists in many languages', () => {
  it.each(staff)('of staff, headed in %s', (_, headings) => {
    const list = [headings, ';Ada Quill;71;Lead', '71;Bo Marsh;72;Clerk', '71;Cy Tern;73;Cook', '73;Di Sand;74;Help'];
    expect(told(list.join('\n'))).toEqual([
      'org-chart',
      'Ada Quill',
      'Bo Marsh < Ada Quill',
      'Cy Tern < Ada Quill',
      'Di Sand < Cy Tern',
    ]);
  });
  it('of a family, where two rows name each other as child and so tell a ring, not a couple', () => {
    const list = `Lp.;Imię i nazwisko;Ur.;Ojciec;Matka;Małżonek
1;Jan Sowa;1868;;;2
2;Ewa Sowa;1871;;;1
4;Ola Sowa;1895;6;2;5
6;Iga Sowa;1920;4;5;
5;Lech Kos;1894;;;4
3;Adam Sowa;1892;1;2;
7;Piotr Sowa;1897;1;2;`;
    const { kind, read } = best(list);
    expect(kind.id).toBe('family-tree');
    expect(read.columns.map(({ use }) => use)).toEqual(['id', 'name', 'born', 'father', 'mother', 'partner']);
  });
  it.each([
    ['adoptiert', 'adopted'],
    ['Pflegekind', 'foster'],
    ['pasierb', 'step'],
    ['fosterbarn', 'foster'],
    ['üvey', 'step'],
    ['pastorek', 'step'],
    ['Pastor', 'birth'],
    ['evlat', 'birth'],
  ])('of a child that is “%s”', (word, kind) => {
    const { read } = best(`Ada Quill, 1904 & Bo Quill, 1903\n  Cy Quill, 1930 (${word})\n  Di Quill, 1932`);
    const family = read as unknown as FamilyReading;
    expect(Object.values(family.parentage).map(([one]) => one!.kind)).toEqual([kind, 'birth']);
  });
  it('of topics with remarks that come again, which are no phrases between ideas', () => {
    const list = `Pojęcie;Pojęcie nadrzędne
Zwierzęta;
Ptaki;Zwierzęta
Ryby;Zwierzęta
Czapla;Ptaki`;
    expect(told(list)).toEqual(['topic-tree', 'Zwierzęta', 'Ptaki < Zwierzęta', 'Ryby < Zwierzęta', 'Czapla < Ptaki']);
  });
  it('of sets, whatever a set is called in an office', () => {
    const list = `Local;Nome;Vegan
x;Oat bars;
x;Plum jam;x
;Tofu;x
;Honey;`;
    const { kind, read } = best(list);
    expect(kind.id).toBe('venn');
    expect((read as unknown as { sets: { name: string; items: string[] }[] }).sets).toMatchObject([
      { name: 'Local', items: { length: 2 } },
      { name: 'Vegan', items: { length: 2 } },
    ]);
  });
  it('of marks that are first letters of yes and no, which one language has for yes and another for no', () => {
    const held = (list: string) => {
      const { read } = best(list);
      const names = new Map(read.entries.map(({ id, name }) => [id, name]));
      return (read as unknown as { sets: { name: string; items: string[] }[] }).sets.map(
        ({ name, items }) => `${name}: ${items.map((id) => names.get(id)).join(', ')}`,
      );
    };
    expect(held('Thing;Frozen;Vegan\nPeas;E;E\nFish;E;H\nTofu;H;E')).toEqual([
      'Frozen: Peas, Fish',
      'Vegan: Peas, Tofu',
    ]);
    expect(held('Thing;Frozen;Vegan\nPeas;k;k\nFish;k;e\nTofu;e;k')).toEqual([
      'Frozen: Peas, Fish',
      'Vegan: Peas, Tofu',
    ]);
  });
  it('of a superior beside the first, by its heading', () => {
    const list = `Naam;Functioneel leidinggevende;Valt onder
Ada Quill;;
Bo Marsh;;Ada Quill
Cy Tern;;Bo Marsh
Di Sand;Bo Marsh;Ada Quill`;
    expect(told(list).slice(1)).toEqual([
      'Ada Quill',
      'Bo Marsh < Ada Quill',
      'Cy Tern < Bo Marsh',
      'Di Sand < Ada Quill',
    ]);
    expect(best(list).read.links).toHaveLength(1);
  });
  it('of regions with one item each, and with any short word between their sets', () => {
    const sets = (list: string) =>
      (best(list).read as unknown as { sets: { name: string }[] }).sets.map((one) => one.name);
    const signs = `Boat ∩ First aid: Lea Pond
First aid: Per Rand
Boat: Una Gray
Boat ∩ First aid ∩ Key: Gus Vega
Key: Hal Reed`;
    expect([best(signs).kind.id, ...sets(signs)]).toEqual(['venn', 'Boat', 'First aid', 'Key']);
    const words = `First aid: Ada Quill, Bo Marsh
Key holder: Cy Tern
Boat: Di Sand, Una Gray
First aid i Key holder: Gus Vega`;
    expect([best(words).kind.id, ...sets(words)]).toEqual(['venn', 'First aid', 'Key holder', 'Boat']);
  });
  it('of a page foot and a sum between the rows, in words that nobody told', () => {
    const list = `Ad Soyad;Amiri;Görev
Ada Quill;;Müdür
Bo Marsh;Ada Quill;Memur
Cy Tern;Ada Quill;Memur
Sayfa 2 / 3;;
Di Sand;Cy Tern;Memur
Fahim Us;Cy Tern;Memur
Hepsi;5;`;
    expect(told(list).slice(1)).toEqual([
      'Ada Quill',
      'Bo Marsh < Ada Quill',
      'Cy Tern < Ada Quill',
      'Di Sand < Cy Tern',
      'Fahim Us < Cy Tern',
    ]);
    expect(best(list).read.notPlaced.map(({ line }) => line)).toEqual([5, 8]);
  });
  it('of departments that stand above their people in a row of their own, beside the foot of a page and a line to sign on', () => {
    const list = `NAME             NO  UNDER  POST
Ada Quill        01  -      Chief
Operations
Bo Marsh         02  1      Lead
Cy Tern          03  2      Clerk
Customer care
Di Sand          04  1      Lead
p. 2/3
Una Gray         05  4      Cook
Wen Abbot        06  4      Cook
Vic Sand         07  4      Clerk

Checked: ________`;
    expect(best(list).read.entries).toHaveLength(7);
  });
});

describe('outlines that are told by little', () => {
  it('of ways with two steps, where each begins with a line of its own', () => {
    const list = 'Sail\nSloop < Sail\nKetch < Sail\nOar\nSkiff < Oar\nGig < Oar';
    expect(told(list).slice(1)).toEqual(['Sail', 'Sloop < Sail', 'Ketch < Sail', 'Oar', 'Skiff < Oar', 'Gig < Oar']);
    expect(best(list).fit!.because).toBe('Each line tells the way from the top.');
  });
  it('of a number alone that others go on from', () => {
    const list = 'Status 3 May\n\n1 Ada Quill oo Bo Marsh\n1.1 Cy Marsh oo Di Sand\n1.2 Una Marsh\n\nSigned: ____';
    expect(best(list).read.entries.map(({ name }) => name)).toEqual([
      'Ada Quill',
      'Bo Marsh',
      'Cy Marsh',
      'Di Sand',
      'Una Marsh',
    ]);
  });
  it('of a second partner on the indent of the first, below grandchildren of the first couple', () => {
    const list = `Ada Quill + Bo Marsh
  Cy Marsh + Di Sand
    Una Sand + Wen Abbot
      Xan Abbot
  + Vic Tern
    Yuki Tern`;
    const { read } = best(list);
    const family = read as unknown as FamilyReading;
    const nameOf = new Map(read.entries.map(({ id, name }) => [id, name]));
    const couples = family.unions.map(({ partners }) => partners.map((id) => nameOf.get(id)).join(' + '));
    expect(couples).toContain('Cy Marsh + Vic Tern');
    expect(read.findings).toEqual([]);
  });
  it('of tabs, where no row has two cells, which is no table', () => {
    const list = 'Snow\n\tOld snow\n\t\tSkare\n\t\tFirn\n\tNew snow\n\t\tPowder snow';
    expect(told(list).slice(1)).toEqual([
      'Snow',
      'Old snow < Snow',
      'Skare < Old snow',
      'Firn < Old snow',
      'New snow < Snow',
      'Powder snow < New snow',
    ]);
  });
});
