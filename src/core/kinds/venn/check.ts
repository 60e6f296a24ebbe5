import { glyphs, nameless, nameOf, smallPrint, titleBlock, someNames, tray } from '../../check';
import type { Listing } from '../../hierarchy';
import { finding, own, type Finding } from '../../model';
import { distance, leastApart } from './inks';
import { keyOfMask, maskOf, mostToScale, setsInOrder, type Venn, type VennSet } from './model';
import { regionWords } from './region-words';
import { isToScale } from './scene/arrangement';
import type { VennScene } from './scene/scene';
import { regionStyle, setStyle } from './styles';

const fold = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

interface Sorted {
  readonly diagram: Venn;
  readonly sets: readonly VennSet[];
  /** In the order of the list. */
  readonly ids: readonly string[];
  readonly byMask: ReadonlyMap<number, readonly string[]>;
}

/** All that a check of a Venn diagram can find. */
export type VennFinding =
  | 'not-placed'
  | 'in-no-set'
  | 'empty-set'
  | 'same-sets'
  | 'same-name'
  | 'in-key'
  | 'hatched-region'
  | 'not-to-scale'
  | 'too-many-to-scale'
  | 'empty-region'
  | 'alike-regions'
  | 'no-name'
  | 'no-glyph'
  | 'small-print'
  | 'long-title';

/** What somebody should look at before a Venn diagram is handed out. */
export function checkVenn(
  diagram: Venn,
  structure: Listing,
  _styles: unknown,
  scene: VennScene,
): Finding<VennFinding>[] {
  const sets = setsInOrder(diagram.venn);
  const ids = Array.from(structure.outline, (i) => structure.ids[i]!);
  const byMask = new Map<number, string[]>();
  for (const id of ids) {
    const mask = maskOf(diagram.venn, sets, id);
    byMask.set(mask, [...(byMask.get(mask) ?? []), id]);
  }
  const sorted: Sorted = { diagram, sets, ids, byMask };
  return [
    ...tray(diagram),
    ...outside(sorted),
    ...setsAlone(sorted),
    ...spellings(diagram, ids),
    ...keyed(sorted, scene),
    ...toScale(sorted, scene),
    ...emptyRegions(sorted, scene),
    ...alikeRegions(sorted, scene),
    ...nameless(diagram, structure),
    ...glyphs(diagram, structure),
    ...smallPrint(diagram, scene, 'Take a larger sheet, shorter names, or fewer entries.'),
    ...titleBlock(diagram, scene),
  ];
}

function outside({ diagram, sets, byMask }: Sorted): Finding<VennFinding>[] {
  const none = byMask.get(0) ?? [];
  if (none.length === 0 || sets.length === 0) return [];
  const message = `${none.length} ${none.length === 1 ? 'entry is' : 'entries are'} in no set: ${someNames(diagram, none)}.`;
  return [finding('in-no-set', 'note', message, { entries: none })];
}

/** Sets with nothing in them, and pairs that hold the same. */
function setsAlone({ diagram, sets, ids }: Sorted): Finding<VennFinding>[] {
  const findings: Finding<VennFinding>[] = [];
  const masks = ids.map((id) => maskOf(diagram.venn, sets, id));
  sets.forEach((set, i) => {
    const inside = ids.filter((_, at) => (masks[at]! >> i) & 1);
    if (inside.length === 0 && ids.length > 0)
      findings.push(finding('empty-set', 'warning', `Nothing is in the set “${set.name}”.`));
    for (const [k, other] of sets.entries()) {
      if (k <= i || inside.length === 0) continue;
      if (!masks.every((mask) => ((mask >> i) & 1) === ((mask >> k) & 1))) continue;
      const message = `“${set.name}” and “${other.name}” have the same entries. One of them may be enough.`;
      findings.push(finding('same-sets', 'warning', message, { entries: inside }));
    }
  });
  return findings;
}

function keyed({ sets, byMask }: Sorted, scene: VennScene): Finding<VennFinding>[] {
  const masks = scene.groups.flatMap(({ stands }) => (stands.for === 'key' ? [Number(stands.id)] : []));
  if (masks.length === 0) return [];
  const entries = masks.flatMap((mask) => byMask.get(mask) ?? []);
  const where = masks.length === 1 ? `the region “${regionWords(sets, masks[0]!)}”` : `${masks.length} regions`;
  const one = entries.length === 1;
  const message = `${entries.length} ${one ? 'entry' : 'entries'} of ${where} did not fit there at a size that reads, and ${one ? 'stands' : 'stand'} in the key at the side. A larger sheet or shorter names would help.`;
  return [finding('in-key', 'note', message, { entries })];
}

