import { own } from '../model';
import type { Diagram } from '../model';
import type { Structure } from './structure';

/** Roles an org chart knows. `manager` is told from the structure, the others are set by hand or read from the list. */
export const orgRoles = [
  { id: 'manager', name: 'Manager', told: 'has reports' },
  { id: 'assistant', name: 'Assistant', told: 'stands beside the line' },
  { id: 'vacancy', name: 'Vacant post', told: 'post not filled' },
] as const;

/** The role of an entry: what was set, else `manager` where it has reports, else none. */
export function roleOf(diagram: Diagram, structure: Structure, index: number): string | null {
  const set = own(diagram.entries, structure.ids[index]!)!.role;
  return set ?? (structure.count[index]! > 0 ? 'manager' : null);
}

/** An assistant stands beside the line only where it belongs to somebody and has nobody under it. */
export function isBesideLine(diagram: Diagram, structure: Structure, index: number): boolean {
  return (
    own(diagram.entries, structure.ids[index]!)!.role === 'assistant' &&
    structure.parent[index]! >= 0 &&
    structure.count[index] === 0
  );
}

export function roleName(role: string): string {
  return orgRoles.find((known) => known.id === role)?.name ?? role;
}

/** "II" for tier 2: tiers are numbered as people write levels on a chart. */
export function roman(n: number): string {
  const signs: [number, string][] = [
    [1000, 'M'],
    [900, 'CM'],
    [500, 'D'],
    [400, 'CD'],
    [100, 'C'],
    [90, 'XC'],
    [50, 'L'],
    [40, 'XL'],
    [10, 'X'],
    [9, 'IX'],
    [5, 'V'],
    [4, 'IV'],
    [1, 'I'],
  ];
  let rest = n;
  let text = '';
  for (const [value, sign] of signs) {
    while (rest >= value) {
      text += sign;
      rest -= value;
    }
  }
  return text;
}
