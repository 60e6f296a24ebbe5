import { kindOf, type Scope } from '../../../core/diagram';
import { childrenOf, enclosedBy } from '../../../core/hierarchy';
import { own, plainEnclosure, type Enclosure } from '../../../core/model';
import { newId } from '../../shared/ids';
import { Check } from '../Check';
import { useBench, useParts } from '../context';
import { NumberField } from '../NumberField';
import { RemoveButton } from '../RemoveButton';
import { entriesOf, entryPick } from '../selection';
import { ColourField } from '../style/ColourField';
import { handingBack } from '../style/give-style';

const shapes: [Enclosure['shape'], string][] = [
  ['rounded', 'round corners'],
  ['box', 'square corners'],
  ['contour', 'along the boxes'],
  ['hull', 'without dents'],
  ['smooth', 'smooth'],
];
const lines: [Enclosure['line'], string][] = [
  ['dashed', 'dashed'],
  ['solid', 'solid'],
  ['dotted', 'dotted'],
  ['none', 'no line'],
];

/** Outlines around branches or some entries, which follow them through every arrangement. */
export function Enclosures() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const picked = entriesOf(useBench((state) => state.selection));
  const all = Object.values(diagram.enclosures).sort((a, b) => (a.id < b.id ? -1 : 1));
  const [one, many] = kindOf(diagram.kind).entryNoun;
  const head = picked.length === 1 ? picked[0]! : null;
  const leads = head !== null && childrenOf(diagram, head).length > 0;
  const put = (patch: Partial<Enclosure>) =>
    store.getState().perform([{ kind: 'putEnclosure', enclosure: { ...plainEnclosure, ...patch, id: newId() } }]);
  return (
    <section aria-label="Enclosures" className="mt-2 grid gap-2 border-t border-edge pt-3">
      <h2 className="label font-sans">Enclosures</h2>
      <p className="text-sm text-muted">An outline follows those it is around, wherever they are arranged.</p>
      {all.map((enclosure) => (
        <OneEnclosure key={enclosure.id} enclosure={enclosure} picked={picked} />
      ))}
      <div className="flex flex-wrap gap-2">
        <button className="button" disabled={picked.length === 0} onClick={() => put({ members: [...picked] })}>
          Enclose{' '}
          {picked.length === 0
            ? 'what is selected'
            : picked.length === 1
              ? `the selected ${one}`
              : `the ${picked.length} selected ${many}`}
        </button>
        {leads && (
          <button
            className="button"
            onClick={() => put({ branch: head, shape: 'contour', name: own(diagram.entries, head)!.name })}
          >
            Enclose the branch
          </button>
        )}
      </div>
    </section>
  );
}

function OneEnclosure({ enclosure, picked }: { enclosure: Enclosure; picked: readonly string[] }) {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const [noun, nouns] = kindOf(diagram.kind).entryNoun;
  const { id, name, members, branch } = enclosure;
  const { perform, pick } = store.getState();
  const change = (patch: Partial<Omit<Enclosure, 'id'>>, merge?: string) =>
    perform([{ kind: 'changeEnclosure', id, patch }], merge ? { merge } : {});
  const inside = [...enclosedBy(diagram, enclosure)];
  const told = `${inside.length} ${inside.length === 1 ? noun : nouns}`;
  const head = branch === null ? undefined : own(diagram.entries, branch);
  const called = name || 'the enclosure';
  // What is set for those within goes with it.
  const ofThis = (scope: Scope) => scope.kind === 'enclosure' && scope.enclosure === id;
  const takesOut = picked.length > 0 && picked.every((one) => members.includes(one));
  return (
    <div className="grid gap-1 border-b border-hair pb-2 text-sm">
      <div className="grid grid-cols-[1fr_auto] items-center gap-1">
        <input
          className="field min-h-7 min-w-0 py-0"
          aria-label={`Name of the enclosure around ${told}`}
          placeholder="no name"
          maxLength={200}
          value={name}
          onChange={(event) => change({ name: event.target.value }, `enclosure:${id}`)}
        />
        <RemoveButton
          label={`Remove the enclosure ${name}`}
          onClick={() => perform([...handingBack(diagram, ofThis), { kind: 'dropEnclosure', id }])}
        />
      </div>
      <p className="flex flex-wrap items-center gap-x-3 text-muted">
        {head ? `The branch of ${head.name || 'an entry without a name'}: ${told}` : told}
        <button className="plain text-sm" onClick={() => pick(inside.map((one) => entryPick(one)))}>
          Select them
        </button>
        {picked.length > 0 && (
          <button
            className="plain text-sm"
            onClick={() =>
              change({
                members: takesOut
                  ? members.filter((one) => !picked.includes(one))
                  : [...new Set([...members, ...picked])],
              })
            }
          >
            {takesOut ? 'Take the selected out' : 'Take the selected in'}
          </button>
        )}
      </p>
      <details>
        <summary className="cursor-pointer">Shape, line and fill</summary>
        <div className="mt-1 grid grid-cols-[4.5rem_1fr] items-center gap-1">
          <label htmlFor={`shape-${id}`}>Shape</label>
          <select
            id={`shape-${id}`}
            aria-label={`Shape of ${called}`}
            className="field min-h-7 min-w-0 py-0"
            value={enclosure.shape}
            onChange={(event) => change({ shape: event.target.value as Enclosure['shape'] })}
          >
            {shapes.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
          <label htmlFor={`line-${id}`}>Line</label>
          <span className="flex gap-1">
            <select
              id={`line-${id}`}
              aria-label={`Line of ${called}`}
              className="field min-h-7 min-w-0 py-0"
              value={enclosure.line}
              onChange={(event) => change({ line: event.target.value as Enclosure['line'] })}
            >
              {lines.map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </select>
            <NumberField
              className="w-18"
              name={`Line width of ${called}`}
              value={enclosure.lineWidth}
              least={0.5}
              most={8}
              step={0.5}
              onChange={(lineWidth) => change({ lineWidth }, `enclosure-width:${id}`)}
            />
          </span>
          <label htmlFor={`line-colour-${id}`}>Colour</label>
          <ColourField
            id={`line-colour-${id}`}
            name={`Line colour of ${called}`}
            value={enclosure.lineColour}
            onChange={(lineColour) => change({ lineColour }, `enclosure-line:${id}`)}
          />
          <label htmlFor={`fill-${id}`}>Fill</label>
          <ColourField
            id={`fill-${id}`}
            name={`Fill of ${called}`}
            value={enclosure.fill}
            onChange={(fill) => change({ fill, filled: true }, `enclosure-fill:${id}`)}
          />
          <span />
          <Check checked={enclosure.filled} onChange={(checked) => change({ filled: checked })}>
            Filled
          </Check>
          {(enclosure.fill !== null || enclosure.lineColour !== null) && (
            <button
              className="plain col-start-2 justify-self-start text-sm"
              onClick={() => change({ fill: null, lineColour: null })}
            >
              Colours of the look again
            </button>
          )}
        </div>
      </details>
    </div>
  );
}
