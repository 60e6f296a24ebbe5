import { own, type DiagramCommon, type StylePatch } from '../model';
import { ownRoleOf } from './own-roles';
import type { Hierarchy } from './structure';

/** A kind of entry that cuts across tiers. */
export interface Role {
  readonly id: string;
  readonly name: string;
  /** What makes an entry one, in a few words. */
  readonly told: string;
  /** What its manner on the sheet means, as the legend says it beside a small box of that manner; left out where it has none. */
  readonly legend?: string;
  /** True: it stands beside the line to its superior, where it belongs to one and has nobody under it. */
  readonly beside?: boolean;
  /** True: nobody holds it yet, and lists say so by slanted letters. */
  readonly open?: boolean;
  /** What it changes of a box, whatever the look. */
  style?(diagram: DiagramCommon): StylePatch;
}

/** The roles of a kind whose entries stand under each other. `leading`: the role of whoever has others under it, told from the structure. */
export interface Roles {
  readonly all: readonly Role[];
  readonly leading: string | null;
  /** The role of an entry, where the kind tells it in another way; left out where what is set counts, and else `leading`. */
  told?(diagram: DiagramCommon, structure: Hierarchy, index: number): string | null;
  /** What the kind changes of the boxes of a tier, whatever the look. */
  tierStyle?(diagram: DiagramCommon, tier: number): StylePatch;
}

/** The role of an entry: what was set, else one made for the diagram, else the leading one where it has entries under it, else none. */
export function roleOf(diagram: DiagramCommon, structure: Hierarchy, index: number, roles: Roles): string | null {
  if (roles.told) return roles.told(diagram, structure, index);
  const id = structure.ids[index]!;
  const leads = structure.count[index]! > 0;
  const { role } = own(diagram.entries, id)!;
  return role ?? ownRoleOf(diagram, id, leads) ?? (leads ? roles.leading : null);
}

/** The role made for the diagram that an entry has besides the one its kind tells; null where it has none, or where the kind lets it take that one's place. */
export const roleBesides = (
  diagram: DiagramCommon,
  structure: Hierarchy,
  index: number,
  roles: Roles,
): string | null => (roles.told ? ownRoleOf(diagram, structure.ids[index]!, structure.count[index]! > 0) : null);

/** Whether an entry has a role. */
export const hasRole = (
  diagram: DiagramCommon,
  structure: Hierarchy,
  index: number,
  roles: Roles,
  role: string,
): boolean =>
  roleOf(diagram, structure, index, roles) === role || roleBesides(diagram, structure, index, roles) === role;

/** A role that stands beside the line does so only where it belongs to somebody and has nobody under it. */
export function isBesideLine({ entries }: DiagramCommon, structure: Hierarchy, index: number, roles: Roles): boolean {
  const { role } = own(entries, structure.ids[index]!)!;
  return (
    structure.parent[index]! >= 0 &&
    structure.count[index] === 0 &&
    roles.all.some((one) => one.id === role && one.beside === true)
  );
}

export const roleName = (role: string, roles: Roles, diagram: Pick<DiagramCommon, 'roles'>): string =>
  roles.all.find((known) => known.id === role)?.name ?? (own(diagram.roles, role)?.name || role);
