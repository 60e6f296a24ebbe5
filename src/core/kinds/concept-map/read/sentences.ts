import { own } from '../../../model';
import {
  isSureWay,
  mostWords,
  partedSentences,
  withoutArticle,
  withoutMarks,
  type Cut,
  type ListTokens,
  type Question,
  type ReadChoices,
} from '../../../read';
import { focusIn, questionAbove, questionIn } from './grammar';
import { MapMaker, mapFinding, type MapReading } from './result';

interface Line {
  readonly line: number;
  readonly words: readonly string[];
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
    return words.length >= 3 &&
      words.length <= mostWords &&
      words.every((word) => /[\p{L}\p{N}]/u.test(word)) &&
      !/[\t|;:]/.test(source)
      ? [{ line, words }]
      : [];
  });
  return told.length >= lines.length * 0.8 ? told : null;
}

/** So many lines tell whether a long list is one of sentences. */
const looked = 400;

/**
 * Plain sentences, "tides carry silt": ideas are told by coming again in other lines, and by words that phrases usually begin with; where two ways to part a
 * line are about as good it is asked. Null where the list is none. O(lines × ways to part one).
 */
export function readSentences(tokens: ListTokens, choices: ReadChoices = {}): MapReading | null {
  const lines = sentencesOf(tokens);
  if (!lines) return null;
  // Lines that are no shorter to write down as sentences are none; a part of a long list tells.
  if (lines.length > looked && partedSentences(lines.slice(0, looked)).saved <= 0) return null;
  const { ways, saved } = partedSentences(lines);
  if (saved <= 0) return null;
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
  for (const [i, line] of lines.entries()) {
    const cuts = ways[i]!;
    const id = `parts:${line.line}`;
    const answer = own(choices.answers ?? {}, id);
    const at = answer === undefined ? 0 : cuts.findIndex(({ cut }) => `${cut.end}-${cut.begin}` === answer);
    const { cut } = cuts[Math.max(0, at)]!;
    const told = (from: number, to: number) => line.words.slice(from, to).join(' ');
    const said = ({ end, begin }: Cut) => `${told(0, end)} · ${told(end, begin)} · ${told(begin, line.words.length)}`;
    if (!isSureWay(cuts) || answer !== undefined)
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
    saved,
    emptyLines: tokens.emptyLines(tokens.source.filter((one) => one.trim() !== '').length),
  });
}
