import { applyGesture, kindOf, tokensOf, type Diagram, type Gesture, type KindId } from '../src/core/diagram';

function edited(diagram: Diagram, gesture: Gesture): Diagram {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(`The demo does not hold together: ${outcome.reason}`);
  return outcome.diagram;
}

const made = (kind: KindId, list: string, title: string): Diagram =>
  kindOf(kind).make(kindOf(kind).read(tokensOf(list)), title);

/** The staff of Brackwater Field Centre, from the list as it was exported, with tiers named and a title block. */
export function brackwaterStaff(list: string): Diagram {
  const read = made('org-chart', list, 'Brackwater staff, autumn');
  const names = ['Director', 'Deputies', 'Heads of section', 'Leads', 'Team'];
  return edited(read, [
    ...names.map((name, i) => ({ kind: 'setTier' as const, tier: i + 1, patch: { name } })),
    {
      kind: 'setTitleBlock',
      patch: {
        title: 'Brackwater Field Centre',
        subtitle: 'Who works with whom, autumn term',
        author: 'I. Nakamura-Vidal',
        date: '23 November 2026',
      },
    },
  ]);
}

/** The boat crew, from an indented note in a mail. */
export function boatCrew(list: string): Diagram {
  const read = made('org-chart', list, 'Boat crew');
  return edited(read, [
    { kind: 'setLook', look: 'ledger' },
    { kind: 'setTitleBlock', patch: { title: 'Boat crew', subtitle: 'Who is on this autumn' } },
    { kind: 'setArrangement', patch: { direction: 'right' } },
  ]);
}

/** Where shorebirds feed, from lines as a class collected them. */
export function shorebirds(list: string): Diagram {
  const read = made('venn', list, 'Where shorebirds feed');
  return edited(read, [
    { kind: 'setManner', patch: { universe: 'Birds of the Brackwater estuary' } },
    {
      kind: 'setTitleBlock',
      patch: { title: 'Where shorebirds feed', subtitle: 'Counted in the third week of October' },
    },
  ]);
}

/** Which volunteers hold which certificate, from a table with marks. */
export function certificates(list: string): Diagram {
  const read = made('venn', list, 'Volunteers and their certificates');
  return edited(read, [
    { kind: 'setLook', look: 'ledger' },
    { kind: 'setManner', patch: { universe: 'Volunteers', shape: 'scaled-ellipses' } },
    { kind: 'setStyle', scope: { kind: 'everything' }, property: 'details', value: 0 },
    { kind: 'setTitleBlock', patch: { title: 'Who may lead what', subtitle: 'Certificates held this autumn' } },
  ]);
}

/** Kinds of shore, from an outline: columns of tiers under their names. */
export function kindsOfShore(list: string): Diagram {
  const read = made('topic-tree', list, 'Kinds of shore');
  const names = ['', 'What it is made of', 'How it lies', 'Its parts'];
  return edited(read, [
    ...names.flatMap((name, i) => (name ? [{ kind: 'setTier' as const, tier: i + 1, patch: { name } }] : [])),
    { kind: 'setTier', tier: 1, patch: { name: 'Everything' } },
    { kind: 'setLook', look: 'terracotta' },
    { kind: 'setArrangement', patch: { direction: 'right', tiers: 'columns', tierNames: 'drawn' } },
    { kind: 'setTitleBlock', patch: { title: 'Kinds of shore', subtitle: 'Sorted by what they are made of' } },
  ]);
}

/** The leaking boardwalk: what to do about it, from an outline with chances and costs. */
export function leakingBoardwalk(list: string): Diagram {
  return edited(made('decision-tree', list, 'The leaking boardwalk'), [
    {
      kind: 'setTitleBlock',
      patch: { title: 'The leaking boardwalk', subtitle: 'Costs over the next three winters' },
    },
  ]);
}

/** A key to six wading birds, from questions and answers. */
export function wadingBirds(list: string): Diagram {
  return edited(made('decision-tree', list, 'Which wading bird is it?'), [
    { kind: 'setLook', look: 'heather' },
    { kind: 'setTitleBlock', patch: { title: 'Which wading bird is it?', subtitle: 'Six birds of the mudflat' } },
  ]);
}

/** The family that gave the boathouse, from a table with parents and partners. */
export function boathouseFamily(list: string): Diagram {
  return edited(made('family-tree', list, 'The boathouse family'), [
    { kind: 'setTitleBlock', patch: { title: 'The boathouse family', subtitle: 'Boat builders since 1871' } },
  ]);
}

/** What makes an estuary productive, from propositions as a class collected them. */
export function productiveEstuary(list: string): Diagram {
  const read = made('concept-map', list, 'What makes an estuary productive?');
  return edited(read, [
    {
      kind: 'setTitleBlock',
      patch: { title: 'What makes an estuary productive?', subtitle: 'Collected by the autumn class' },
    },
  ]);
}
