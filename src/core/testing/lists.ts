/** The kinds' own readers and writers on plain texts, as tests use them. */
import { tokensOf } from '../diagram';
import { orgChart, orgVocabulary, type OrgChart } from '../kinds/org-chart';
import { venn, type SetReading, type Venn } from '../kinds/venn';
import { csvOf as csvWith, outlineText as textWith } from '../hierarchy';
import type { DiagramCommon } from '../model';
import type { ReadChoices, Reading } from '../read';

export const readList = (text: string, choices: ReadChoices = {}): Reading => orgChart.read(tokensOf(text), choices);
export const readSets = (text: string, choices: ReadChoices = {}): SetReading => venn.read(tokensOf(text), choices);
export const diagramFrom = (read: Reading, title: string): OrgChart => orgChart.make(read, title);
export const csvOf = (diagram: DiagramCommon): string => csvWith(diagram, orgVocabulary);
export const outlineText = (diagram: DiagramCommon): string => textWith(diagram, orgVocabulary);
export const vennCsv = (diagram: Venn): string => venn.csv(diagram);
export const vennText = (diagram: Venn): string => venn.text(diagram);
