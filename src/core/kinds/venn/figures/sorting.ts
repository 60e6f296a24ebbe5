import { maskOf, regionKey, setsInOrder, setsOfMask, type Venn } from '../model';
import { own } from '../../../model';

/** Where somebody who sorts the entries has put them: the mask of a region by entry; absent while it is in the word bank. */
export type Sorting = Readonly<Record<string, number>>;

export interface Misplaced {
  readonly id: string;
  readonly put: number;
  readonly belongs: number;
}

/** An answer checked: which entries are where they belong, which are elsewhere, and which were not sorted yet; in the order of the list. */
export interface Judgement {
  readonly right: readonly string[];
  readonly wrong: readonly Misplaced[];
  readonly left: readonly string[];
}

/** Holds a sorting against the diagram's own memberships. Entries that are no longer in the list do not count. */
export function judgeSorting(diagram: Venn, sorting: Sorting): Judgement {
  const sets = setsInOrder(diagram.venn);
  const right: string[] = [];
  const wrong: Misplaced[] = [];
  const left: string[] = [];
  for (const id of wordBank(diagram)) {
    const put = own(sorting, id);
    const belongs = maskOf(diagram.venn, sets, id);
    if (put === undefined) left.push(id);
    else if (put === belongs) right.push(id);
    else wrong.push({ id, put, belongs });
  }
  return { right, wrong, left };
}

/** All entries with a name, by name: an order that tells nothing of where they belong. */
export function wordBank(diagram: Venn): string[] {
  const key = (id: string) => own(diagram.entries, id)!.name.normalize('NFKD').toLowerCase();
  return Object.keys(diagram.entries)
    .filter((id) => own(diagram.entries, id)!.name.trim() !== '')
    .sort((a, b) => (key(a) < key(b) ? -1 : key(a) > key(b) ? 1 : a < b ? -1 : 1));
}

/** The diagram as far as it has been sorted: only what was put somewhere, there where it was put, as names in curves all alike. */
export function sortedSoFar(diagram: Venn, sorting: Sorting): Venn {
  const sets = setsInOrder(diagram.venn);
  const put = Object.keys(sorting).filter((id) => own(diagram.entries, id));
  const members = put.flatMap((id) => {
    const key = regionKey(setsOfMask(sets, own(sorting, id)!).map((set) => set.id));
    return key === '' ? [] : [[id, key.split(',')] as const];
  });
  return {
    ...diagram,
    entries: Object.fromEntries(put.map((id) => [id, own(diagram.entries, id)!])),
    venn: {
      ...diagram.venn,
      members: Object.fromEntries(members),
      manner: { ...diagram.venn.manner, shape: 'equal', content: 'names', frame: true },
    },
  };
}

/** The two sheets of an exercise on paper: to be filled in, with the word bank, and filled in. */
export function exerciseSheet(diagram: Venn, which: 'to-fill-in' | 'answered'): Venn {
  const manner = { ...diagram.venn.manner, shape: 'equal' as const, frame: true };
  return {
    ...diagram,
    venn: {
      ...diagram.venn,
      manner: which === 'answered' ? { ...manner, content: 'names' } : { ...manner, content: 'blank', wordBank: true },
    },
  };
}
