import { RotateCcw } from 'lucide-react';
import type { Scope } from '../../../core/diagram';
import { own } from '../../../core/model';
import { NumberField } from '../NumberField';
import { ColourField } from './ColourField';
import { DetailOrder } from './DetailOrder';
import type { Row, Told, Value } from './properties';

const origins: Readonly<Record<string, string>> = {
  look: 'from the look',
  everything: 'set for everything',
  tier: 'set for the tier',
  role: 'set for the role',
  enclosure: 'set for an enclosure',
  branch: 'set for the branch',
  this: 'set for it alone',
  links: 'set for all links',
  lines: 'set for all lines',
  tierLines: 'set for lines to a tier',
  link: 'set for it alone',
  contrast: 'chosen to be readable',
  several: 'differs among them',
};

const scopeWords: Readonly<Record<string, string>> = {
  everything: 'set for all',
  tier: 'set for this tier',
  role: 'set for this role',
  enclosure: 'set for this enclosure',
  branch: 'set for this branch',
  this: 'set for this one',
  links: 'set for all',
  lines: 'set for these',
  link: 'set for this one',
};

/** What shows in place of what this scope sets; null where that is what shows. */
function winner(
  explained: Told,
  scope: Scope,
  originWords: Readonly<Record<string, string>>,
  isOrder: boolean,
): string | null {
  const itself = scope.kind === 'lines' && scope.tier !== null ? 'tierLines' : scope.kind;
  if (explained.origin === itself) return null;
  if (explained.origin === 'several') return 'Where something narrower sets it too, that goes before.';
  const from = own(origins, explained.origin) ?? own(originWords, explained.origin) ?? 'set elsewhere';
  const told = typeof explained.value !== 'boolean' && explained.value !== null && !isOrder;
  const shown = told ? ` (${String(explained.value)})` : '';
  return `Not seen: what is ${from}${shown} goes before.`;
}

/** One property: the value of this scope, where what is seen comes from, and the way to hand it back. `setHere`: what the scope itself sets. */
export function PropertyRow({
  row,
  explained,
  originWords,
  setHere,
  scope,
  onChange,
}: {
  row: Row;
  explained: Told;
  /** Words of the kind for scopes of its own. */
  originWords: Readonly<Record<string, string>>;
  setHere: Value | undefined;
  scope: Scope;
  onChange: (value: Value | null) => void;
}) {
  const { property, name } = row;
  const here = own(scopeWords, scope.kind) ?? own(originWords, scope.kind) ?? 'set here';
  const isSet = setHere !== undefined;
  const other = isSet ? winner(explained, scope, originWords, row.control.kind === 'order') : null;
  return (
    <div className="border-b border-hair py-1">
      <div className="grid min-h-7 grid-cols-[5.7rem_1fr_5.2rem] items-center gap-2">
        <label htmlFor={`style-${property}`}>{name}</label>
        <Control row={row} value={isSet ? setHere : explained.value} onChange={onChange} />
        {isSet ? (
          <button
            className="plain text-right text-sm font-semibold text-moss"
            aria-label={`${name}: ${here}; hand it back`}
            title="Hand it back"
            onClick={() => onChange(null)}
          >
            {here} <RotateCcw className="inline" size={13} aria-hidden="true" />
          </button>
        ) : (
          <span className="text-right text-sm leading-tight text-muted">
            {own(origins, explained.origin) ?? own(originWords, explained.origin) ?? ''}
          </span>
        )}
      </div>
      {row.hint && <p className="text-sm text-muted">{row.hint}</p>}
      {other && <p className="mt-0.5 border-l-4 border-brass bg-brasswash px-2 py-0.5 text-sm">{other}</p>}
    </div>
  );
}

function Control({ row, value, onChange }: { row: Row; value: Value | null; onChange: (value: Value) => void }) {
  const { control, property, name } = row;
  const id = `style-${property}`;
  if (control.kind === 'colour')
    return <ColourField id={id} name={name} value={typeof value === 'string' ? value : null} onChange={onChange} />;
  if (control.kind === 'number') {
    const whole = property === 'details' || property === 'cover';
    return (
      <NumberField
        id={id}
        className="w-32"
        value={typeof value === 'number' ? value : null}
        least={control.least}
        most={control.most}
        step={control.step}
        onChange={(next) => onChange(whole ? Math.round(next) : next)}
      />
    );
  }
  if (control.kind === 'order')
    return <DetailOrder id={id} value={typeof value === 'string' ? value : null} onChange={onChange} />;
  const at = control.options.findIndex(([option]) => option === value);
  return (
    <select
      id={id}
      className="field min-h-7 w-full min-w-0 py-0"
      value={at}
      onChange={(event) => onChange(control.options[Number(event.target.value)]![0])}
    >
      {at < 0 && <option value={-1}>they differ</option>}
      {control.options.map(([option, words], i) => (
        <option key={String(option)} value={i}>
          {words}
        </option>
      ))}
    </select>
  );
}
