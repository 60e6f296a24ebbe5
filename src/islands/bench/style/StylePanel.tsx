import { useMemo } from 'react';
import { patchOf } from '../../../core/edit';
import { draw, kindOf } from '../../../core/kind';
import { createDiagram, createEntry, type BoxStyle, type StyleProperty } from '../../../core/model';
import { contrastRatio, explainStyle, looks, type Explained } from '../../../core/style';
import { structureOf } from '../../../core/tiers';
import { Picture } from '../../drawing/Picture';
import { useBench, useParts } from '../context';
import { PropertyRow, rows } from './PropertyRow';
import { ScopeList } from './ScopeList';

/** Scope first, then what the entries in it look like and where each value comes from, then the looks. */
export function StylePanel() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const scope = useBench((state) => state.scope);
  const structure = structureOf(diagram.entries);
  const explained = useMemo(() => explainStyle(diagram, structure, scope), [diagram, structure, scope]);
  const own = patchOf(diagram, scope);
  const set = (property: StyleProperty, value: BoxStyle[StyleProperty] | null) =>
    store
      .getState()
      .perform([{ kind: 'setStyle', scope, property, value }], { merge: `style:${JSON.stringify(scope)}:${property}` });
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 pb-6">
      <ScopeList />
      {scope.kind === 'tier' && <TierName tier={scope.tier} />}
      {explained ? (
        <section aria-label="Properties" className="mt-4">
          {rows.map((row) => (
            <PropertyRow
              key={row.property}
              row={row}
              explained={explained[row.property]}
              setHere={own[row.property] !== undefined}
              scope={scope}
              onChange={(value) => set(row.property, value)}
            />
          ))}
          <Legibility fill={explained.fill} text={explained.text} />
        </section>
      ) : (
        <p className="mt-4 text-muted">No entry has this yet.</p>
      )}
      <Looks kindName={kindOf(diagram.kind).name} />
    </div>
  );
}

function TierName({ tier }: { tier: number }) {
  const { store } = useParts();
  const name = useBench((state) => state.diagram.tiers[String(tier)]?.name ?? '');
  return (
    <label className="mt-3 grid grid-cols-[6rem_1fr] items-center gap-2">
      Called
      <input
        className="field"
        value={name}
        placeholder={`Tier ${tier}`}
        maxLength={80}
        onChange={(event) =>
          store.getState().perform([{ kind: 'setTier', tier, patch: { name: event.target.value || null } }], {
            merge: `tier-name:${tier}`,
          })
        }
      />
    </label>
  );
}

function Legibility({ fill, text }: { fill: Explained; text: Explained }) {
  if (typeof fill.value !== 'string' || typeof text.value !== 'string') return null;
  const ratio = contrastRatio(fill.value, text.value);
  return (
    <p className={`mt-2 text-sm ${ratio < 4.5 ? 'border-l-4 border-brass bg-brasswash px-2 py-1' : 'text-muted'}`}>
      Text on this fill stands at <strong>{ratio.toFixed(1)} : 1</strong>
      {ratio < 4.5 ? '; below 4.5 : 1 it is hard to read. Choose a darker or lighter text.' : '.'}
    </p>
  );
}

const sample = (look: string) => {
  const entry = (id: string, parent: string | null) => createEntry({ id, name: 'Mmmm', parent, order: id });
  const entries = [
    entry('a', null),
    entry('b', 'a'),
    entry('c', 'a'),
    entry('d', 'b'),
    entry('e', 'b'),
    entry('f', 'c'),
    entry('g', 'c'),
  ];
  const diagram = createDiagram('org-chart', '');
  return draw({
    ...diagram,
    look,
    arrangement: { ...diagram.arrangement, lowest: 'row' },
    entries: Object.fromEntries(entries.map((one) => [one.id, one])),
  }).scene;
};

function Looks({ kindName }: { kindName: string }) {
  const { store } = useParts();
  const chosen = useBench((state) => state.diagram.look);
  const samples = useMemo(() => looks.map((look) => sample(look.id)), []);
  return (
    <section aria-label="Looks" className="mt-6">
      <h2 className="label mb-2 font-sans">Look of the whole {kindName.toLowerCase()}</h2>
      <ul className="grid grid-cols-3 gap-2">
        {looks.map((look, i) => (
          <li key={look.id}>
            <button
              aria-pressed={look.id === chosen}
              title={look.told}
              className={`block w-full border text-left hover:border-moss ${look.id === chosen ? 'border-moss outline-2 outline-moss' : 'border-edge'}`}
              onPointerEnter={() =>
                store.getState().tryOut(look.id === chosen ? null : [{ kind: 'setLook', look: look.id }])
              }
              onPointerLeave={() => store.getState().tryOut(null)}
              onFocus={(event) =>
                event.currentTarget.matches(':focus-visible') &&
                store.getState().tryOut([{ kind: 'setLook', look: look.id }])
              }
              onBlur={() => store.getState().tryOut(null)}
              onClick={() => look.id !== chosen && store.getState().perform([{ kind: 'setLook', look: look.id }])}
            >
              <span className="block h-14 p-1" style={{ background: look.ground }}>
                <Picture scene={samples[i]!} small label="" />
              </span>
              <span className={`block px-1.5 py-0.5 text-sm ${look.id === chosen ? 'font-semibold' : ''}`}>
                {look.name}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
