import { hasRole, withoutParents } from '../../../hierarchy';
import { withoutEnd, type BoxStyle } from '../../../model';
import { foldName } from '../../../read';
import { legendFrom, namesAreDrawn, roleItems, tierItems, type Legend } from '../../../scene';
import type { ConceptMap } from '../model';
import type { MapListing } from '../structure';
import { mapRoles, rankName } from '../words';
import { wordBank } from './word-bank';

/** What the signs on the sheet mean, for those that occur; the words to fill in, and the focus question, where the title does not tell it. */
export function legendOf(diagram: ConceptMap, listing: MapListing, styles: readonly BoxStyle[]): Legend {
  const { map, titleBlock } = diagram;
  const question = map.manner.question.trim();
  const bare = foldName(withoutEnd(question, '?!.'));
  const isTold =
    titleBlock.shown && [titleBlock.title, titleBlock.subtitle].some((text) => foldName(text).includes(bare));
  const structure = withoutParents(listing);
  return legendFrom(
    diagram,
    {
      words: [wordBank(diagram), question === '' || isTold ? '' : `Focus question: ${question}`].filter(Boolean),
      tiers: (which) => tierItems(diagram, listing, styles, { which, wordFor: rankName }),
      roles: () =>
        roleItems(diagram, mapRoles, (role) =>
          structure.ids.some((_, i) => hasRole(diagram, structure, i, mapRoles, role)),
        ),
    },
    map.manner.way === 'ranked' && namesAreDrawn(diagram),
  );
}
