import { finding, pushTo, type Finding } from '../../../model';
import { aboveList, nothingRead, type ListTokens, type ReadEntry } from '../../../read';
import { noFacts, type BranchFacts } from '../model';
import type { DecisionReading } from './result';

const decisionReadFinding = finding<'repeated-couplet' | 'no-way-to'>;

/** A line of a key in couplets: "3a Has fins …… Bass", or with the number of the couplet to go on with. */
interface Lead {
  readonly line: number;
  readonly couplet: string;
  readonly statement: string;
  /** A couplet's number, or a result. */
  readonly target: string;
}

const begin = /^(\d{1,3})\s{0,3}(?:[a-z'’]\s{0,3})?(?:[.):]\s)?(?<=\s)\s*/iu;
/** No dash is looked for in longer lines. */
const mostSigns = 500;
const dots = /(?:\.{3,}|…+|·{3,}|_{3,}|→|->|=>|–>|\t+)\s*(?:go to\s+|see\s+)?/iu;

/** A sign for the number of the line above, and a dash before the result. */
const again = /^[-–—*•]\s+/u;
const dash = /^.*\s([-–—]\s)/u;

/** `above`: the number of the couplet that the line before belongs to. */
function leadOf(source: string, line: number, above: string | null): Lead | null {
  const text = source.trim();
  const found = begin.exec(text) ?? (above === null ? null : again.exec(text));
  if (!found) return null;
  const couplet = found[1] ?? above!;
  const rest = text.slice(found[0].length);
  const cut = cutOf(rest);
  if (!cut || cut.from === 0) return null;
  // Rows of dots with blanks between are one way across.
  const target = rest
    .slice(cut.to)
    .replace(/^[.…·_\s]+/u, '')
    .trim();
  return target === '' ? null : { line, couplet, statement: rest.slice(0, cut.from).trim(), target };
}

/** What stands between a statement and its target: dots or an arrow, else the last dash. */
function cutOf(rest: string): { from: number; to: number } | null {
  const found = dots.exec(rest);
  if (found) return { from: found.index, to: found.index + found[0].length };
  const last = rest.length < mostSigns ? dash.exec(rest) : null;
  return last && { from: last[0].length - last[1]!.length, to: last[0].length };
}

/**
 * A key in numbered couplets, as floras and faunas print it: two or more statements under one number, each with the number to go on with or the result.
 * The first couplet is the beginning; a couplet that several lead to stands under the first of these, the others are told. Null where most lines are none.
 */
export function readCouplets(tokens: ListTokens): DecisionReading | null {
  const filled = tokens.source.flatMap((source, i) => (source.trim() === '' ? [] : [{ source, line: i + 1 }]));
  const leads: Lead[] = [];
  for (const { source, line } of filled) {
    const lead = leadOf(source, line, leads.at(-1)?.couplet ?? null);
    if (lead) leads.push(lead);
  }
  if (leads.length < 2 || leads.length < filled.length * 0.7) return null;
  const couplets = new Map<string, Lead[]>();
  for (const lead of leads) pushTo(couplets, lead.couplet, lead);
  if ([...couplets.values()].every((list) => list.length < 2)) return null;
  // Dashes stand in many lists; here the numbers at the ends of lines are those at the beginnings of others.
  const hasDots = ({ source }: { source: string }) => dots.test(source.replaceAll('\t', ' '));
  if (!leads.some(({ target }) => couplets.has(target)) && filled.filter(hasDots).length < leads.length) return null;
  const facts: Record<string, BranchFacts> = {};
  const findings: Finding[] = [];
  const plain = { details: [], fields: {}, role: null };
  const first = leads[0]!;
  const root: ReadEntry = { id: `e${first.line}-0`, line: first.line, name: first.couplet, parent: null, ...plain };
  // The entry that each couplet stands under, from the first one on; what nobody leads to begins anew at the top.
  const under = new Map<string, string | null>();
  const named = new Map<Lead, string>();
  for (const [begun] of couplets) {
    if (under.has(begun)) continue;
    if (begun !== first.couplet) findings.push(noWayTo(couplets.get(begun)!));
    under.set(begun, begun === first.couplet ? root.id : null);
    const waiting = [begun];
    for (let couplet = waiting.pop(); couplet !== undefined; couplet = waiting.pop())
      for (const lead of couplets.get(couplet)!) {
        const goesOn = couplets.has(lead.target);
        named.set(lead, goesOn && under.has(lead.target) ? `see ${lead.target}` : lead.target);
        if (!goesOn) continue;
        if (under.has(lead.target)) findings.push(repeated(lead));
        else {
          under.set(lead.target, `e${lead.line}`);
          waiting.push(lead.target);
        }
      }
  }
  const placed = leads.map((lead): ReadEntry => {
    const id = `e${lead.line}`;
    facts[id] = { ...noFacts, label: lead.statement.slice(0, 200) };
    return { id, line: lead.line, name: named.get(lead)!, parent: under.get(lead.couplet) ?? null, ...plain };
  });
  const known = new Set(leads.map(({ line }) => line));
  return {
    ...nothingRead,
    structure: 'couplets',
    emptyLines: tokens.emptyLines(filled.length),
    entries: [root, ...placed],
    notPlaced: filled
      .filter(({ line }) => !known.has(line))
      .map(({ source, line }) => ({
        line,
        text: source.trim(),
        reason: line < first.line ? `Line ${line} ${aboveList}.` : `Line ${line} is no part of a couplet.`,
      })),
    findings,
    facts,
    unit: '',
  };
}

const repeated = ({ line, target }: Lead): Finding =>
  decisionReadFinding(
    'repeated-couplet',
    'warning',
    `Line ${line} leads to ${target}, where another line led already; it ends with “see ${target}” here.`,
    { line, entries: [`e${line}`] },
  );

function noWayTo(leads: readonly Lead[]): Finding {
  const [{ line, couplet }] = leads as [Lead];
  const message = `Line ${line}: no line leads to ${couplet}. What is in it stands at the top until one does.`;
  return decisionReadFinding('no-way-to', 'warning', message, { line, entries: leads.map((one) => `e${one.line}`) });
}
