import {
  readOutline,
  splitDetails,
  titleAbove,
  type ListTokens,
  type ReadChoices,
  type ReadEntry,
} from '../../../read';
import { pushTo } from '../../../model';
import { example } from '../model';
import { exampleIn, focusIn, questionIn } from './grammar';
import { linking } from './linking';
import { MapMaker, type MapReading } from './result';

/** What a phrase on a line of its own looks like: short, and it begins as phrases do. */
const isPhrase = (name: string): boolean =>
  linking.test(name.split(/\s+/, 1)[0]!) &&
  /^\p{Ll}/u.test(name) &&
  name.split(/\s+/).length <= 5 &&
  !/[.!?]$/.test(name);
/** "carry: silt" and "carry → silt", below the idea that carries. */
const phrased = /^([^:]{1,60}):\s(.+)$/su;

/**
 * An outline: what is indented is linked from the idea above it. Every second level may be phrases ("tides / carry / silt"), or a line may begin with one
 * ("carry: silt"). O(characters).
 */
export function readMapOutline(tokens: ListTokens, choices: ReadChoices = {}): MapReading {
  const read = readOutline(tokens, undefined, (line) =>
    phrased.test(line) ? { name: line, details: [] } : splitDetails(line),
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
    odd.filter(({ name }) => isPhrase(name)).length >= odd.length * 0.7;
  const below = read.entries.filter(({ parent }) => parent !== null);
  const byColon =
    !byLevels && below.length > 0 && below.filter(({ name }) => phrased.test(name)).length >= below.length * 0.5;
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
      const found = phrased.exec(name);
      if (found) [phrase, name] = [found[1]!.trim(), found[2]!.trim()];
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

const questionAbove = (title: string): string => (title.endsWith('?') ? title.slice(0, 300) : '');
