import { own } from '../../../core/model';
import type { KeyboardEvent } from 'react';
import { kindOf } from '../../../core/diagram';
import { useParts } from '../context';
import { addEntry, addWhere, moveEntry, removeSelected } from '../edit-actions';
import { partsOf } from '../kinds';
import { entriesOf, entryPick, isSame, linkPick, toggled } from '../selection';
import { repeatStyle } from '../style/give-style';
import { nudgeBy } from '../tree/nudging';
import type { Direction } from '../tree/outline-moves';
import type { useZoom } from './useZoom';

const arrows: Record<string, Direction> = { ArrowUp: 'up', ArrowDown: 'down', ArrowLeft: 'left', ArrowRight: 'right' };

const none = 'Nothing is selected: click an entry, or go to one with the arrows.';

/** How far one key nudges, CSS px. */
const step = 4;

/** The drawing from the keyboard. */
export function useStageKeys(zoom: ReturnType<typeof useZoom>) {
  const { store } = useParts();
  return (event: KeyboardEvent) => {
    if (event.target !== event.currentTarget) return;
    if (handle(event)) event.preventDefault();
  };

  /** A key that cannot do anything says why. */
  function told(why: string): true {
    store.getState().notify([why]);
    return true;
  }

  function handle(event: KeyboardEvent): boolean {
    const { selected, selection, diagram, drawn, structure, select, pick, set } = store.getState();
    const arrow = own(arrows, event.key);
    const last = selection.at(-1);
    if (event.key === '+' || event.key === '=') zoom.by(1.25);
    else if (event.key === '-') zoom.by(1 / 1.25);
    else if (event.key === '0') zoom.fit();
    else if (arrow && (event.ctrlKey || event.metaKey))
      zoom.pan(arrow === 'left' ? 60 : arrow === 'right' ? -60 : 0, arrow === 'up' ? 60 : arrow === 'down' ? -60 : 0);
    else if (arrow && event.altKey && event.shiftKey) return selected === null ? told(none) : nudge(arrow);
    else if (arrow && event.altKey)
      return (
        (selected === null && told(none)) ||
        moveEntry(
          store,
          selected!,
          ({ up: 'earlier', down: 'later', left: 'tierUp', right: 'tierDown' } as const)[arrow],
        )
      );
    else if (arrow) {
      const next =
        selected === null ? (structure.ids[0] ?? null) : partsOf(diagram.kind).towards(diagram, drawn, selected, arrow);
      if (next !== null && event.shiftKey)
        pick(
          toggled(
            selection.filter((one) => !isSame(one, entryPick(next))),
            entryPick(next),
          ),
        );
      else if (next !== null) select(next);
    } else if (event.key === 'Home') select(structure.ids[0] ?? null);
    else if (event.key === 'F2' && selected !== null) set({ editing: selected });
    else if ((event.key === 'F2' || event.key === 'Enter') && last?.for === 'link') set({ editing: last.id });
    else if (event.key === 'Enter') {
      const added = addEntry(store, addWhere(event), selected);
      // Words of a link that leads to it come first, then its name.
      const link = added && wordless(added);
      if (added) set({ editing: link || added });
    } else if (event.key === 'Delete') removeSelected(store, { focusAfter: 'stays' });
    else if (event.key === 'Escape') select(null);
    else if (selection.length === 0 && (event.key === 'F2' || /^[lrs]$/.test(event.key))) return told(none);
    else if (event.key === 'l') nextLink();
    else if (event.key === 'r') repeatStyle(store);
    else if (event.key === 's' && selected !== null) set({ step: 'style', scope: { kind: 'this', entry: selected } });
    else {
      const keyed = selected === null ? null : partsOf(diagram.kind).keyed(diagram, selected, event.key);
      return keyed !== null && store.getState().perform(keyed);
    }
    return true;
  }

  /** A link without words that leads to an entry just added, where its kind writes words on links. */
  function wordless(added: string): string | null {
    const { diagram } = store.getState();
    const link = Object.values(diagram.links).find(({ to, phrase }) => to === added && phrase === '');
    return link && partsOf(diagram.kind).linkToGround ? link.id : null;
  }

  /** All that is selected a step off its place. */
  function nudge(arrow: Direction): boolean {
    const { diagram, selection, perform } = store.getState();
    if (!partsOf(diagram.kind).nudges)
      return told(`In ${kindOf(diagram.kind).nameInSentence}s nothing is nudged off its place.`);
    const by = {
      x: { left: -step, right: step, up: 0, down: 0 }[arrow],
      y: { up: -step, down: step, left: 0, right: 0 }[arrow],
    };
    const ids = entriesOf(selection);
    return perform(nudgeBy(diagram, ids, by), { merge: `nudge:${ids.join()}` });
  }

  /** From the selected entry to its links, one after the other. */
  function nextLink(): void {
    const { selection, diagram, pick } = store.getState();
    const last = selection.at(-1)!;
    const entry = last.for === 'entry' ? last.id : (own(diagram.links, last.id)?.from ?? '');
    const links = Object.values(diagram.links).filter(({ from, to }) => from === entry || to === entry);
    const at = links.findIndex(({ id }) => last.for === 'link' && id === last.id);
    const next = links[(at + 1) % Math.max(1, links.length)];
    if (next) pick([linkPick(next.id)]);
    else told('There are no links here to go to.');
  }
}
