import { own } from '../../../model';
import { dateSpan, yearOfDay, yearsBetween } from '../dates';
import { personOf, type FamilyTree } from '../model';
import type { RelatedListing } from '../structure';

export interface FamilyFigures {
  readonly persons: number;
  readonly unions: number;
  readonly generations: readonly { readonly tier: number; readonly persons: number }[];
  /** Ages of parents when a child was born, and at death, where both dates tell them to the year. */
  readonly atBirth: readonly {
    readonly year: number;
    readonly age: number;
    readonly parent: string;
    readonly child: string;
  }[];
  readonly atDeath: readonly { readonly year: number; readonly age: number; readonly id: string }[];
  /** How many of the possible ancestors of the chosen person are known, a generation each; empty where nobody is chosen. */
  readonly completeness: readonly { readonly generation: number; readonly known: number; readonly possible: number }[];
}

/** Counts, ages, and how complete each generation of ancestors is. O(persons + relations). */
export function figureFamily(diagram: FamilyTree, { ids, tier, tierStart, relations }: RelatedListing): FamilyFigures {
  const born = new Map(ids.map((id) => [id, dateSpan(personOf(diagram, id).born)]));
  const atBirth: FamilyFigures['atBirth'][number][] = [];
  const atDeath: FamilyFigures['atDeath'][number][] = [];
  for (const child of ids) {
    const birth = born.get(child);
    const death = dateSpan(personOf(diagram, child).died);
    if (birth && death) {
      const { least, most } = yearsBetween(birth, death);
      if (most - least <= 2 && least >= 0) atDeath.push({ year: yearOfDay(death.from), age: least, id: child });
    }
    for (const { id: parent, kind } of relations.parents(child)) {
      const earlier = born.get(parent);
      if (!birth || !earlier || kind !== 'birth') continue;
      const { least, most } = yearsBetween(earlier, birth);
      if (most - least <= 2 && least >= 0) atBirth.push({ year: yearOfDay(birth.from), age: least, parent, child });
    }
  }
  return {
    persons: ids.filter((_, i) => tier[i]! > 0).length,
    unions: Object.keys(diagram.family.unions).length,
    generations: Array.from({ length: Math.max(0, tierStart.length - 1) }, (_, t) => ({
      tier: t + 1,
      persons: tierStart[t + 1]! - tierStart[t]!,
    })),
    atBirth,
    atDeath,
    completeness: completenessOf(diagram, relations),
  };
}

function completenessOf(
  { family, entries }: FamilyTree,
  relations: RelatedListing['relations'],
): FamilyFigures['completeness'] {
  const { of } = family.manner;
  if (of === null || !own(entries, of)) return [];
  const found: FamilyFigures['completeness'][number][] = [];
  let now: string[] = [of];
  // Whoever is reached twice counts at each place, as in a table of ancestors.
  for (let generation = 1; generation <= 12 && now.length > 0 && now.length < 5000; generation++) {
    now = now.flatMap((id) => relations.parentsOf(id)[0]?.union.partners ?? []);
    if (now.length > 0) found.push({ generation, known: now.length, possible: 2 ** generation });
  }
  return found;
}
