import { byOrder, pushTo, type Entry, type Link } from '../../../model';
import { foldName } from '../../../read';
import type { ConceptMap } from '../model';
import { linksInOrder } from '../structure';

/** Ideas in the order of the list. */
export const ideasInList = ({ entries }: ConceptMap): Entry[] => Object.values(entries).sort(byOrder);

/** Propositions by the places of their ideas in the list, then by their words. */
export const linksInList = (diagram: ConceptMap): Link[] =>
  linksInOrder(diagram, { index: new Map(ideasInList(diagram).map(({ id }, i) => [id, i])) });

/** Whether each idea is told by its name alone, and each proposition by its words. */
export function isTold({ entries, links }: ConceptMap): boolean {
  const names = Object.values(entries).map(({ name }) => foldName(name));
  const said = Object.values(links).map(({ from, to, phrase }) => `${from} ${to} ${foldName(phrase)}`);
  return (
    !names.some((name) => name === '') &&
    new Set(names).size === names.length &&
    new Set(said).size === said.length &&
    Object.values(entries).every(({ name }) => name === name.trim()) &&
    Object.values(links).every(({ phrase }) => phrase === phrase.trim())
  );
}

/**
 * Ideas and propositions as they are written one after the other, so that ideas are first named in the order of the list: an idea has a line of its own where
 * it has more to tell than its name, or where no proposition names it in time. O(ideas + propositions).
 */
export function written(diagram: ConceptMap, hasMore: (idea: Entry) => boolean): ({ idea: Entry } | { link: Link })[] {
  const ideas = ideasInList(diagram);
  const place = new Map(ideas.map(({ id }, i) => [id, i]));
  const from = new Map<string, Link[]>();
  for (const link of linksInList(diagram)) pushTo(from, link.from, link);
  const out: ({ idea: Entry } | { link: Link })[] = [];
  const waiting: { link: Link }[] = [];
  let named = 0;
  ideas.forEach((idea, i) => {
    const links = from.get(idea.id) ?? [];
    const isNamedByLink = links.some(({ to }) => place.get(to)! <= i + 1);
    if (hasMore(idea) || (named <= i && !isNamedByLink)) out.push({ idea });
    named = Math.max(named, i + 1);
    for (const link of links) {
      const to = place.get(link.to)!;
      if (to > named) waiting.push({ link });
      else {
        out.push({ link });
        named = Math.max(named, to + 1);
      }
    }
  });
  return [...out, ...waiting];
}
