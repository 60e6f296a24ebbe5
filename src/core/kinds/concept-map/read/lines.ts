import { openQuoteFinding, splitDetails, withoutMarks, type ListTokens, type ReadChoices } from '../../../read';
import { example } from '../model';
import { arrowReader } from './arrow-manners';
import { exampleIn, focusIn, questionAbove, questionIn, type ToldIdea } from './grammar';
import { MapMaker, type MapReading } from './result';

/** Whether most lines have an arrow. */
export function isArrowList(tokens: ListTokens): boolean {
  const lines = tokens.source.filter((line) => line.trim() !== '');
  const read = arrowReader(tokens.source);
  let arrows = 0;
  let looked = 0;
  const first = questionAbove(tokens.source);
  for (const line of lines.slice(first === null ? 0 : 1, 2000)) {
    looked++;
    if (read(withoutMarks(line))) arrows++;
  }
  return arrows > 0 && (arrows >= looked * 0.25 || (arrows >= 2 && lines.some((line) => questionIn(line) !== null)));
}

/**
 * Lines such as `tides --carry--> silt`; a line without an arrow names an idea, with its details after a tab. "Focus question: …" and "Focus: …" are taken for
 * what they say, "e.g. redshank" for an example. O(characters).
 */
export function readArrows(tokens: ListTokens, choices: ReadChoices = {}): MapReading {
  const maker = new MapMaker(choices);
  let focus: { name: string; line: number } | null = null;
  let openQuote = false;
  const first = questionAbove(tokens.source);
  const read = arrowReader(tokens.source);
  tokens.source.forEach((source, i) => {
    const line = i + 1;
    const text = source.trim();
    if (text === '') return;
    const question = line === first ? text : questionIn(text);
    if (question !== null) {
      if (maker.question === '' && question.length <= 300) maker.question = question;
      else
        maker.notPlaced.push({
          line,
          text,
          reason: `Line ${line} is a further question, or a longer one than a map holds.`,
        });
      return;
    }
    const named = focusIn(text);
    if (named !== null) {
      focus = { name: named, line };
      return;
    }
    const told = read(withoutMarks(text)) ?? read(text);
    if (told) {
      const from = ideaOf(maker, told.from, line);
      for (const to of told.to) maker.link(from, ideaOf(maker, to, line), told.phrase, line);
      return;
    }
    if (text.startsWith('"') && !openQuote && (text.match(/"/g) ?? []).length % 2 === 1) {
      openQuote = true;
      maker.findings.push(openQuoteFinding(line));
    }
    const bare = text.startsWith('"') ? text : withoutMarks(text);
    const shown = exampleIn(bare);
    const { name, details } = splitDetails(shown ?? bare);
    const id = maker.idea(name, line);
    if (id !== null) maker.tell(id, { details, role: shown === null ? null : example });
  });
  if (focus !== null) maker.focus = maker.idea((focus as { name: string }).name, (focus as { line: number }).line);
  return maker.done('arrows', {
    emptyLines: tokens.emptyLines(tokens.source.filter((line) => line.trim() !== '').length),
  });
}

function ideaOf(maker: MapMaker, { name, isExample }: ToldIdea, line: number): string | null {
  const id = maker.idea(name, line);
  if (id !== null && isExample) maker.tell(id, { role: example });
  return id;
}
