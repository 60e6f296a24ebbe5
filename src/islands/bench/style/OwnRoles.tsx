import { ArrowUp } from 'lucide-react';
import { kindOf, type Gesture, type Scope } from '../../../core/diagram';
import { ownRoles } from '../../../core/hierarchy';
import { own, type OwnRole, type RoleRule } from '../../../core/model';
import { newId } from '../../shared/ids';
import { useBench, useParts } from '../context';
import { RemoveButton } from '../RemoveButton';
import { entriesOf } from '../selection';

/** Roles made for this diagram: told by a rule, by a column of the list, or given by hand. */
export function OwnRoles() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const all = ownRoles(diagram);
  const fields = [...new Set(Object.values(diagram.entries).flatMap(({ fields: one }) => Object.keys(one)))].sort();
  const order = all.reduce((most, role) => Math.max(most, role.order + 1), 0);
  const put = (roles: readonly OwnRole[]) => {
    const last = roles.at(-1);
    if (!last) return;
    const { perform, set } = store.getState();
    if (perform(roles.map((role): Gesture[number] => ({ kind: 'putRole', role }))))
      set({ scope: { kind: 'role', role: last.id } });
  };
  const add = () =>
    put([{ id: newId(), name: 'New role', order, rule: null, members: entriesOf(store.getState().selection).slice() }]);
  const fromField = (field: string) => {
    const words = [...new Set(Object.values(diagram.entries).map((entry) => own(entry.fields, field)?.trim() ?? ''))]
      .filter(Boolean)
      .sort();
    put(
      words.slice(0, mostFromColumn).map((word, k) => ({
        id: newId(),
        name: word.slice(0, 80),
        order: order + k,
        rule: { of: 'field', field, asks: 'is', words: word.slice(0, 200) },
        members: [],
      })),
    );
    if (words.length > mostFromColumn)
      store
        .getState()
        .notify([`“${field}” has ${words.length} different words; roles were made of the first ${mostFromColumn}.`]);
  };
  return (
    <section aria-label="Roles of this diagram" className="mt-6">
      <h2 className="label mb-1 font-sans">Roles of your own</h2>
      {all.map((role, k) => (
        <OneRole key={role.id} role={role} above={all[k - 1] ?? null} fields={fields} />
      ))}
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <button className="button" onClick={add}>
          Add a role
        </button>
        {fields.length > 0 && (
          <select
            className="field min-h-8 w-auto py-0"
            aria-label="Roles from a column"
            value=""
            onChange={(event) => fromField(event.target.value)}
          >
            <option value="">From a column …</option>
            {fields.map((field) => (
              <option key={field}>{field}</option>
            ))}
          </select>
        )}
      </div>
    </section>
  );
}

/** More roles than these tell nothing on a sheet. */
const mostFromColumn = 12;

type Rule = readonly [string, (words: string) => RoleRule | null];
const rules: readonly Rule[] = [
  ['given by hand', () => null],
  ['whose detail contains', (words) => ({ of: 'detail', asks: 'contains', words })],
  ['whose detail is', (words) => ({ of: 'detail', asks: 'is', words })],
  ['whose name contains', (words) => ({ of: 'name', asks: 'contains', words })],
];
/** Only where entries stand under each other. */
const leading: Rule = ['who lead others', () => ({ of: 'leads' })];

function OneRole({ role, above, fields }: { role: OwnRole; above: OwnRole | null; fields: readonly string[] }) {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const picked = entriesOf(useBench((state) => state.selection));
  const kind = kindOf(diagram.kind);
  const scope: Scope = { kind: 'role', role: role.id };
  const count = kind.covers(diagram, kind.structure(diagram), scope).length;
  const { perform, set } = store.getState();
  const change = (patch: Partial<Omit<OwnRole, 'id'>>, merge?: string) =>
    perform([{ kind: 'changeRole', id: role.id, patch }], merge ? { merge: `${merge}:${role.id}` } : {});
  const { rule } = role;
  const words = rule && rule.of !== 'leads' ? rule.words : '';
  const choices: readonly Rule[] = [
    ...rules,
    ...('count' in kind.structure(diagram) ? [leading] : []),
    ...fields.flatMap((field): [string, (words: string) => RoleRule][] => [
      [`whose ${field} is`, (asked) => ({ of: 'field', field, asks: 'is', words: asked })],
      [`whose ${field} contains`, (asked) => ({ of: 'field', field, asks: 'contains', words: asked })],
    ]),
  ];
  const at = choices.findIndex(([, make]) => JSON.stringify(make(words)) === JSON.stringify(rule));
  const takes = picked.length > 0 && picked.every((id) => role.members.includes(id));
  return (
    <div className="grid gap-1 border-b border-hair py-1.5 text-sm">
      <div className="grid grid-cols-[1fr_auto_auto_auto] items-center gap-1">
        <input
          className="field min-h-7 min-w-0 py-0"
          aria-label={`Name of the role ${role.name}`}
          maxLength={80}
          value={role.name}
          onChange={(event) => change({ name: event.target.value }, 'role-name')}
        />
        <button className="plain px-1" onClick={() => set({ scope })}>
          Style {count === 1 ? 'it' : `all ${count}`}
        </button>
        <button
          className="plain px-1"
          disabled={!above}
          aria-label={`${role.name} goes before the role above it`}
          title="Before the role above it"
          onClick={() =>
            above &&
            perform([
              { kind: 'changeRole', id: role.id, patch: { order: above.order } },
              { kind: 'changeRole', id: above.id, patch: { order: Math.max(role.order, above.order + 1) } },
            ])
          }
        >
          <ArrowUp size={15} aria-hidden="true" />
        </button>
        <RemoveButton
          label={`Remove the role ${role.name}`}
          title="Remove it, and what is styled on it"
          onClick={() =>
            perform([
              ...Object.keys(own(diagram.styles.roles, role.id) ?? {}).map(
                (property) => ({ kind: 'setStyle', scope, property, value: null }) as Gesture[number],
              ),
              { kind: 'dropRole', id: role.id },
            ])
          }
        />
      </div>
      <div className="flex gap-1">
        <select
          className="field min-h-7 min-w-0 flex-1 py-0"
          aria-label={`Who has the role ${role.name}`}
          value={at}
          onChange={(event) => change({ rule: choices[Number(event.target.value)]![1](words) })}
        >
          {at < 0 && <option value={-1}>by another rule</option>}
          {choices.map(([told], k) => (
            <option key={told} value={k}>
              {told}
            </option>
          ))}
        </select>
        {rule && rule.of !== 'leads' && (
          <input
            className="field min-h-7 min-w-0 flex-1 py-0"
            aria-label={`Words of the role ${role.name}`}
            maxLength={200}
            value={rule.words}
            onChange={(event) => change({ rule: { ...rule, words: event.target.value } }, 'role-words')}
          />
        )}
      </div>
      {picked.length > 0 && (
        <button
          className="plain justify-self-start text-sm"
          onClick={() =>
            change({
              members: takes
                ? role.members.filter((id) => !picked.includes(id))
                : [...new Set([...role.members, ...picked])],
            })
          }
        >
          {takes ? 'Take it from' : 'Give it to'}{' '}
          {picked.length === 1 ? 'the selected one' : `the ${picked.length} selected`}
        </button>
      )}
    </div>
  );
}
