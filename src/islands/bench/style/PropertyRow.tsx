import { RotateCcw } from 'lucide-react';
import type { BoxStyle, Scope, StyleProperty } from '../../../core/model';
import type { Explained, Origin } from '../../../core/style';

type Value = BoxStyle[StyleProperty];

export interface Row {
  readonly property: StyleProperty;
  readonly name: string;
  readonly control:
    | { readonly kind: 'colour' }
    | { readonly kind: 'number'; readonly least: number; readonly most: number; readonly step: number }
    | { readonly kind: 'choice'; readonly options: readonly [Value, string][] };
}

const px = (least: number, most: number, step = 1): Row['control'] => ({ kind: 'number', least, most, step });
const choice = (...options: [Value, string][]): Row['control'] => ({ kind: 'choice', options });

export const rows: readonly Row[] = [
  {
    property: 'shape',
    name: 'Box',
    control: choice(
      ['square', 'square'],
      ['rounded', 'rounded corners'],
      ['cut', 'cut corners'],
      ['pill', 'round ends'],
    ),
  },
  { property: 'corner', name: 'Corner', control: px(0, 40) },
  { property: 'fill', name: 'Fill', control: { kind: 'colour' } },
  { property: 'text', name: 'Text', control: { kind: 'colour' } },
  { property: 'border', name: 'Border', control: { kind: 'colour' } },
  { property: 'borderWidth', name: 'Border width', control: px(0, 8, 0.5) },
  { property: 'borderLine', name: 'Border line', control: choice(['solid', 'solid'], ['dashed', 'dashed']) },
  { property: 'nameSize', name: 'Name size', control: px(6, 72) },
  { property: 'nameWeight', name: 'Name weight', control: choice([400, 'regular'], [600, 'semi-bold'], [700, 'bold']) },
  { property: 'nameSlant', name: 'Name slant', control: choice(['upright', 'upright'], ['italic', 'italic']) },
  { property: 'detailSize', name: 'Detail size', control: px(5, 60, 0.5) },
  { property: 'details', name: 'Detail lines', control: px(0, 8) },
  { property: 'equalSize', name: 'Size', control: choice([true, 'equal in the tier'], [false, 'each to its text']) },
];

const origins: Record<Origin | 'several', string> = {
  look: 'from the look',
  everything: 'set for everything',
  tier: 'set for the tier',
  role: 'set for the role',
  branch: 'set for the branch',
  region: 'set for the region',
  set: 'set for the set',
  this: 'set for it alone',
  contrast: 'chosen to be readable',
  several: 'differs among them',
};

const scopeWords: Record<Scope['kind'], string> = {
  everything: 'set for all',
  tier: 'set for this tier',
  role: 'set for this role',
  branch: 'set for this branch',
  region: 'set for this region',
  set: 'set for this set',
  this: 'set for this one',
};

/** One property: its value, where that comes from, and the way to hand it back. */
export function PropertyRow({
  row,
  explained,
  setHere,
  scope,
  onChange,
}: {
  row: Row;
  explained: Explained;
  setHere: boolean;
  scope: Scope;
  onChange: (value: Value | null) => void;
}) {
  const { property, name } = row;
  return (
    <div className="grid min-h-9 grid-cols-[6rem_1fr_auto] items-center gap-2 border-b border-hair py-1">
      <label htmlFor={`style-${property}`}>{name}</label>
      <Control row={row} value={explained.value} onChange={onChange} />
      {setHere ? (
        <button
          className="plain text-sm font-semibold text-moss"
          aria-label={`${name}: ${scopeWords[scope.kind]}; hand it back`}
          title="Hand it back"
          onClick={() => onChange(null)}
        >
          {scopeWords[scope.kind]} <RotateCcw size={13} aria-hidden="true" />
        </button>
      ) : (
        <span className="text-sm text-muted">{origins[explained.origin]}</span>
      )}
    </div>
  );
}

function Control({ row, value, onChange }: { row: Row; value: Value | null; onChange: (value: Value) => void }) {
  const { control, property } = row;
  const id = `style-${property}`;
  if (control.kind === 'colour') {
    return (
      <span className="flex items-center gap-2">
        <input
          id={id}
          type="color"
          className="h-7 w-9 border border-edge bg-raised p-0.5"
          value={typeof value === 'string' ? value : '#ffffff'}
          onChange={(event) => onChange(event.target.value)}
        />
        <span className="text-sm">{typeof value === 'string' ? value : 'they differ'}</span>
      </span>
    );
  }
  if (control.kind === 'number') {
    return (
      <input
        id={id}
        type="number"
        className="field min-h-7 w-24 py-0"
        min={control.least}
        max={control.most}
        step={control.step}
        value={typeof value === 'number' ? value : ''}
        placeholder="they differ"
        onChange={(event) => {
          const next = event.target.valueAsNumber;
          if (Number.isFinite(next) && next >= control.least && next <= control.most)
            onChange(property === 'details' ? Math.round(next) : next);
        }}
      />
    );
  }
  const at = control.options.findIndex(([option]) => option === value);
  return (
    <select
      id={id}
      className="field min-h-7 w-auto py-0"
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
