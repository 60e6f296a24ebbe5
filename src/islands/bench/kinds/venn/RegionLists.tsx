import { keyOfMask, setsInOrder, setsOfMask, type Venn, figureVenn, regionWords } from '../../../../core/kinds/venn';
import { own } from '../../../../core/model';
import { useEffect, useRef } from 'react';
import { useBench, useParts } from '../../context';
import { addToRegion } from './set-actions';

/** One list for each region, most overlapped last; each entry can be sent to another region. */
export function RegionLists({ diagram }: { diagram: Venn }) {
  const { store } = useParts();
  const selected = useBench((state) => state.selected);
  const sets = setsInOrder(diagram.venn);
  const regions = [...figureVenn(diagram).regions].sort(
    (a, b) => setsOfMask(sets, a.mask).length - setsOfMask(sets, b.mask).length || a.mask - b.mask,
  );
  const frame = useRef<HTMLDivElement>(null);
  // Whoever comes here to type begins at once.
  useEffect(() => frame.current?.querySelector<HTMLInputElement>('[data-new-name]')?.focus(), []);
  const light = (key: string | null) => store.getState().set({ litRegions: new Set(key === null ? [] : [key]) });
  return (
    <div
      ref={frame}
      className="min-h-0 flex-1 overflow-auto border-t border-hair px-3 pb-3 max-md:min-h-64 max-md:shrink-0"
      onPointerLeave={() => light(null)}
      role="group"
      aria-label="Entries by region"
      tabIndex={0}
    >
      {regions.map((region) => (
        <section key={region.key} className="mt-3" onPointerEnter={() => light(region.key)}>
          <h3 className="flex justify-between gap-2 border-b border-hair text-sm">
            <span className="font-semibold first-letter:uppercase">{regionWords(sets, region.mask)}</span>
            <span className="text-muted">{region.count}</span>
          </h3>
          <label className="mt-1 flex items-center gap-2 text-sm text-muted">
            Titled
            <input
              className="field min-h-6 flex-1 py-0"
              aria-label={`Title of the region ${regionWords(sets, region.mask)}`}
              value={own(diagram.venn.regions, region.key)?.title ?? ''}
              maxLength={200}
              disabled={region.mask === 0}
              placeholder={region.mask === 0 ? 'none: it is the outside' : 'no title'}
              onChange={(event) =>
                store
                  .getState()
                  .perform([{ kind: 'titleRegion', region: region.key, title: event.target.value || null }], {
                    merge: `region:${region.key}`,
                  })
              }
            />
          </label>
          <ul>
            {region.entries.map((id) => (
              <li key={id} className={`flex items-center gap-2 ${selected === id ? 'bg-mosswash' : ''}`}>
                <button className="min-w-0 flex-1 truncate text-left" onClick={() => store.getState().select(id)}>
                  {own(diagram.entries, id)!.name || 'No name yet'}
                </button>
                <select
                  aria-label={`Region of ${own(diagram.entries, id)!.name}`}
                  className="max-w-36 border border-edge bg-raised text-[12.5px]"
                  value={region.mask}
                  onChange={(event) => {
                    const key = keyOfMask(sets, Number(event.target.value));
                    store
                      .getState()
                      .perform([{ kind: 'setMembers', entry: id, sets: key === '' ? [] : key.split(',') }]);
                  }}
                >
                  {regions.map((one) => (
                    <option key={one.key} value={one.mask}>
                      {regionWords(sets, one.mask)}
                    </option>
                  ))}
                </select>
              </li>
            ))}
          </ul>
          <input
            data-new-name
            className="mt-1 w-full border-b border-hair bg-transparent px-1 py-0.5 placeholder:text-muted"
            aria-label={`New name: ${regionWords(sets, region.mask)}`}
            placeholder="A new name, then Enter"
            maxLength={400}
            onKeyDown={(event) => {
              const name = event.currentTarget.value.trim();
              if (event.key !== 'Enter' || name === '') return;
              event.preventDefault();
              const { diagram: now, perform } = store.getState();
              const added = now.kind === 'venn' ? addToRegion(now, region.key, name) : null;
              if (added && perform(added.gesture, { select: added.id })) event.currentTarget.value = '';
            }}
          />
        </section>
      ))}
    </div>
  );
}
