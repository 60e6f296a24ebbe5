import { boxDrawingChecks, nameOf, nameless, someNames, tray, type BoxDrawingFinding } from '../../check';
import { finding, own, type BoxStyle, type Finding } from '../../model';
import { foldName } from '../../read';
import type { Scene } from '../../scene';
import { dateSpan, yearsBetween, type DateSpan } from './dates';
import { personOf, type FamilyTree } from './model';
import { partnersOf, reachedFrom } from './relations';
import type { RelatedListing } from './structure';

/** All that a check of a family tree can find. */
export type FamilyFinding =
  | BoxDrawingFinding
  | 'not-placed'
  | 'no-name'
  | 'no-date'
  | 'before-parent'
  | 'after-death'
  | 'died-before-born'
  | 'young-parent'
  | 'old-parent'
  | 'own-ancestor'
  | 'many-parents'
  | 'partners-dates'
  | 'same-person'
  | 'islands';
type Found = Finding<FamilyFinding>[];

/** A parent is rarely younger or older than this (common practice). */
const youngest = 12;
const oldest = 70;
/** Days that a child may be born after the death of the father. */
const carried = 290;

/** What a family tree is tested against. O(persons + relations), but for rings O(ring). */
export function checkFamily(
  diagram: FamilyTree,
  listing: RelatedListing,
  styles: readonly BoxStyle[],
  scene: Scene,
): Found {
  return [
    ...tray(diagram),
    ...nameless(diagram, listing),
    ...rings(diagram, listing),
    ...lives(diagram, listing),
    ...parents(diagram, listing),
    ...together(diagram),
    ...twice(diagram, listing),
    ...boxDrawingChecks(
      diagram,
      listing,
      styles,
      scene,
      'Take a larger sheet, or show the ancestors or descendants of one person.',
    ),
    ...islands(diagram, listing),
  ];
}

const spans = (diagram: FamilyTree, id: string): { born: DateSpan | null; died: DateSpan | null } => {
  const { born, died } = personOf(diagram, id);
  return { born: dateSpan(born), died: dateSpan(died) };
};

function lives(diagram: FamilyTree, { ids }: RelatedListing): Found {
  return ids.flatMap((id): Found => {
    const { born, died } = personOf(diagram, id);
    const unread = [born, died].filter((text) => text.trim() !== '' && dateSpan(text) === null);
    const one = spans(diagram, id);
    return [
      ...(unread.length > 0
        ? [
            finding(
              'no-date' as const,
              'note',
              `${nameOf(diagram, id)}: “${unread[0]!}” is no date that can be reckoned with. Write it like 12 March 1888, 1888 or about 1888.`,
              { entries: [id] },
            ),
          ]
        : []),
      ...(one.born && one.died && one.died.to < one.born.from
        ? [
            finding(
              'died-before-born' as const,
              'error',
              `${nameOf(diagram, id)} died (${died}) before being born (${born}).`,
              { entries: [id] },
            ),
          ]
        : []),
    ];
  });
}

function parents(diagram: FamilyTree, { ids, relations }: RelatedListing): Found {
  return ids.flatMap((id): Found => {
    const found: Found = [];
    const birth = relations.parents(id).filter(({ kind }) => kind === 'birth');
    const all = [...new Set(birth.map((parent) => parent.id))];
    if (all.length > 2)
      found.push(
        finding(
          'many-parents',
          'warning',
          `${nameOf(diagram, id)} has ${all.length} parents by birth: ${someNames(diagram, all)}.`,
          { entries: [id, ...all] },
        ),
      );
    const { born } = spans(diagram, id);
    for (const { id: parent, kind } of relations.parents(id)) {
      if (kind !== 'birth' && kind !== 'unknown') continue;
      const other = spans(diagram, parent);
      const who = nameOf(diagram, parent);
      const { sex } = personOf(diagram, parent);
      if (born && other.born) {
        const { least, most } = yearsBetween(other.born, born);
        if (born.to < other.born.from)
          found.push(
            finding(
              'before-parent',
              'error',
              `${nameOf(diagram, id)} was born before ${who}, who is given as a parent.`,
              { entries: [id, parent] },
            ),
          );
        else if (most < youngest)
          found.push(
            finding('young-parent', 'warning', `${who} was at most ${most} when ${nameOf(diagram, id)} was born.`, {
              entries: [parent, id],
            }),
          );
        else if (least > oldest)
          found.push(
            finding('old-parent', 'warning', `${who} was at least ${least} when ${nameOf(diagram, id)} was born.`, {
              entries: [parent, id],
            }),
          );
      }
      if (born && other.died) {
        const allowed = sex === 'female' ? 0 : carried;
        if (born.from > other.died.to + allowed)
          found.push(
            finding(
              'after-death',
              'error',
              `${nameOf(diagram, id)} was born after the death of ${who}${sex === 'female' ? '' : ', by more than nine months'}.`,
              { entries: [id, parent] },
            ),
          );
      }
    }
    return found;
  });
}

