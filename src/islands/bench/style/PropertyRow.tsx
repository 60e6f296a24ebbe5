import { RotateCcw } from 'lucide-react';
import { own, type BoxStyle, type LinkProperty, type LinkStyle, type StyleProperty } from '../../../core/model';
import type { Scope } from '../../../core/diagram';

/** A value of any property of boxes or links. */
export type Value = BoxStyle[StyleProperty] | LinkStyle[LinkProperty];

/** What is told of a property: its value, null where several differ, and where it comes from. */
export interface Told {
  readonly value: Value | null;
  readonly origin: string;
}

export interface Row {
  readonly property: StyleProperty | LinkProperty;
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
      ['hexagon', 'six sides'],
      ['block', 'block, as large as its text'],
      ['ellipse', 'ellipse'],
      ['triangle', 'triangle beside the text'],
      ['gable', 'triangle above the text'],
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
  {
    property: 'photo',
    name: 'Photos',
    control: choice(['before', 'beside the text'], ['above', 'above the text'], ['none', 'not shown']),
  },
  { property: 'photoShape', name: 'Photo shape', control: choice(['round', 'round'], ['square', 'square']) },
];

const mark = choice(['none', 'none'], ['arrow', 'arrow'], ['dot', 'dot']);

/** What can be styled on links. */
export const linkRows: readonly Row[] = [
  { property: 'lineColour', name: 'Colour', control: { kind: 'colour' } },
  { property: 'lineWidth', name: 'Width', control: px(0.5, 8, 0.25) },
  {
    property: 'dash',
    name: 'Line',
    control: choice(['solid', 'solid'], ['dashed', 'dashed'], ['dotted', 'dotted']),
  },
  { property: 'startMark', name: 'At its start', control: mark },
  { property: 'endMark', name: 'At its end', control: mark },
  { property: 'endGap', name: 'Gap to boxes', control: px(0, 24) },
  { property: 'phraseSize', name: 'Words size', control: px(6, 40) },
  { property: 'phraseColour', name: 'Words', control: { kind: 'colour' } },
];

const origins: Readonly<Record<string, string>> = {
  look: 'from the look',
  everything: 'set for everything',
  tier: 'set for the tier',
  role: 'set for the role',
  branch: 'set for the branch',
  this: 'set for it alone',
  links: 'set for all links',
  link: 'set for it alone',
  contrast: 'chosen to be readable',
  several: 'differs among them',
};

const scopeWords: Readonly<Record<string, string>> = {
  everything: 'set for all',
  tier: 'set for this tier',
  role: 'set for this role',
  branch: 'set for this branch',
  this: 'set for this one',
  links: 'set for all',
  link: 'set for this one',
};

/** One property: its value, where that comes from, and the way to hand it back. */
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
  setHere: boolean;
  scope: Scope;
  onChange: (value: Value | null) => void;
}) {
  const { property, name } = row;
  const here = own(scopeWords, scope.kind) ?? own(originWords, scope.kind) ?? 'set here';
  return (
    <div className="grid min-h-9 grid-cols-[6rem_1fr_auto] items-center gap-2 border-b border-hair py-1">
      <label htmlFor={`style-${property}`}>{name}</label>
      <Control row={row} value={explained.value} onChange={onChange} />
      {setHere ? (
        <button
          className="plain text-sm font-semibold text-moss"
          aria-label={`${name}: ${here}; hand it back`}
          title="Hand it back"
          onClick={() => onChange(null)}
        >
          {here} <RotateCcw size={13} aria-hidden="true" />
        </button>
      ) : (
        <span className="text-sm text-muted">
          {own(origins, explained.origin) ?? own(originWords, explained.origin) ?? ''}
        </span>
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
