import { applyGesture, type Gesture } from '../src/core/edit';
import type { Diagram } from '../src/core/model';
import { diagramFrom, readList } from '../src/core/read';

function edited(diagram: Diagram, gesture: Gesture): Diagram {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(`The demo does not hold together: ${outcome.reason}`);
  return outcome.diagram;
}

/** The staff of Brackwater Field Centre, from the list as it was exported, with tiers named and a title block. */
export function brackwaterStaff(list: string): Diagram {
  const read = diagramFrom(readList(list), 'Brackwater staff, autumn');
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
  const read = diagramFrom(readList(list), 'Boat crew');
  return edited(read, [
    { kind: 'setLook', look: 'ledger' },
    { kind: 'setTitleBlock', patch: { title: 'Boat crew', subtitle: 'Who is on this autumn' } },
    { kind: 'setArrangement', patch: { direction: 'right' } },
  ]);
}