function together(diagram: FamilyTree): Found {
  return Object.values(diagram.family.unions).flatMap((union): Found => {
    const from = dateSpan(union.from);
    if (!from) return [];
    return union.partners.flatMap((partner): Found => {
      const { born, died } = spans(diagram, partner);
      const who = nameOf(diagram, partner);
      if (born && from.to < born.from)
        return [
          finding('partners-dates', 'error', `${who} married (${union.from}) before being born.`, {
            entries: union.partners,
          }),
        ];
      if (died && from.from > died.to)
        return [
          finding('partners-dates', 'error', `${who} married (${union.from}) after dying.`, {
            entries: union.partners,
          }),
        ];
      return [];
    });
  });
}

/** Each person who is an ancestor of themselves, one finding a ring. */
function rings(diagram: FamilyTree, { ids, relations }: RelatedListing): Found {
  const settled = new Set<string>();
  const found: Found = [];
  for (const start of ids) {
    const path: string[] = [];
    const at = new Map<string, number>();
    const stack: [string, number][] = [[start, 0]];
    while (stack.length > 0) {
      const top = stack.at(-1)!;
      const [id, next] = top;
      if (next === 0) {
        if (settled.has(id)) {
          stack.pop();
          continue;
        }
        at.set(id, path.length);
        path.push(id);
      }
      const parent = relations.parents(id)[next]?.id;
      top[1]++;
      if (parent === undefined) {
        settled.add(id);
        at.delete(id);
        path.pop();
        stack.pop();
      } else if (at.has(parent)) {
        const ring = path.slice(at.get(parent)!);
        const names = [...ring, ring[0]!].map((one) => nameOf(diagram, one)).join(', child of ');
        found.push(
          finding('own-ancestor', 'error', `A ring: ${names}. Somebody cannot be their own ancestor.`, {
            entries: ring,
          }),
        );
      } else if (!settled.has(parent)) stack.push([parent, 0]);
    }
    if (found.length >= 20) break;
  }
  return found;
}

function twice(diagram: FamilyTree, { ids }: RelatedListing): Found {
  const seen = new Map<string, string>();
  return ids.flatMap((id): Found => {
    const { born, died } = personOf(diagram, id);
    const name = foldName(own(diagram.entries, id)!.name);
    if (name === '' || (born === '' && died === '')) return [];
    const key = JSON.stringify([name, born.trim(), died.trim()]);
    const before = seen.get(key);
    if (before === undefined) {
      seen.set(key, id);
      return [];
    }
    return [
      finding('same-person', 'warning', `${nameOf(diagram, id)} stands in the tree twice with the same dates.`, {
        entries: [before, id],
      }),
    ];
  });
}

/** Groups that nothing ties to the largest. */
function islands(diagram: FamilyTree, { ids, relations }: RelatedListing): Found {
  const belongs = (id: string) => own(diagram.family.parentage, id)?.some(({ kind }) => kind === 'household') ?? false;
  const left = new Set(ids.filter((id) => own(diagram.entries, id)!.role === null && !belongs(id)));
  const groups: string[][] = [];
  for (const start of left) {
    const group = reachedFrom(start, (id) => [
      ...partnersOf(relations, id),
      ...relations.parents(id).map((one) => one.id),
      ...relations.unionsOf(id).flatMap((union) => relations.childrenOf(union.id).map((child) => child.id)),
    ]);
    for (const id of group) left.delete(id);
    groups.push(group);
  }
  groups.sort((a, b) => b.length - a.length);
  const others = groups.slice(1).flat();
  if (others.length === 0 || groups[0]!.length < 2) return [];
  const message = `${groups.length} families are not tied to each other; apart from the largest: ${someNames(diagram, others)}.`;
  return [finding('islands', 'note', message, { entries: others })];
}
