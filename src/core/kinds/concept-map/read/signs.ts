import { foldName } from '../../../read';
import type { MapReading } from './result';

/** What the links say for a concept map: phrases written small, phrases that come again, ideas that several links lead to. Each 0 to 1. */
export function signsOfLinks({ structure, entries, links, saved = 0 }: MapReading): Record<string, number> {
  const isOutline = structure === 'indent' || structure === 'phrase-outline';
  const phrases = links.map(({ phrase }) => phrase).filter(Boolean);
  const [leading, ends] = [new Map<string, number>(), new Map<string, number>()];
  const count = (of: Map<string, number>, id: string) => of.set(id, (of.get(id) ?? 0) + 1);
  for (const { from, to } of links) {
    count(leading, to);
    for (const id of [from, to]) count(ends, id);
  }
  const several = (of: Map<string, number>) => [...of.values()].filter((count) => count > 1).length;
  const of = (part: number, whole: number) => (whole === 0 ? 0 : part / whole);
  return {
    saved,
    linked: Number(links.length > 0),
    'phrases written small': of(phrases.filter((phrase) => !/^\p{Lu}/u.test(phrase)).length, phrases.length),
    // Between arrows a phrase that comes again is one all the same.
    'phrases again':
      structure === 'arrows' || structure === 'propositions'
        ? 0
        : of(phrases.length - new Set(phrases.map(foldName)).size, phrases.length),
    'several lead there': of(several(leading), entries.length),
    // In an outline all but tops and leaves are at several ends.
    'ideas again': isOutline ? 0 : of(several(ends), entries.length),
    'more than a tree': of(Math.max(0, links.length - entries.length + 1), links.length),
    'links for ideas': Math.min(1, of(links.length, entries.length) / 2),
  };
}
