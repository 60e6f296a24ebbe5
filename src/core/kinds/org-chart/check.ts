import { nameless, nameOf, sameNames, tray, treeDrawingChecks, type TreeDrawingFinding } from '../../check';
import { pathTo, type Hierarchy } from '../../hierarchy';
import { finding, own, type BoxStyle, type Finding } from '../../model';
import type { Scene } from '../../scene';
import type { OrgChart } from './model';
import { orgVocabulary } from './words';

/** More direct reports than this are worth a look (common practice). */
const widestSpan = 10;

/** All that a check of an org chart can find. */
export type OrgFinding = 'not-placed' | 'no-name' | 'same-name' | TreeDrawingFinding | 'wide-span' | 'vacancy';

/** What an org chart is tested against. Findings come in the order of how much they matter. O(entries). */
export function checkOrgChart(
  diagram: OrgChart,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  scene: Scene,
): Finding<OrgFinding>[] {
  return [
    ...tray(diagram),
    ...nameless(diagram, structure),
    ...sameNames(diagram, structure, orgVocabulary.roles.repeated),
    ...treeDrawingChecks(
      diagram,
      structure,
      styles,
      scene,
      'Take a larger sheet, hand it out as a set of sheets, or let it stand compact.',
    ),
    ...spans(diagram, structure),
    ...vacancies(diagram, structure),
  ];
}

function spans(diagram: OrgChart, structure: Hierarchy): Finding<'wide-span'>[] {
  return structure.ids.flatMap((id, i) => {
    const n = structure.count[i]!;
    if (n <= widestSpan) return [];
    const message = `${nameOf(diagram, id)} has ${n} direct reports; more than ${widestSpan} are hard to lead.`;
    return [finding('wide-span', 'note', message, { entries: [id] })];
  });
}

function vacancies(diagram: OrgChart, structure: Hierarchy): Finding<'vacancy'>[] {
  const ids = structure.ids.filter((id) => own(diagram.entries, id)!.role === 'vacancy');
  if (ids.length === 0) return [];
  const under = ids.slice(0, 3).map((id) => {
    const above = pathTo(diagram.entries, id).at(-2);
    const what = own(diagram.entries, id)!.details[0] || nameOf(diagram, id);
    return above ? `${what} (under ${nameOf(diagram, above)})` : what;
  });
  const message = `${ids.length} ${ids.length === 1 ? 'post is' : 'posts are'} vacant: ${under.join(', ')}${ids.length > 3 ? ' …' : ''}.`;
  return [finding('vacancy', 'note', message, { entries: ids })];
}
