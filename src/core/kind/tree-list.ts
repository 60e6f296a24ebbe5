import type { CommonCommand } from '../edit';
import { csvOf, hierarchyOf, outlineText, updateFromList, type Hierarchy } from '../hierarchy';
import type { Arrangement, BoxStyle, DiagramCommon } from '../model';
import { ListTokens, readTree, titleAbove, type Reading, type TreeVocabulary } from '../read';
import { foundFits, restIsQuick, sheetSet, takeFits, tierScene, type FoundFits, type TierWords } from '../scene';
import { entriesIn, explainStyle, resolveStyles } from '../style';
import type { Kind, KindOption, KindTypes } from './kind';
import { changesTold } from './told';

type Common = Omit<KindTypes, 'command'> & {
  readonly command: never;
  readonly diagram: DiagramCommon;
  readonly listing: Hierarchy;
  readonly reading: Reading;
};

/** The list of a kind whose entries stand under each other and bring nothing else: a table or an outline, in the kind's words. */
export const treeList = (
  vocabulary: TreeVocabulary,
): Pick<
  Kind<Common>,
  | 'headings'
  | 'readsWithoutHeadings'
  | 'read'
  | 'titleIn'
  | 'reported'
  | 'csv'
  | 'text'
  | 'lineTold'
  | 'indents'
  | 'update'
> => ({
  headings: vocabulary.headings,
  readsWithoutHeadings: true,
  read: (tokens, choices = {}) => readTree(tokens, choices, vocabulary),
  titleIn: (read) => titleAbove(read),
  reported: () => ({}),
  csv: (diagram) => csvOf(diagram, vocabulary),
  text: (diagram) => outlineText(diagram, vocabulary),
  lineTold:
    'One line an entry; Tab indents, to go one tier down; Esc leaves. A tab or comma parts the name from details; what stands in quotes is taken as it is.',
  indents: true,
  update: (diagram, text, newId) =>
    changesTold(
      text,
      outlineText(diagram, vocabulary),
      (now) => readTree(new ListTokens(now, vocabulary.headings), {}, vocabulary),
      (read) => [...updateFromList(diagram, read, newId), ...trayChanges(diagram, read, newId)],
    ),
});

/** The drawing of such a kind on tiers. */
export const treeDrawing = (
  words: TierWords,
): Pick<
  Kind<Common>,
  | 'roles'
  | 'linkKinds'
  | 'structure'
  | 'styles'
  | 'explain'
  | 'covers'
  | 'originWords'
  | 'scene'
  | 'arranged'
  | 'legend'
  | 'sheetOpen'
  | 'set'
> => ({
  roles: words.roles.all,
  linkKinds: words.linkKinds,
  structure: (diagram) => hierarchyOf(diagram.entries),
  styles: (diagram, structure): BoxStyle[] => resolveStyles(diagram, structure, words.roles),
  explain: (diagram, structure, scope) => explainStyle(diagram, structure, scope, words.roles),
  covers: (diagram, structure, scope) => entriesIn(diagram, structure, scope, words.roles),
  originWords: {},
  scene: (diagram, structure, styles) => tierScene(diagram, structure, styles, words),
  arranged: {
    restIsQuick,
    found: (diagram) => foundFits(hierarchyOf(diagram.entries)),
    take: (diagram, found) => takeFits(hierarchyOf(diagram.entries), found as FoundFits),
  },
  legend: ['tiers', 'roles', 'lines'],
  sheetOpen: true,
  set: (diagram, structure, styles, least) => sheetSet(diagram, structure, styles, words, least),
});

/** Lines that found no place go to the tray, unless the same line is there already. */
export function trayChanges(diagram: DiagramCommon, { notPlaced }: Reading, newId: () => string): CommonCommand[] {
  const there = new Set(diagram.notPlaced.map(({ text }) => text));
  return notPlaced
    .filter(({ text }) => !there.has(text))
    .map((item) => ({ kind: 'putInTray', item: { ...item, id: newId() } }));
}

/** A gesture that sets something of the arrangement, for an option of the command line. */
export const arranged = (patch: Partial<Arrangement>): readonly CommonCommand[] => [{ kind: 'setArrangement', patch }];

/** Which way the tiers follow each other, as an option of the command line. */
export const directions: KindOption<CommonCommand> = {
  name: 'direction',
  choices: { down: arranged({ direction: 'down' }), right: arranged({ direction: 'right' }) },
};
