import { seeThroughByRule, setsInOrder, type Venn } from '../../../../core/kinds/venn';
import { useParts } from '../../context';
import { NumberField } from '../../NumberField';

/** How much of what is below shows through the sets: all of them, or one. */
export function SeeThroughSets({ diagram }: { diagram: Venn }) {
  const { store } = useParts();
  const perform = store.getState().perform;
  const sets = setsInOrder(diagram.venn);
  const { seeThrough } = diagram.venn.manner;
  const all = (value: number | null) =>
    perform([{ kind: 'setManner', patch: { seeThrough: value } }], { merge: 'see-through' });
  const one = (id: string, value: number | null) =>
    perform([{ kind: 'changeSet', id, patch: { seeThrough: value } }], { merge: `see-through:${id}` });
  if (sets.length === 0) return null;
  const rules = new Set(sets.map((set) => seeThroughByRule(set, sets.length)));
  const byRule = rules.size === 1 ? [...rules][0]! : null;
  return (
    <section aria-label="See-through" className="mt-5 grid gap-1">
      <h2 className="label font-sans">See-through</h2>
      <p className="text-sm text-muted">
        How much of what is below shows through a set, in percent. Neighbouring regions are always told apart, and text
        reads on each.
      </p>
      <Share name="All sets" value={seeThrough ?? null} shown={byRule} from="by rule" onChange={all} />
      {sets.map((set, i) => (
        <Share
          key={set.id}
          name={set.name || `Set ${i + 1}`}
          value={set.seeThrough ?? null}
          shown={seeThrough ?? seeThroughByRule(set, sets.length)}
          from={seeThrough === undefined ? 'by rule' : 'as all sets'}
          onChange={(value) => one(set.id, value)}
        />
      ))}
    </section>
  );
}

function Share({
  name,
  value,
  shown,
  from,
  onChange,
}: {
  readonly name: string;
  readonly value: number | null;
  /** What holds where nothing is told here. */
  readonly shown: number | null;
  /** Where that comes from, in words. */
  readonly from: string;
  readonly onChange: (value: number | null) => void;
}) {
  return (
    <div className="grid grid-cols-[9.5rem_5rem_1fr] items-center gap-2">
      <span className="truncate" title={name}>
        {name}
      </span>
      <NumberField
        name={`See-through of ${name}, percent`}
        value={value ?? shown}
        least={0}
        most={95}
        step={5}
        className={value === null ? 'text-muted' : ''}
        onChange={onChange}
      />
      {value === null ? (
        <span className="text-sm text-muted">{from}</span>
      ) : (
        <button className="plain justify-self-start text-sm" onClick={() => onChange(null)}>
          Hand back
        </button>
      )}
    </div>
  );
}
