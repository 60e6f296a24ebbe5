import { csvRow } from '../../../hierarchy';
import { own } from '../../../model';
import { cellOf, trayHeading } from '../../../read';
import { personOf, type FamilyTree } from '../model';
import { relatedStructure } from '../structure';

/**
 * The persons as RFC 4180 CSV: number, name, dates, sex, parents, how they belong to them, partners, details. A child of several partnerships is told with
 * the first. Read back by `readFamilyTable`; GEDCOM holds more.
 */
export const familyCsv = (diagram: FamilyTree): string => rows(diagram).map(csvRow).join('');

function rows(diagram: FamilyTree): string[][] {
  const { entries, family, notPlaced } = diagram;
  const { outline, ids, relations } = relatedStructure(diagram);
  const order = Array.from(outline, (i) => ids[i]!);
  const number = new Map(order.map((id, k) => [id, String(k + 1)]));
  const most = order.reduce((n, id) => Math.max(n, own(entries, id)!.details.length), 0);
  const wanted = (has: (id: string) => boolean) => order.some(has);
  interface Column {
    readonly heading: string;
    readonly cell: (id: string) => string;
    readonly shown: boolean;
  }
  const all: Column[] = [
    { heading: 'Id', cell: (id) => number.get(id)!, shown: true },
    { heading: 'Name', cell: (id) => own(entries, id)!.name, shown: true },
    ...(
      [
        ['Born', 'born'],
        ['Died', 'died'],
        ['Birth place', 'birthPlace'],
        ['Death place', 'deathPlace'],
      ] as const
    ).map(([heading, key]) => ({
      heading,
      cell: (id: string) => personOf(diagram, id)[key],
      shown: wanted((id) => personOf(diagram, id)[key] !== ''),
    })),
    {
      heading: 'Sex',
      cell: (id) => personOf(diagram, id).sex ?? '',
      shown: wanted((id) => personOf(diagram, id).sex !== null),
    },
    ...[0, 1].map((k) => ({
      heading: `Parent ${k + 1}`,
      cell: (id: string) => number.get(relations.parentsOf(id)[0]?.union.partners[k] ?? '') ?? '',
      shown: true,
    })),
    {
      heading: 'Parentage',
      cell: (id) => {
        const [link] = relations.parentsOf(id);
        if (!link) return '';
        const { kind, otherwise, union } = link;
        const other = otherwise && union.partners.includes(otherwise.parent) ? otherwise : null;
        return [
          ...(kind === 'birth' ? [] : [kind]),
          ...(other ? [`${other.kind} of ${number.get(other.parent)!}`] : []),
        ].join('; ');
      },
      shown: Object.values(family.parentage).some((links) =>
        links.some(({ kind, otherwise }) => kind !== 'birth' || otherwise !== undefined),
      ),
    },
    {
      heading: 'Partners',
      cell: (id) =>
        cellOf(
          relations
            .unionsOf(id)
            .flatMap(({ partners }) => partners.filter((one) => one !== id).map((one) => number.get(one)!)),
        ),
      shown: true,
    },
    {
      heading: 'Kind',
      cell: (id) => own(entries, id)!.role ?? '',
      shown: wanted((id) => own(entries, id)!.role !== null),
    },
    ...Array.from({ length: most }, (_, k) => ({
      heading: `Detail ${k + 1}`,
      cell: (id: string) => own(entries, id)!.details[k] ?? '',
      shown: true,
    })),
    { heading: trayHeading, cell: () => '', shown: notPlaced.length > 0 },
  ];
  const columns = all.filter(({ shown }) => shown);
  const empty = columns.slice(1).map(() => '');
  return [
    columns.map(({ heading }) => heading),
    ...order.map((id) => columns.map(({ cell }) => cell(id))),
    ...notPlaced.map(({ text }) => [...empty, text]),
  ];
}