function toScale({ diagram, sets }: Sorted, { scaled }: VennScene): Finding<VennFinding>[] {
  const findings: Finding<VennFinding>[] = [];
  const { shape } = diagram.venn.manner;
  const unwanted = scaled?.unwanted ?? [];
  if (unwanted.length > 0) {
    const words = unwanted.map((mask) => `“${regionWords(sets, mask)}”`).join(', ');
    const [stays, it, is] =
      unwanted.length === 1
        ? ['a region stays that has', 'it', 'It is']
        : ['regions stay that have', 'them', 'They are'];
    const message = `Drawn to scale, ${stays} nothing in ${it}: ${words}. ${is} hatched.`;
    findings.push(finding('hatched-region', 'note', message));
  }
  if (scaled && scaled.diagError >= 0.02) {
    const better =
      shape === 'scaled-circles'
        ? 'Ellipses may.'
        : 'Counts written in the regions, or curves all alike, would be clearer.';
    const message = `The areas are off by up to ${(scaled.diagError * 100).toFixed(0)} % of the whole; these shapes cannot show the counts any better. ${better}`;
    findings.push(finding('not-to-scale', 'warning', message));
  }
  if (shape !== 'equal' && !isToScale(diagram, sets.length) && sets.length > 0) {
    const message = `${sets.length} sets cannot be drawn to scale, so the curves are all alike. Areas can follow the counts for up to ${mostToScale} sets.`;
    findings.push(finding('too-many-to-scale', 'note', message));
  }
  return findings;
}

function emptyRegions({ sets, ids, byMask }: Sorted, scene: VennScene): Finding<VennFinding>[] {
  const { scaled } = scene;
  const drawn = drawnRegions(scene);
  const empty = Array.from({ length: (1 << sets.length) - 1 }, (_, i) => i + 1).filter(
    (mask) => !scaled?.unwanted.includes(mask) && !byMask.has(mask) && drawn.has(keyOfMask(sets, mask)),
  );
  if (empty.length === 0 || ids.length === 0) return [];
  const words = empty.slice(0, 3).map((mask) => `“${regionWords(sets, mask)}”`);
  const message = `${empty.length} drawn ${empty.length === 1 ? 'region is' : 'regions are'} empty: ${words.join(', ')}${empty.length > 3 ? ' …' : ''}.`;
  return [finding('empty-region', 'note', message)];
}

const drawnRegions = ({ groups }: VennScene): Set<string> =>
  new Set(groups.flatMap(({ stands }) => (stands.for === 'region' ? [stands.id] : [])));

/** Neighbours that were given one fill by hand, with no curve between them: colours of sets are told apart by rule. */
function alikeRegions({ diagram, sets }: Sorted, scene: VennScene): Finding<VennFinding>[] {
  const drawn = drawnRegions(scene);
  const fillOf = (mask: number): string => regionStyle(diagram, mask).fill;
  const pairs = sets.flatMap((set, i) => {
    if (setStyle(diagram, set.id).borderWidth > 0) return [];
    return Array.from({ length: 1 << sets.length }, (_, mask) => mask).filter((mask) => {
      const other = mask ^ (1 << i);
      if (!((mask >> i) & 1) || (other !== 0 && !drawn.has(keyOfMask(sets, other)))) return false;
      return drawn.has(keyOfMask(sets, mask)) && distance(fillOf(mask), fillOf(other)) < leastApart;
    });
  });
  const [first] = pairs;
  if (first === undefined) return [];
  const message = `“${regionWords(sets, first)}” looks like the region beside it${pairs.length > 1 ? `, and ${pairs.length - 1} more do` : ''}: they have one fill and no outline between them. Draw the outline, or give them fills of their own.`;
  return [finding('alike-regions', 'warning', message)];
}

function spellings(diagram: Venn, ids: readonly string[]): Finding<VennFinding>[] {
  const seen = new Map<string, string>();
  return ids.flatMap((id) => {
    const key = fold(own(diagram.entries, id)!.name);
    const before = key === '' ? undefined : seen.get(key);
    if (before === undefined) {
      seen.set(key, id);
      return [];
    }
    const message = `“${nameOf(diagram, before)}” and “${nameOf(diagram, id)}” look like the same thing. Remove one, or tell them apart.`;
    return [finding('same-name', 'warning', message, { entries: [before, id] })];
  });
}
