import type { Hierarchy, Roles } from '../../hierarchy';
import type { DiagramCommon, StylePatch } from '../../model';
import { commonHeadings, noRoles, wordsFor, type TreeVocabulary } from '../../read';
import { kindsOfNodes } from './nodes';
import type { DecisionTree } from './model';

const manner = (diagram: DiagramCommon) => (diagram as DecisionTree).decision.manner.manner;

/** In a key each tier has a shape of its own. */
const keyShapes = ['rounded', 'hexagon', 'cut', 'square', 'pill'] as const;

/** What nodes are: told from the structure; a decision or a chance may be set by hand. */
export const decisionRoles: Roles = {
  leading: null,
  told: (diagram: DiagramCommon, structure: Hierarchy, i: number) =>
    kindsOfNodes(diagram as DecisionTree, structure)[i]!,
  tierStyle: (diagram, tier): StylePatch =>
    manner(diagram) === 'key' ? { shape: keyShapes[(tier - 1) % keyShapes.length]! } : {},
  all: [
    { id: 'question', name: 'Question', told: 'leads on by its answers' },
    { id: 'result', name: 'Result', told: 'ends the key', style: () => ({ shape: 'square', borderWidth: 2 }) },
    {
      id: 'decision',
      name: 'Decision',
      told: 'one of its branches is chosen',
      legend: 'Decision',
      style: () => ({ shape: 'block' }),
    },
    {
      id: 'chance',
      name: 'Chance',
      told: 'its branches come with probabilities',
      legend: 'Chance, with its expected value',
      style: () => ({ shape: 'ellipse', nameSize: 13, nameWeight: 600 }),
    },
    {
      id: 'end',
      name: 'End',
      told: 'with a payoff',
      legend: 'End, with its payoff',
      style: ({ arrangement }) => ({
        shape: arrangement.direction === 'right' ? 'triangle' : 'gable',
        ...{ borderWidth: 1.25, nameSize: 13, nameWeight: 600 },
      }),
    },
  ],
};

const kindWords: readonly (readonly [word: RegExp, role: string])[] = [
  [/^(decision|decide|choice|square|d)$/i, 'decision'],
  [/^(chance|event|circle|uncertain(ty)?|random|c)$/i, 'chance'],
  [/^(end|outcome|terminal|payoff|triangle|result|leaf|question|none|no role)$/i, 'none'],
];
const roleOfCell = (cell: string) => kindWords.find(([word]) => word.test(cell.trim()))?.[1] ?? null;

/** A word of the trade in languages of Europe, as headings are compared: small and without accents. */
const words = (of: string): RegExp => {
  const each = of.split(',').map((one) => one.trim());
  return new RegExp(`^(${each.join('|')})$`);
};
const chances =
  words(`probability, probabilities, prob, p, chance, chances, odds, likelihood, wahrscheinlichkeit, probabilite, probabilita, probabilidad,
  probabilidade, kans, waarschijnlijkheid, sannolikhet, sandsynlighed, sannsynlighet, todennakoisyys, prawdopodobienstwo, pravdepodobnost, valoszinuseg,
  probabilitate, olasilik, verjetnost, vjerojatnost`);
const costs =
  words(`costs?, tolls?, price, cost of branch, expenses?, outlays?, expenditure, spending, kosten, ausgaben?, aufwand, couts?, depenses?, frais, costo, costi, costes?,
  spesa, spese, gastos?, custos?, despesas?, uitgaven?, kostnad, kostnader, utgift, utgifter, udgift, udgifter, omkostninger, kustannus, kustannukset, meno,
  menot, koszt, koszty, wydatek, wydatki, naklad, naklady, vydaje, koltseg, kiadas, cheltuieli, maliyet, gider, strosek, trosak`);
const payoffs =
  words(`pay ?-?offs?, value, result value, outcome value, amount, end value, gains?, profits?, returns?, proceeds, yield, auszahlung, ertrag, erlos, gewinn, benefice,
  rendement, beneficio, ganancia, guadagno, ricavo, rendimento, lucro, ganho, opbrengst, winst, vinst, avkastning, gevinst, udbytte, tuotto, voitto, zysk,
  wyplata, vynos, zisk, nyereseg, hozam, castig, kazanc, getiri, donos`);

/** How lists of decisions and keys are headed; what only this kind reads is kept apart under `own-`. */
export const decisionVocabulary: TreeVocabulary = {
  headings: [
    ['own-label', /^(answer|label|on the (branch|line)|reply|if)$/],
    ['own-probability', chances],
    ['own-cost', costs],
    ['own-payoff', payoffs],
    [
      'parent',
      /^(parent|after|follows|from|belongs to|under|comes from|previous|question before|parent (id|no|number|node))$/,
    ],
    ['parent', wordsFor('after')],
    ['id', /^(id|no|nr|number|code|key|node (id|no|number))$/],
    ['role', /^(kind|node kind|type|node type|role|shape)$/],
    [
      'name',
      /^(branch|name|node|question|step|decision|option|outcome|event|then|leads to|next|result|text|entry|item|what)$/,
    ],
    ['own-label', wordsFor('answer')],
    ['name', wordsFor('step')],
    ['id', wordsFor('number')],
    ['detail', /^(details?( \d+)?|notes?|remark|explanation|hint)$/],
    ['detail', wordsFor('remark')],
    ...commonHeadings,
  ],
  written: { parent: 'Parent', alsoUnder: 'Also under', details: ['Note'] },
  linkKind: 'side',
  words: {
    entry: 'node',
    entries: 'nodes',
    under: 'follows',
    areUnder: 'follow',
    alsoUnder: 'also follows',
    parents: 'nodes before',
    whichUnderWhich: 'what follows what',
    notInList: 'which is not in the list',
    addOrCorrect: 'Add that node or correct its name',
    other: 'something else',
  },
  roles: { ...noRoles, ofCell: roleOfCell, isPlain: (cell) => roleOfCell(cell) !== null },
};
