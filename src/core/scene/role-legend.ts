import { hasRole, ownRoles, type Hierarchy, type Roles } from '../hierarchy';
import { capital, own, type DiagramCommon, type StylePatch } from '../model';

const signs = { stripe: 'Left stripe', band: 'Band along the top', disc: 'Disc at the corner', none: null } as const;

/** What tells a role on the sheet, in words; null where nothing can be named. */
function signWords(patch: StylePatch | undefined): string | null {
  if (!patch) return null;
  if (patch.sign && patch.sign !== 'none') return signs[patch.sign];
  if (patch.shape) return capital(patch.shape === 'rule' ? 'line below' : `${patch.shape} box`);
  if (patch.borderLine && patch.borderLine !== 'solid') return `${capital(patch.borderLine)} border`;
  return patch.effect === 'glow' ? 'Glow' : null;
}

/** What tells the roles made for a diagram, for those that somebody has: "Left stripe: First aider". */
export const ownRoleLegend = (diagram: DiagramCommon, structure: Hierarchy, roles: Roles): string[] =>
  ownRoles(diagram).flatMap(({ id, name }) => {
    const sign = name === '' ? null : signWords(own(diagram.styles.roles, id));
    const there = sign !== null && structure.ids.some((_, i) => hasRole(diagram, structure, i, roles, id));
    return there ? [`${sign}: ${name}`] : [];
  });
