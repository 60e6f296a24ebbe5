import { RotateCcw } from 'lucide-react';
import { useMemo } from 'react';
import { drawApart, kindOf, patchOf, type KindId } from '../../../core/diagram';
import { stylesLinks } from '../../../core/edit';
import { own } from '../../../core/model';
import { contrastRatio, explainLinks, lookOf, looks } from '../../../core/style';
import { Picture } from '../../drawing/Picture';
import { useBench, useParts } from '../context';
import { partsOf } from '../kinds';
import { giveStyle, handBackAll } from './give-style';
import { linkRows, PropertyRow, rows, type Told, type Value } from './PropertyRow';
import { ScopeList } from './ScopeList';

/** Scope first, then what the entries or links in it look like and where each value comes from, then the looks. */
export function StylePanel() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const scope = useBench((state) => state.scope);
  const kind = kindOf(diagram.kind);
  const ofLinks = stylesLinks(scope);
  const explained = useMemo((): Readonly<Record<string, Told>> | null => {
    const told = stylesLinks(scope)
      ? explainLinks(diagram, scope, kind.linkKinds)
      : kind.explain(diagram, kind.structure(diagram), scope);
    return told;
  }, [diagram, kind, scope]);
  const setHere: Readonly<Record<string, unknown>> = patchOf(diagram, scope);
  const parts = partsOf(diagram.kind);
  const shown = ofLinks ? linkRows : rows.filter((row) => parts.properties(scope).some((one) => one === row.property));
  const here = shown.flatMap(({ property }) => (own(setHere, property) === undefined ? [] : [property]));
  const ground = ofLinks ? lookOf(diagram.look).ground : (parts.textGround?.(diagram, scope) ?? null);
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 pb-6">
      <ScopeList />
      {scope.kind === 'tier' && <TierName tier={scope.tier} />}
      {explained ? (
        <section aria-label="Properties" className="mt-4">
          {shown.map((row) => (
            <PropertyRow
              key={row.property}
              row={row}
              explained={own(explained, row.property)!}
              originWords={kind.originWords}
              setHere={own(setHere, row.property) !== undefined}
              scope={scope}
              onChange={(value) => giveStyle(store, scope, { property: row.property, value })}
            />
          ))}
          {here.length > 1 && (
            <button className="plain mt-2" onClick={() => handBackAll(store, scope, here)}>
              <RotateCcw size={15} aria-hidden="true" /> Hand back all {here.length} set here
            </button>
          )}
          <Legibility
            ground={ground ?? own(explained, 'fill')?.value ?? null}
            text={own(explained, ofLinks ? 'phraseColour' : 'text')?.value ?? null}
          />
        </section>
      ) : (
        <p className="mt-4 text-muted">{ofLinks ? 'There is no such link.' : 'No entry has this yet.'}</p>
      )}
      <Looks kind={diagram.kind} />
    </div>
  );
}

function TierName({ tier }: { tier: number }) {
  const { store } = useParts();
  const name = useBench((state) => own(state.diagram.tiers, String(tier))?.name ?? '');
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

function Legibility({ ground, text }: { ground: Value | null; text: Value | null }) {
  if (typeof ground !== 'string' || typeof text !== 'string') return null;
  const ratio = contrastRatio(ground, text);
  return (
    <p className={`mt-2 text-sm ${ratio < 4.5 ? 'border-l-4 border-brass bg-brasswash px-2 py-1' : 'text-muted'}`}>
      Text stands on what is below it at <strong>{ratio.toFixed(1)} : 1</strong>
      {ratio < 4.5 ? '; below 4.5 : 1 it is hard to read. Choose a darker or lighter text.' : '.'}
    </p>
  );
}

function Looks({ kind }: { kind: KindId }) {
  const { store } = useParts();
  const chosen = useBench((state) => state.diagram.look);
  const samples = useMemo(
    () => looks.map((look) => drawApart({ ...partsOf(kind).sample, look: look.id }).scene),
    [kind],
  );
  return (
    <section aria-label="Looks" className="mt-6">
      <h2 className="label mb-2 font-sans">Look of the whole {kindOf(kind).nameInSentence}</h2>
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
