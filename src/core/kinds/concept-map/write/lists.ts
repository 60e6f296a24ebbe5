import { csvRow, detailHeadings, fieldHeading } from '../../../hierarchy';
import { own, type Entry } from '../../../model';
import { isReadWhole, lineOf, quoted, trayHeading } from '../../../read';
import { example, type ConceptMap } from '../model';
import { propositionLine } from '../read/grammar';
import { mapHeadings } from '../words';
import { ideasInList, isTold, linksInList, written } from './order';

/**
 * The map as RFC 4180 CSV: idea, linking phrase, linked idea; rows with an idea alone for its details, kind and fields. Where names do not tell ideas apart,
 * they are numbered and propositions name them by number. Lines of the tray come last. Read back by `readPropositions`.
 */
export function mapCsv(diagram: ConceptMap): string {
  const plain = isTold(diagram) ? tableOf(diagram, false) : null;
  // Numbers also where a row would be taken for something beside the table.
  const rows = plain && isReadWhole(plain, mapHeadings) ? plain : tableOf(diagram, true);
  const empty = rows[0]!.slice(1).map(() => '');
  return [...rows, ...diagram.notPlaced.map(({ text }) => [...empty, text])].map(csvRow).join('');
}

/** Heading, ideas and propositions as cells, without the lines of the tray. */
function tableOf(diagram: ConceptMap, numbered: boolean): string[][] {
  const ideas = ideasInList(diagram);
  const number = new Map(ideas.map(({ id }, i) => [id, String(i + 1)]));
  const details = ideas.reduce((most, idea) => Math.max(most, idea.details.length), 0);
  const fields = [...new Set(ideas.flatMap((idea) => Object.keys(idea.fields)))];
  const roles = ideas.some(({ role }) => role === example);
  const headings = [
    ...(numbered ? ['Id'] : []),
    'Idea',
    'Linking phrase',
    'Linked idea',
    ...(roles ? ['Kind'] : []),
    ...detailHeadings(details, ['Detail']),
    ...fields.map((field) => fieldHeading(field, mapHeadings)),
    ...(diagram.notPlaced.length > 0 ? [trayHeading] : []),
  ];
  const filled = (cells: readonly string[]): string[] => [
    ...cells,
    ...Array.from({ length: headings.length - cells.length }, () => ''),
  ];
  const ideaRow = (idea: Entry): string[] => [
    ...(numbered ? [number.get(idea.id)!] : []),
    idea.name,
    '',
    '',
    ...(roles ? [idea.role === example ? 'example' : ''] : []),
    ...Array.from({ length: details }, (_, i) => idea.details[i] ?? ''),
    ...fields.map((field) => own(idea.fields, field) ?? ''),
  ];
  const end = (id: string) => (numbered ? number.get(id)! : own(diagram.entries, id)!.name);
  const lines = numbered
    ? [...ideas.map((idea) => ({ idea })), ...linksInList(diagram).map((link) => ({ link }))]
    : written(diagram, (idea) => idea.role !== null || idea.details.length > 0 || Object.keys(idea.fields).length > 0);
  const rows = lines.map((line) =>
    'idea' in line
      ? filled(ideaRow(line.idea))
      : filled([...(numbered ? [''] : []), end(line.link.from), line.link.phrase, end(line.link.to)]),
  );
  return [headings, ...rows];
}

/**
 * One proposition a line, `tides --carry--> silt`, with lines of their own for ideas that have details or are examples; the focus question first. Where names
 * do not tell ideas apart it is the table. Read back by `readArrows`.
 */
export function mapText(diagram: ConceptMap): string {
  if (!isTold(diagram)) return mapCsv(diagram);
  const { question, focus } = diagram.map.manner;
  const name = (id: string) => own(diagram.entries, id)!.name;
  const lines = written(diagram, (idea) => idea.role !== null || idea.details.length > 0).map((line) =>
    'idea' in line ? ideaLine(line.idea) : propositionLine(name(line.link.from), line.link.phrase, name(line.link.to)),
  );
  return [
    ...(question === '' ? [] : [`Focus question: ${safe(question)}`]),
    ...(focus !== null && own(diagram.entries, focus) ? [`Focus: ${safe(name(focus))}`] : []),
    ...lines,
  ].join('\n');
}

const safe = (text: string): string =>
  text === text.trim() && text !== '' && !/["\\\n\r\t]/.test(text) ? text : quoted(text);

function ideaLine({ name, details, role }: Entry): string {
  const isOther = /["\\;>→⟶➔➝—–]|--|\s-|^-|^(e\.?\s?g\.?|focus|question|leitfrage|for example|example|z\.|p\.)/iu.test(
    name,
  );
  const plain = isOther ? [quoted(name), ...details.map((detail) => quoted(detail))].join('\t') : lineOf(name, details);
  return role === example ? `e.g. ${plain}` : plain;
}
