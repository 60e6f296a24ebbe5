import { own, type DiagramCommon, type Entry, type OwnRole, type RoleRule } from '../model';

/** A role ready to be asked: its members at hand, its words folded. */
interface Asked {
  readonly id: string;
  readonly members: ReadonlySet<string>;
  fits(entry: Entry, leads: boolean): boolean;
}
const asked = new WeakMap<DiagramCommon['roles'], readonly Asked[]>();

const folded = (text: string): string => text.trim().toLocaleLowerCase('en');

function fitting(rule: RoleRule | null): Asked['fits'] {
  if (!rule) return () => false;
  if (rule.of === 'leads') return (_, leads) => leads;
  const words = folded(rule.words);
  // A rule that asks for nothing finds nobody, not everybody.
  if (words === '') return () => false;
  const fits = (text: string): boolean => (rule.asks === 'is' ? folded(text) === words : folded(text).includes(words));
  if (rule.of === 'field') return ({ fields }) => fits(own(fields, rule.field) ?? '');
  return rule.of === 'name' ? ({ name }) => fits(name) : ({ details }) => details.some(fits);
}

/** The roles made for a diagram, the one that goes before the others first. */
export const ownRoles = ({ roles }: Pick<DiagramCommon, 'roles'>): OwnRole[] =>
  Object.values(roles).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** The role made for the diagram that an entry has; null for none. O(roles × length of what they ask). */
export function ownRoleOf(diagram: DiagramCommon, id: string, leads: boolean): string | null {
  let all = asked.get(diagram.roles);
  if (!all) {
    all = ownRoles(diagram).map((role) => ({ id: role.id, members: new Set(role.members), fits: fitting(role.rule) }));
    asked.set(diagram.roles, all);
  }
  if (all.length === 0) return null;
  const entry = own(diagram.entries, id)!;
  return all.find((role) => role.members.has(id) || role.fits(entry, leads))?.id ?? null;
}
