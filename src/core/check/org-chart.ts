import { finding, type BoxStyle, type Diagram, type Finding, own } from '../model';
import { missingCharacters } from '../measure';
import type { Scene } from '../scene';
import { contrastRatio, leastContrast } from '../style';
import { pathTo, type Structure } from '../tiers';

/** Text below about 8 pt does not read well on a handout (common practice). 1 pt = 4/3 CSS px. */
const leastPrintedPt = 8;
/** More direct reports than this are worth a look (common practice). */
const widestSpan = 10;

/** What an org chart is tested against. Findings come in the order of how much they matter. O(entries). */
export function checkOrgChart(
  diagram: Diagram,
  structure: Structure,
  styles: readonly BoxStyle[],
  scene: Scene,
): Finding[] {
  return [
    ...tray(diagram),
    ...nameless(diagram, structure),
    ...sameNames(diagram, structure),
    ...legibility(diagram, structure, styles),
    ...smallPrint(diagram, scene),
    ...glyphs(diagram, structure),
    ...severalTops(diagram, structure),
    ...spans(diagram, structure),
    ...vacancies(diagram, structure),
  ];
}

const nameOf = (diagram: Diagram, id: string): string => own(diagram.entries, id)!.name || 'An entry without a name';

function tray(diagram: Diagram): Finding[] {
  const n = diagram.notPlaced.length;
  if (n === 0) return [];
  return [
    finding(
      'not-placed',
      'warning',
      `${n} ${n === 1 ? 'line of the list has' : 'lines of the list have'} no place yet. Find them under the list.`,
    ),
  ];
}

function nameless(diagram: Diagram, structure: Structure): Finding[] {
  const ids = structure.ids.filter((id) => own(diagram.entries, id)!.name.trim() === '');
  if (ids.length === 0) return [];
  return [
    finding('no-name', 'warning', `${ids.length} ${ids.length === 1 ? 'entry has' : 'entries have'} no name.`, {
      entries: ids,
    }),
  ];
}

function sameNames(diagram: Diagram, structure: Structure): Finding[] {
  const byName = new Map<string, string[]>();
  for (const id of structure.ids) {
    const { name, role } = own(diagram.entries, id)!;
    if (role === 'vacancy' || name.trim() === '') continue;
    const key = name.trim().toLowerCase();
    const list = byName.get(key);
    if (list) list.push(id);
    else byName.set(key, [id]);
  }
  return [...byName.values()]
    .filter((ids) => ids.length > 1)
    .map((ids) =>
      finding('same-name', 'warning', `${nameOf(diagram, ids[0]!)} stands in the list ${ids.length} times.`, {
        entries: ids,
      }),
    );
}

function legibility(diagram: Diagram, structure: Structure, styles: readonly BoxStyle[]): Finding[] {
  const poor = new Map<BoxStyle, string[]>();
  structure.ids.forEach((id, i) => {
    const style = styles[i]!;
    const known = poor.get(style);
    if (known) known.push(id);
    else if (contrastRatio(style.text, style.fill) < leastContrast) poor.set(style, [id]);
  });
  return [...poor].map(([style, ids]) => {
    const ratio = contrastRatio(style.text, style.fill).toFixed(1);
    const whose = ids.length === 1 ? nameOf(diagram, ids[0]!) : `${ids.length} boxes`;
    return finding(
      'low-contrast',
      'warning',
      `The text of ${whose} stands ${ratio} : 1 against its fill; 4.5 : 1 is the least that reads well. Choose a darker or lighter text.`,
      { entries: ids },
    );
  });
}

function smallPrint(diagram: Diagram, scene: Scene): Finding[] {
  if (scene.smallestText === null) return [];
  const points = scene.smallestText * 0.75;
  if (points >= leastPrintedPt - 0.05) return [];
  const larger =
    diagram.sheet.size === 'drawing' ? '' : ' Take a larger sheet, turn it, or bring tiers and boxes closer together.';
  return [
    finding(
      'small-print',
      'warning',
      `The smallest text prints at ${points.toFixed(1)} pt; below 8 pt it is hard to read on paper.${larger}`,
    ),
  ];
}

function glyphs(diagram: Diagram, structure: Structure): Finding[] {
  const missing = new Set<string>();
  const ids: string[] = [];
  for (const id of structure.ids) {
    const { name, details } = own(diagram.entries, id)!;
    const found = missingCharacters([name, ...details].join(''));
    if (found.length === 0) continue;
    ids.push(id);
    for (const character of found) missing.add(character);
  }
  if (ids.length === 0) return [];
  const shown = [...missing].slice(0, 8).join(' ');
  return [
    finding(
      'no-glyph',
      'warning',
      `The fonts lack some characters (${shown}); on other machines they may look different or be missing.`,
      { entries: ids },
    ),
  ];
}

function severalTops(diagram: Diagram, structure: Structure): Finding[] {
  if (structure.roots < 2) return [];
  const ids = structure.ids.slice(0, structure.roots);
  const names = ids
    .slice(0, 3)
    .map((id) => nameOf(diagram, id))
    .join(', ');
  return [
    finding(
      'several-tops',
      'note',
      `${structure.roots} entries stand at the top: ${names}${ids.length > 3 ? ' …' : ''}.`,
      { entries: ids },
    ),
  ];
}

function spans(diagram: Diagram, structure: Structure): Finding[] {
  const findings: Finding[] = [];
  structure.ids.forEach((id, i) => {
    const n = structure.count[i]!;
    if (n > widestSpan)
      findings.push(
        finding(
          'wide-span',
          'note',
          `${nameOf(diagram, id)} has ${n} direct reports; more than ${widestSpan} are hard to lead.`,
          { entries: [id] },
        ),
      );
  });
  return findings;
}

function vacancies(diagram: Diagram, structure: Structure): Finding[] {
  const ids = structure.ids.filter((id) => own(diagram.entries, id)!.role === 'vacancy');
  if (ids.length === 0) return [];
  const under = ids.slice(0, 3).map((id) => {
    const above = pathTo(diagram.entries, id).at(-2);
    const what = own(diagram.entries, id)!.details[0] || nameOf(diagram, id);
    return above ? `${what} (under ${nameOf(diagram, above)})` : what;
  });
  return [
    finding(
      'vacancy',
      'note',
      `${ids.length} ${ids.length === 1 ? 'post is' : 'posts are'} vacant: ${under.join(', ')}${ids.length > 3 ? ' …' : ''}.`,
      { entries: ids },
    ),
  ];
}
