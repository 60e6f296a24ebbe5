import { ArrowUp } from 'lucide-react';
import { kindOf } from '../../../core/diagram';
import { detailsInOrder, limits } from '../../../core/model';
import { useBench } from '../context';

/** The details of the list in the order in which boxes show them; each may go a place up. `value`: null where the entries differ. */
export function DetailOrder({
  id,
  value,
  onChange,
}: {
  id: string;
  value: string | null;
  onChange: (value: string) => void;
}) {
  const diagram = useBench((state) => state.diagram);
  const { columns } = kindOf(diagram.kind);
  const told = Object.values(diagram.entries).reduce((most, { details }) => Math.max(most, details.length), 0);
  const nameOf = (place: number): string =>
    columns.find((column) => column.id === `detail-${place - 1}`)?.name ?? `Detail ${place}`;
  const places = Array.from({ length: Math.min(told, limits.details) }, (_, k) => String(k + 1));
  if (places.length < 2)
    return (
      <span id={id} className="text-sm text-muted">
        one detail at most
      </span>
    );
  const now = detailsInOrder({ details: places }, value ?? '');
  const up = (k: number): void => {
    const next = now.with(k - 1, now[k]!).with(k, now[k - 1]!);
    onChange(next.every((place, at) => place === places[at]) ? '' : next.join(' '));
  };
  return (
    <ol id={id} aria-label="Details in this order" className="flex flex-col">
      {value === null && <li className="text-sm text-muted">they differ</li>}
      {now.map((place, k) => (
        <li key={place} className="flex min-h-6 items-center justify-between gap-1">
          <span className="truncate">{nameOf(Number(place))}</span>
          {k > 0 && (
            <button
              className="plain"
              aria-label={`${nameOf(Number(place))}: a place up`}
              title="A place up"
              onClick={() => up(k)}
            >
              <ArrowUp size={14} aria-hidden="true" />
            </button>
          )}
        </li>
      ))}
    </ol>
  );
}
