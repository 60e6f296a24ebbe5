import { own } from '../../../model';
import { foldName, withoutMarks, type ListTokens, type Question, type ReadChoices } from '../../../read';
import { focusIn, questionAbove, questionIn } from './grammar';
import { linking } from './linking';
import { MapMaker, mapFinding, type MapReading } from './result';

const mostWords = 16;
const mostIdea = 5;

interface Line {
  readonly line: number;
  readonly words: readonly string[];
}

/** Where a line is parted: the first idea ends before `to`, the second begins at `from`. */
interface Cut {
  readonly end: number;
  readonly begin: number;
}

/** The plain sentences of a list: lines of three words or more without separators. Null where it has hardly any. */
function sentencesOf(tokens: ListTokens): Line[] | null {
  const first = questionAbove(tokens.source);
  const lines = tokens.source
    .map((source, i) => ({
      source: withoutMarks(source.trim())
        .replace(/[.。!]$/u, '')
        .trim(),
      line: i + 1,
    }))
    .filter(
      ({ source, line }) => source !== '' && line !== first && questionIn(source) === null && focusIn(source) === null,
    );
  if (lines.length < 2) return null;
  const told = lines.flatMap(({ source, line }) => {
    const words = source.split(/\s+/);
    return words.length >= 3 && words.length <= mostWords && !/[\t|;:]/.test(source) ? [{ line, words }] : [];
  });
  return told.length >= lines.length * 0.8 ? told : null;
}

/** Which beginnings and ends of lines come again, by their folded words: those are ideas. */
function repeated(lines: readonly Line[]): Map<string, number> {
  const count = new Map<string, number>();
  for (const { words } of lines) {
    const own_ = new Set<string>();
    for (let n = 1; n <= Math.min(mostIdea, words.length - 2); n++) {
      own_.add(foldName(words.slice(0, n).join(' ')));
      own_.add(foldName(words.slice(-n).join(' ')));
    }
    for (const key of own_) count.set(key, (count.get(key) ?? 0) + 1);
  }
  return count;
}

const article = /^(the|a|an|der|die|das|le|la|les|un|une|el|los)$/i;

/** The ways to part a line, best first, each with what speaks for it. */
function cutsOf({ words }: Line, count: ReadonlyMap<string, number>): { cut: Cut; worth: number }[] {
  const cuts: { cut: Cut; worth: number }[] = [];
  const n = words.length;
  const times = (from: number, to: number) => (count.get(foldName(words.slice(from, to).join(' '))) ?? 1) - 1;
  for (let end = 1; end <= Math.min(mostIdea, n - 2); end++)
    for (let begin = end + 1; begin < n && begin - end <= 6; begin++) {
      if (n - begin > mostIdea) continue;
      const [first, last] = [times(0, end), times(begin, n)];
      const starts = linking.test(words[end]!) ? 1.6 : /[a-z](s|ed)$/.test(words[end]!) ? 0.5 : 0;
      const inner = words.slice(0, end).filter((word) => linking.test(word)).length;
      const tail = words.slice(begin).filter((word) => linking.test(word)).length;
      const loose = article.test(words[end - 1]!) || article.test(words[begin - 1]!) ? 2 : 0;
      // A longer idea that comes again says more than a part of it.
      const worth =
        (first > 0 ? 2.4 + 0.3 * Math.min(3, first) + 0.25 * end : 0) +
        (last > 0 ? 2.4 + 0.3 * Math.min(3, last) + 0.25 * (n - begin) : 0) +
        starts +
        (linking.test(words[begin - 1]!) ? 0.6 : 0) -
        2 * inner -
        1.5 * tail -
        0.35 * (begin - end - 1) -
        loose;
      cuts.push({ cut: { end, begin }, worth });
    }
  return cuts.sort((a, b) => b.worth - a.worth || a.cut.end - b.cut.end || a.cut.begin - b.cut.begin);
}

/**
 * Plain sentences, "tides carry silt": ideas are told by coming again in other lines, and by words that phrases usually begin with; where two ways to part a
 * line are about as good it is asked. Null where the list is none. O(words × lines).
 */
export function readSentences(tokens: ListTokens, choices: ReadChoices = {}): MapReading | null {
  const lines = sentencesOf(tokens);
  if (!lines) return null;
  const verbs = lines.filter(({ words }) => words.slice(1, -1).some((word) => linking.test(word))).length;
  if (verbs < lines.length * 0.3) return null;
  const count = repeated(lines);
  if (![...count.values()].some((times) => times > 1)) return null;
  const maker = new MapMaker(choices);
  const first = questionAbove(tokens.source);
  const questions: Question[] = [];
  tokens.source.forEach((source, i) => {
    const question = i + 1 === first ? source.trim() : questionIn(source.trim());
    const named = focusIn(source.trim());
    if (question !== null && maker.question === '') maker.question = question.slice(0, 300);
    if (named !== null) maker.focus = maker.idea(named, i + 1);
  });
  const known = new Set(lines.map(({ line }) => line));
  for (const line of lines) {
    const cuts = cutsOf(line, count);
    const [best, second] = cuts;
    const id = `parts:${line.line}`;
    const answer = own(choices.answers ?? {}, id);
    const at = answer === undefined ? 0 : cuts.findIndex(({ cut }) => `${cut.end}-${cut.begin}` === answer);
    const { cut } = cuts[Math.max(0, at)]!;
    const told = (from: number, to: number) => line.words.slice(from, to).join(' ');
    const said = ({ end, begin }: Cut) => `${told(0, end)} · ${told(end, begin)} · ${told(begin, line.words.length)}`;
    const isSure = !second || best!.worth - second.worth >= (best!.worth >= 4 ? 0.3 : 1);
    if (!isSure || answer !== undefined)
      questions.push({
        id,
        line: line.line,
        entry: '',
        wanted: line.words.join(' '),
        text: `where do the ideas end in “${line.words.join(' ')}”?`,
        guess: null,
        candidates: [],
        answered: answer !== undefined,
        options: cuts.slice(0, 3).map((one) => ({ value: `${one.cut.end}-${one.cut.begin}`, words: said(one.cut) })),
      });
    const from = maker.idea(withoutArticle(told(0, cut.end)), line.line);
    const to = maker.idea(withoutArticle(told(cut.begin, line.words.length)), line.line);
    maker.link(from, to, told(cut.end, cut.begin), line.line);
  }
  tokens.source.forEach((source, i) => {
    const text = source.trim();
    if (text === '' || known.has(i + 1) || i + 1 === first) return;
    if (questionIn(text) !== null || focusIn(text) !== null) return;
    const reason = `Line ${i + 1} is no sentence of two ideas and a phrase.`;
    maker.notPlaced.push({ line: i + 1, text, reason });
  });
  if (questions.length > 0)
    maker.findings.push(
      mapFinding(
        'unsure-words',
        'note',
        `${questions.length} ${questions.length === 1 ? 'line' : 'lines'} could be parted into ideas and phrase in more than one way. Write “tides --carry--> silt” to say it yourself.`,
        { line: questions[0]!.line },
      ),
    );
  maker.questions.push(...questions);
  return maker.done('sentences', {
    emptyLines: tokens.emptyLines(tokens.source.filter((one) => one.trim() !== '').length),
  });
}

/** "the tides" to "tides", so that both are one idea. */
const withoutArticle = (name: string): string => {
  const [first, ...rest] = name.split(' ');
  return rest.length > 0 && article.test(first!) ? rest.join(' ') : name;
};
