import { conceptMap } from '../kinds/concept-map';
import { decisionTree } from '../kinds/decision-tree';
import { familyTree } from '../kinds/family-tree';
import { orgChart } from '../kinds/org-chart';
import { topicTree } from '../kinds/topic-tree';
import { venn } from '../kinds/venn';

/** The kinds of diagram there are: a further kind is a folder in `kinds` and a name here. All that needs to know every kind is made from this list. */
export const registered = [orgChart, topicTree, decisionTree, familyTree, conceptMap, venn] as const;
