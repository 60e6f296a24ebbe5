import { mostDetails } from '../check';
import type { Finding } from '../model';
import { settingsByHand } from './apply';
import type { Command, Gesture, Scope } from './command';
import { kindOf, type Diagram } from './diagram';

/** What mends a finding, in words and as a gesture; null where it cannot be mended without asking. */
export function fixOf(
  diagram: Diagram,
  finding: Finding,
): { readonly words: string; readonly gesture: Gesture } | null {
  const kind = kindOf(diagram.kind);
  const own = kind.fix?.(diagram, kind.structure(diagram), finding);
  if (own) return { words: own.words, gesture: own.gesture as Gesture };
  if (finding.code === 'details-left-out') {
    const value = mostDetails(diagram, finding.entries);
    return {
      words: `Show ${value} detail lines`,
      gesture: [
        { kind: 'setStyle', scope: { kind: 'everything' }, property: 'details', value },
        // What was set more narrowly would go before it.
        ...settingsByHand(diagram)
          .filter(({ scope, property }) => property === 'details' && scope.kind !== 'everything')
          .map(({ scope }): Command => ({ kind: 'setStyle', scope: scope as Scope, property: 'details', value: null })),
      ],
    };
  }
  return null;
}
