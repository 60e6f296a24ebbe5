import { hasRole, withoutParents } from '../../../hierarchy';
import type { BoxStyle } from '../../../model';
import { legendFrom, lineItem, namesAreDrawn, roleItems, tierItems, type Legend } from '../../../scene';
import { structureLine } from '../../../style';
import type { FamilyTree } from '../model';
import type { RelatedListing } from '../structure';
import { familyRoles, parentageWords } from '../words';
import { nameOfTier } from './tier-words';

/** What lines that are not drawn through mean, as far as they occur, and which roles and generations have manners of their own. */
export function legendOf(diagram: FamilyTree, listing: RelatedListing, styles: readonly BoxStyle[]): Legend {
  const structure = withoutParents(listing);
  return legendFrom(
    diagram,
    {
      tiers: (which) =>
        tierItems(diagram, listing, styles, { which, wordFor: (tier) => nameOfTier(diagram, listing, tier) }),
      roles: () =>
        roleItems(diagram, familyRoles, (role) =>
          structure.ids.some((_, i) => listing.tier[i]! > 0 && hasRole(diagram, structure, i, familyRoles, role)),
        ),
      lines: () => linesOf(diagram, listing),
    },
    namesAreDrawn(diagram),
  );
}

function linesOf(diagram: FamilyTree, { shown }: RelatedListing): ReturnType<typeof lineItem>[] {
  const { family } = diagram;
  const kinds = new Set(
    Object.entries(family.parentage).flatMap(([id, links]) =>
      shown.has(id) ? links.flatMap(({ kind, otherwise }) => [kind, ...(otherwise ? [otherwise.kind] : [])]) : [],
    ),
  );
  const told = (among: readonly (keyof typeof parentageWords)[]): string =>
    among
      .filter((kind) => kinds.has(kind))
      .map((kind) => parentageWords[kind])
      .join(', ');
  const dashed = told(['adopted', 'step', 'foster']);
  const dotted = told(['donor', 'unknown']);
  const parted = Object.values(family.unions).some(({ kind }) => kind === 'parted');
  const line = structureLine(diagram, null);
  return [
    ...(dashed === '' ? [] : [lineItem(`Child: ${dashed}`, { ...line, dash: 'dashed' })]),
    ...(dotted === '' ? [] : [lineItem(`Child: ${dotted}`, { ...line, dash: 'dotted' })]),
    ...(kinds.has('household') ? [lineItem(parentageWords.household, { ...line, dash: 'dotted' })] : []),
    ...(parted ? [lineItem('Partners: parted', { ...line, dash: 'dashed' })] : []),
  ];
}
