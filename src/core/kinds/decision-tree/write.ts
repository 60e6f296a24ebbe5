import { csvOf, deepestIndented, hierarchyOf, tierCount, type OwnColumn } from '../../hierarchy';
import { own } from '../../model';
import { factsOf, type DecisionTree } from './model';
import { plainNumber } from './numbers';
import { branchLineOf } from './read/line';
import { decisionVocabulary } from './words';

const number = (value: number | null): string => (value === null ? '' : plainNumber(value));

/** The list as RFC 4180 CSV, with columns for the words on branches, probability, cost and payoff where there are any. Read back by `readDecision`. */
export function decisionCsv(diagram: DecisionTree): string {
  const facts = Object.values(diagram.decision.facts);
  const columns: (OwnColumn & { readonly wanted: boolean })[] = [
    { heading: 'Answer', cell: (id) => factsOf(diagram, id).label, wanted: facts.some(({ label }) => label !== '') },
    {
      heading: 'Probability',
      cell: (id) => number(factsOf(diagram, id).probability),
      wanted: facts.some(({ probability }) => probability !== null),
    },
    {
      heading: 'Cost',
      cell: (id) => number(factsOf(diagram, id).cost),
      wanted: facts.some(({ cost }) => cost !== null),
    },
    {
      heading: 'Payoff',
      cell: (id) => number(factsOf(diagram, id).payoff),
      wanted: facts.some(({ payoff }) => payoff !== null),
    },
  ];
  return csvOf(
    diagram,
    decisionVocabulary,
    columns.filter(({ wanted }) => wanted),
  );
}

/** The list as an outline, one line a branch: `Bad winter (0.3) = -18000`, `Yes: Curlew`. Read back by `readDecision`. O(characters). */
export function decisionText(diagram: DecisionTree): string {
  const structure = hierarchyOf(diagram.entries);
  if (tierCount(structure) > deepestIndented) return decisionCsv(diagram);
  const { ids, outline, tier } = structure;
  return Array.from(outline, (i) => {
    const { name, details } = own(diagram.entries, ids[i]!)!;
    return '    '.repeat(tier[i]! - 1) + branchLineOf({ name, details, facts: factsOf(diagram, ids[i]!) });
  }).join('\n');
}
