import { useEffect, useMemo, useState } from 'react';
import { byOrder, own } from '../../../../core/model';
import { Kinship, personOf, relationBetween, relationsOf, type FamilyTree } from '../../../../core/kinds/family-tree';
import { useBench } from '../../context';
import { entriesOf } from '../../selection';

/** A coefficient as a fraction where it is one of halves, else with its figures. */
function fraction(value: number): string {
  for (let whole = 1; whole <= 1024; whole *= 2) {
    const part = Math.round(value * whole);
    if (Math.abs(value * whole - part) < 1e-9) return part === 0 || whole === 1 ? String(part) : `${part}/${whole}`;
  }
  return value.toPrecision(3);
}

/** How two persons are related: picked here, or selected in the drawing or the list. */
export function Related({ diagram, light }: { diagram: FamilyTree; light: (ids: readonly string[]) => void }) {
  const selection = useBench((state) => state.selection);
  const people = useMemo(() => Object.values(diagram.entries).sort(byOrder), [diagram.entries]);
  const [[a, b], setPair] = useState<readonly [string, string]>(['', '']);
  useEffect(() => {
    const picked = entriesOf(selection);
    if (picked.length === 2) setPair([picked[0]!, picked[1]!]);
    else if (picked.length === 1) setPair(([, other]) => [picked[0]!, other]);
  }, [selection]);
  const relations = relationsOf(diagram);
  const found = useMemo(() => {
    if (!own(diagram.entries, a) || !own(diagram.entries, b)) return null;
    const kinship = new Kinship(relations);
    return {
      relation: relationBetween(a, b, relations, (id) => personOf(diagram, id).sex),
      coefficient: kinship.relationship(a, b),
      child: kinship.coefficient(a, b),
    };
  }, [diagram, relations, a, b]);
  const name = (id: string) => own(diagram.entries, id)?.name || 'somebody without a name';
  const choice = (label: string, value: string, put: (id: string) => void) => (
    <label className="grid grid-cols-[3.5rem_1fr] items-center gap-2">
      {label}
      <select
        aria-label={label === 'To' ? 'Related to whom' : 'Who is related'}
        className="field min-h-8 min-w-0 py-0"
        value={value}
        onChange={(event) => put(event.target.value)}
      >
        <option value="">choose, or select in the drawing</option>
        {people.map(({ id, name: called }) => (
          <option key={id} value={id}>
            {called || 'no name yet'}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <section aria-label="How are these two related?" className="mb-5 grid gap-2">
      <h2 className="label font-sans">How are these two related?</h2>
      {choice('To', a, (id) => setPair([id, b]))}
      {choice('is', b, (id) => setPair([a, id]))}
      {found && (
        <div role="status" onPointerEnter={() => light(found.relation.way)}>
          <p className="text-[16px]">
            {name(b)} is {a === b ? '' : `to ${name(a)}: `}
            <strong>{found.relation.term}</strong>.
          </p>
          <dl className="mt-1 grid grid-cols-[1fr_auto] gap-x-3 text-sm">
            {found.relation.common && (
              <>
                <dt>Nearest in common</dt>
                <dd className="text-right">{found.relation.common.ancestors.map(name).join(', ')}</dd>
              </>
            )}
            {found.relation.civil !== null && (
              <>
                <dt>Degree by civil law, by canon law</dt>
                <dd className="text-right">
                  {found.relation.civil}, {found.relation.canon}
                </dd>
              </>
            )}
            <dt title="S. Wright 1922">Coefficient of relationship</dt>
            <dd className="text-right">{fraction(found.coefficient)}</dd>
            {found.child > 0 && a !== b && (
              <>
                <dt title="S. Wright 1922">Inbreeding of a child of the two</dt>
                <dd className="text-right">{fraction(found.child)}</dd>
              </>
            )}
          </dl>
          {found.relation.way.length > 0 && (
            <button className="plain mt-1" onClick={() => light(found.relation.way)}>
              Show the way in the drawing
            </button>
          )}
        </div>
      )}
    </section>
  );
}
