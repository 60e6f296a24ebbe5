import { ownRoles, type Role, type Roles } from '../hierarchy';
import {
  capital,
  own,
  plainLegend,
  type BoxStyle,
  type DiagramCommon,
  type LegendChoice,
  type LinkStyle,
  type StylePatch,
} from '../model';
import { linkStyle, lookOf, resolve, roleStyle, tierStyle, type LinkKind } from '../style';
import { internedLegend, type Legend, type LegendItem } from './legend';

/** What a legend may be made of, each asked for only where it is wanted. */
interface LegendParts {
  /** What is said in words alone, before all else. */
  readonly words?: readonly string[];
  tiers?(which: 'named' | 'all'): readonly LegendItem[];
  roles?(): readonly LegendItem[];
  lines?(): readonly LegendItem[];
}

/** The legend of a diagram: what was chosen of what there is. `namesDrawn`: whether the names of tiers stand beside them on the sheet. */
export function legendFrom(
  { legend }: Pick<DiagramCommon, 'legend'>,
  { words = [], tiers, roles, lines }: LegendParts,
  namesDrawn: boolean,
): Legend {
  const { tiers: which, ...wants }: LegendChoice = legend ?? plainLegend;
  const ofTiers = which === 'shown' ? 'all' : which === 'open' && !namesDrawn ? 'named' : null;
  return internedLegend([
    ...words.map((text) => ({ words: text })),
    ...atMost((ofTiers && tiers?.(ofTiers)) ?? [], 'tiers'),
    ...atMost((wants.roles && roles?.()) || [], 'roles'),
    ...((wants.lines && lines?.()) || []),
  ]);
}

/** More signs of one kind than these nobody looks up at the foot of a sheet. */
const mostItems = 24;

/** The first of many, and how many more there are. */
const atMost = (items: readonly LegendItem[], noun: string): readonly LegendItem[] =>
  items.length <= mostItems
    ? items
    : [...items.slice(0, mostItems - 1), { words: `and ${items.length - mostItems + 1} more ${noun}` }];

/** What of a style is seen in a small box, and what of that in letters. */
const lettered = ['text', 'nameFont', 'nameWeight', 'nameSlant', 'nameCase'] as const;
const seen = ['shape', 'fill', 'border', 'borderWidth', 'borderLine', 'shade', ...lettered] as const;

const isSeen = (patch: StylePatch): boolean =>
  seen.some((property) => patch[property] !== undefined) ||
  (patch.sign ?? 'none') !== 'none' ||
  (patch.effect ?? 'none') !== 'none';

/** A small box as a role makes it, on a plain one, so that what the role does not set says nothing. */
function roleBox(diagram: DiagramCommon, patch: StylePatch, boxed: boolean): Pick<LegendItem, 'box' | 'letters'> {
  const look = lookOf(diagram);
  const borderWidth = boxed ? 1 : 0;
  const plain: StylePatch = { fill: look.ground, border: look.line, borderWidth, corner: 3, shape: 'rounded' };
  const layers = [
    { origin: 'look', patch: { ...tierStyle(look, 3), ...plain } },
    { origin: 'role', patch },
  ];
  const letters = !boxed || lettered.some((property) => patch[property] !== undefined);
  return { box: resolve(layers, look).style, ...(letters && { letters }) };
}

/**
 * The roles that somebody has and that are seen: those whose sign the kind itself explains, and those that were given a manner of their own. `has`: whether
 * anybody has a role; `boxed`: whether who has one of a manner stands in a box.
 */
export function roleItems(
  diagram: DiagramCommon,
  roles: Pick<Roles, 'all'>,
  has: (role: string) => boolean,
  boxed: (patch: StylePatch) => boolean = () => true,
): LegendItem[] {
  const made = ownRoles(diagram).map(({ id, name }): Pick<Role, 'id' | 'name' | 'legend' | 'style'> => ({ id, name }));
  return [...roles.all, ...made].flatMap((role): LegendItem[] => {
    const patch = own(diagram.styles.roles, role.id) ?? {};
    const words = role.legend ?? role.name.trim();
    if (words === '' || (role.legend === undefined && !isSeen(patch)) || !has(role.id)) return [];
    const whole = { ...roleStyle(lookOf(diagram), role.id), ...role.style?.(diagram), ...patch };
    return [{ words: capital(words), ...roleBox(diagram, whole, boxed(patch)) }];
  });
}

/** The tiers in the style that most of their entries without a role have; `wordFor`: what a tier without a name is called. */
export function tierItems(
  diagram: DiagramCommon,
  { ids, tierStart }: { readonly ids: readonly string[]; readonly tierStart: ArrayLike<number> },
  styles: readonly BoxStyle[],
  { which, wordFor }: { readonly which: 'named' | 'all'; wordFor(tier: number): string },
): LegendItem[] {
  return Array.from({ length: Math.max(0, tierStart.length - 1) }, (_, t): LegendItem[] => {
    const name = own(diagram.tiers, String(t + 1))?.name?.trim();
    const [from, to] = [tierStart[t]!, tierStart[t + 1]!];
    if ((which === 'named' && !name) || from === to) return [];
    const times = new Map<BoxStyle, number>();
    for (let i = from; i < to; i++) {
      const counts = own(diagram.entries, ids[i]!)?.role == null ? 1 : 1 / (to - from + 1);
      times.set(styles[i]!, (times.get(styles[i]!) ?? 0) + counts);
    }
    const [box] = [...times].reduce((most, one) => (one[1] > most[1] ? one : most));
    return [{ words: name ? name : wordFor(t + 1), box }];
  }).flat();
}

/** The kinds of links that are there, each in the style that a link of it has where nothing is set for it alone. */
export function linkItems(diagram: DiagramCommon, kinds: readonly LinkKind[]): LegendItem[] {
  const all = Object.values(diagram.links);
  return kinds.flatMap((kind): LegendItem[] => {
    const links = all.filter((link) => link.kind === kind.id);
    const usual = links.find(({ id }) => !own(diagram.styles.onlyLinks, id)) ?? links[0];
    if (!usual || kind.legend === '') return [];
    return [{ words: capital(kind.legend), line: linkStyle(diagram, usual, kinds) }];
  });
}

/** A line as a kind draws it, with what it means. */
export const lineItem = (words: string, line: LinkStyle): LegendItem => ({ words: capital(words), line });
