import { own } from '../../../model';
import { columnUseOf, isAmount, type ReadEntry, type Reading } from '../../../read';
import { parseAmount, parseProbability } from '../numbers';
import { decisionVocabulary } from '../words';

/** What a field of a table of branches tells, by its heading or by its numbers. */
export type NumberUses = ReadonlyMap<string, 'own-probability' | 'own-cost' | 'own-payoff'>;

const fewest = 2;
const share = 0.9;
const mostlyAtEnds = 0.7;
/** The chances below one branch make 1 so nearly. */
const near = 0.02;

/**
 * Which fields tell chances, costs and payoffs: chances are shares that make 1 below a branch; payoffs stand at ends more than anywhere else, costs do not.
 * What a heading tells is kept to. O(entries × fields).
 */
export function numberUses({ entries }: Reading): NumberUses {
  const uses = new Map<string, 'own-probability' | 'own-cost' | 'own-payoff'>();
  const fields = [...new Set(entries.flatMap((entry) => Object.keys(entry.fields)))];
  const leading = new Set(entries.map(({ parent }) => parent));
  const isEnd = ({ id }: ReadEntry): boolean => !leading.has(id);
  let hasMoney = false;
  const amounts: { field: string; atEnds: number; count: number }[] = [];
  for (const field of fields) {
    const use = field.startsWith('own-') ? field : columnUseOf(field, decisionVocabulary.headings);
    if (use === 'own-probability' || use === 'own-cost' || use === 'own-payoff') uses.set(field, use);
    if (use !== null && use !== 'detail' && use !== 'name') continue;
    const told = entries.filter((entry) => own(entry.fields, field));
    const chances = told.filter((entry) => parseProbability(own(entry.fields, field)!) !== null);
    if (told.length >= fewest && chances.length >= told.length * share && makeOne(told, field)) {
      uses.set(field, 'own-probability');
      continue;
    }
    const numbers = told.filter((entry) => parseAmount(own(entry.fields, field)!) !== null);
    hasMoney ||= told.filter((entry) => isAmount(own(entry.fields, field)!)).length >= Math.max(1, told.length * 0.5);
    if (told.length > 0 && numbers.length >= told.length * share)
      amounts.push({ field, atEnds: told.filter(isEnd).length / told.length, count: told.length });
  }
  // Numbers alone may be years.
  if (uses.size === 0 && !(hasMoney && (amounts.length > 1 || isOfEnds(entries, amounts)))) return uses;
  const taken = new Set(uses.values());
  amounts.sort((a, b) => b.atEnds - a.atEnds || b.count - a.count);
  for (const { field, atEnds } of amounts) {
    const isPayoff = atEnds > mostlyAtEnds || taken.has('own-cost');
    const use = isPayoff && !taken.has('own-payoff') ? 'own-payoff' : 'own-cost';
    if (taken.has(use)) continue;
    taken.add(use);
    uses.set(field, use);
  }
  return uses;
}

/** Whether one column of money speaks of a decision by itself: it stands at ends alone, and some of it is lost, or the top asks. */
function isOfEnds(entries: readonly ReadEntry[], amounts: readonly { field: string; atEnds: number }[]): boolean {
  const [only] = amounts;
  if (!only || only.atEnds < 1) return false;
  const isLost = entries.some(({ fields }) => (parseAmount(own(fields, only.field) ?? '')?.value ?? 0) < 0);
  return isLost || entries.some(({ parent, name }) => parent === null && name.endsWith('?'));
}

/** Whether shares below most branches that have some make 1. */
function makeOne(told: readonly ReadEntry[], field: string): boolean {
  const shares = told.map((entry) => ({
    parent: entry.parent,
    value: parseProbability(own(entry.fields, field)!) ?? 0,
  }));
  if (shares.some(({ value }) => value < 0 || value > 1)) return false;
  const { whole, all } = sumsOfOne(shares);
  return whole >= Math.max(1, all * 0.5);
}

/** Below how many branches shares are told, and below how many of them they make 1. */
export function sumsOfOne(shares: readonly { readonly parent: string | null; readonly value: number }[]): {
  readonly whole: number;
  readonly all: number;
} {
  const sums = new Map<string | null, number>();
  for (const { parent, value } of shares) sums.set(parent, (sums.get(parent) ?? 0) + value);
  return { whole: [...sums.values()].filter((sum) => Math.abs(sum - 1) < near).length, all: sums.size };
}
