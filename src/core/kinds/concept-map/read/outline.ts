import {
  foldName,
  linking,
  readOutline,
  splitDetails,
  titleAbove,
  type ListTokens,
  type ReadChoices,
  type ReadEntry,
} from '../../../read';
import { pushTo } from '../../../model';
import { example } from '../model';
import { arrowLine, exampleIn, focusIn, questionIn } from './grammar';
import { MapMaker, type MapReading } from './result';

/** What a phrase on a line of its own looks like: short, and it begins as phrases do. */
const isPhrase = (name: string): boolean =>
  linking.test(name.split(/\s+/, 1)[0]!) &&
  /^\p{Ll}/u.test(name) &&
  name.split(/\s+/).length <= 5 &&
  !/[.!?]$/.test(name);
/** "carry: silt" and "carry → silt", below the idea that carries. */
function phrasedIn(line: string): { phrase: string; name: string } | null {
  const colon = line.search(/:\s/);
  if (colon > 0 && colon <= longestPhrase)
    return { phrase: line.slice(0, colon).trim(), name: line.slice(colon + 1).trim() };
  const told = arrowLine(line);
  const [to, ...more] = told?.to ?? [];
  return told?.phrase === '' && to && more.length === 0 && told.from.name.length <= longestPhrase
    ? { phrase: told.from.name, name: to.name }
    : null;
}
const longestPhrase = 60;

/** Whether arrows stand only in lines below others, which have none: there they part a phrase from its idea. */
export function arrowsAreBelow({ outline: { lines } }: ListTokens): boolean {
  const least = lines.reduce((least, { indent }) => Math.min(least, indent), Infinity);
  const below = lines.filter(({ indent }) => indent > least);
  return (
    below.length * 2 >= lines.length &&
    below.length >= 2 &&
    lines.every((line) => (arrowLine(line.text) !== null) === line.indent > least)
  );
}

/** A chain of single ones at every second level, where those at its ends come again, is ideas with phrases between them. */
const leastSingle = 0.8;

/**
 * An outline: what is indented is linked from the idea above it. Every second level may be phrases ("tides / carry / silt"), or a line may begin with one
 * ("carry: silt"). O(characters).
 */
export function readMapOutline(tokens: ListTokens, choices: ReadChoices = {}): MapReading {
  const read = readOutline(tokens, undefined, (line) =>
    phrasedIn(line) ? { name: line, details: [] } : splitDetails(line),
  );
  const maker = new MapMaker(choices);
  maker.notPlaced.push(...read.notPlaced);
  maker.findings.push(...read.findings);
  const children = new Map<string | null, ReadEntry[]>();
  const depth = new Map<string, number>();
  for (const entry of read.entries) {
    pushTo(children, entry.parent, entry);
    depth.set(entry.id, entry.parent === null ? 0 : depth.get(entry.parent)! + 1);
  }
  const odd = read.entries.filter(({ id }) => depth.get(id)! % 2 === 1);
  const byLevels =
    odd.length > 0 &&
    odd.every(({ id }) => children.has(id)) &&
    (odd.filter(({ name }) => isPhrase(name)).length >= odd.length * 0.7 || isChained(read.entries, odd, children));
  const below = read.entries.filter(({ parent }) => parent !== null);
  const byColon =
    !byLevels && below.length > 0 && below.filter(({ name }) => phrasedIn(name) !== null).length >= below.length * 0.5;
  const ideaOf = new Map<string, string | null>();
  const byId = new Map(read.entries.map((entry) => [entry.id, entry]));
  for (const entry of read.entries) {
    const { id, line, parent, details } = entry;
    let { name } = entry;
    if (parent === null) {
      const [question, named] = [questionIn(name), focusIn(name)];
      if (question !== null && maker.question === '') {
        maker.question = question.slice(0, 300);
        continue;
      }
      if (named !== null) {
        maker.focus = maker.idea(named, line);
        continue;
      }
    }
    if (byLevels && depth.get(id)! % 2 === 1) continue;
    let phrase = '';
    let above = parent;
    if (byLevels && parent !== null) {
      const words = byId.get(parent)!;
      phrase = words.name;
      above = words.parent;
    }
    if (byColon && parent !== null) {
      const found = phrasedIn(name);
      if (found) ({ phrase, name } = found);
    }
    const shown = exampleIn(name);
    const made = maker.idea(shown ?? name, line);
    ideaOf.set(id, made);
    if (made !== null) maker.tell(made, { details, role: shown === null ? null : example });
    if (above !== null && ideaOf.has(above)) maker.link(ideaOf.get(above)!, made, phrase, line);
  }
  const flat = read.entries.every(({ parent }) => parent === null);
  return maker.done(byLevels || byColon ? 'phrase-outline' : flat ? 'flat' : 'indent', {
    emptyLines: read.emptyLines,
    question: maker.question || questionAbove(titleAbove(read)),
  });
}

function isChained(
  entries: readonly ReadEntry[],
  odd: readonly ReadEntry[],
  children: ReadonlyMap<string | null, readonly ReadEntry[]>,
): boolean {
  const between = new Set(odd.map(({ id }) => id));
  const ideas = entries.filter(({ id }) => !between.has(id)).map(({ name }) => foldName(name));
  return (
    odd.filter(({ id }) => children.get(id)!.length === 1).length >= odd.length * leastSingle &&
    odd.filter(({ name }) => /^\p{Ll}/u.test(name) || !/\p{Lu}/u.test(name)).length >= odd.length * leastSingle &&
    new Set(ideas).size < ideas.length
  );
}

const questionAbove = (title: string): string => (title.endsWith('?') ? title.slice(0, 300) : '');
