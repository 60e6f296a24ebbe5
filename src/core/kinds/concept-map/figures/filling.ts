import { own } from '../../../model';
import type { ConceptMap } from '../model';
import { linksInList, ideasInList } from '../write/order';
import { bareWords, isAlike } from './compare';

/** Words that were filled in, by the id of the idea or link that is blank. */
export type Filling = Readonly<Record<string, string>>;

/** A gap with what stands around it. */
export interface Gap {
  readonly id: string;
  readonly of: 'idea' | 'phrase';
  readonly answer: string;
  /** A sentence in two halves with the gap between; gaps of others in it are told by their own lines. */
  readonly before: string;
  readonly after: string;
}

const gapSign = '___';

/** The gaps of a map: ideas in the order of the list, each within the first proposition that tells of it; then phrases. */
export function gapsOf(diagram: ConceptMap): Gap[] {
  const { entries, map } = diagram;
  const isBlank = (id: string) => own(map.blanks, id) === true;
  const name = (id: string) => (isBlank(id) ? gapSign : own(entries, id)!.name);
  const links = linksInList(diagram);
  const said = (link: (typeof links)[number]) => (isBlank(link.id) ? gapSign : link.phrase);
  const ideas = ideasInList(diagram)
    .filter(({ id, name: told }) => isBlank(id) && told.trim() !== '')
    .map(({ id, name: answer }): Gap => {
      const link = links.find(({ from, to }) => from === id || to === id);
      const [before, after] = !link
        ? ['', '']
        : link.from === id
          ? ['', `${said(link)} ${name(link.to)}`]
          : [`${name(link.from)} ${said(link)}`, ''];
      return { id, of: 'idea', answer, before, after };
    });
  const phrases = links
    .filter(({ id, phrase }) => isBlank(id) && phrase.trim() !== '')
    .map(({ id, from, to, phrase }): Gap => ({
      id,
      of: 'phrase',
      answer: phrase,
      before: name(from),
      after: name(to),
    }));
  return [...ideas, ...phrases];
}

/** The map with what was filled in so far in its gaps, arranged as the map itself is; what is still open stays a gap. */
export const filledMap = (diagram: ConceptMap, filling: Filling): ConceptMap => ({
  ...diagram,
  map: {
    ...diagram.map,
    manner: { ...diagram.map.manner, blanked: true },
    filled: Object.fromEntries(
      Object.keys(diagram.map.blanks).flatMap((id) => {
        const told = (own(filling, id) ?? '').trim();
        return told === '' ? [] : [[id, told.slice(0, 400)]];
      }),
    ),
  },
});

export interface FillingResult {
  readonly right: readonly string[];
  readonly wrong: readonly { readonly id: string; readonly answer: string }[];
  readonly open: readonly string[];
}

/**
 * What was filled in against the map: the same words up to articles, endings, order and a slip of the pen count as right. Where an idea leads to several by
 * one phrase, any of those that are blank may stand in any of their gaps, once each.
 */
export function judgeFilling(diagram: ConceptMap, filling: Filling): FillingResult {
  const right: string[] = [];
  const wrong: { id: string; answer: string }[] = [];
  const open: string[] = [];
  const gaps = gapsOf(diagram);
  const group = new Map<string, string>();
  for (const { from, to, phrase } of Object.values(diagram.links))
    if (!group.has(to)) group.set(to, `${from} ${bareWords(phrase).join(' ')}`);
  const used = new Set<string>();
  for (const { id, answer, of } of gaps) {
    const told = (own(filling, id) ?? '').trim();
    if (told === '') {
      open.push(id);
      continue;
    }
    const words = bareWords(told);
    const others =
      of === 'idea' && group.has(id)
        ? gaps.filter((gap) => gap.of === 'idea' && group.get(gap.id) === group.get(id))
        : [{ id, answer }];
    const match = [{ id, answer }, ...others].find((one) => !used.has(one.id) && isAlike(words, bareWords(one.answer)));
    if (match) {
      used.add(match.id);
      right.push(id);
    } else wrong.push({ id, answer });
  }
  return { right, wrong, open };
}
