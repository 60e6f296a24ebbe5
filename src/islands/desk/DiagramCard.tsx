import { own } from '../../core/model';
import { Trash2 } from 'lucide-react';
import type { DeskDiagram } from './desk-diagram';

const kindNames: Record<string, string> = { 'org-chart': 'Org chart', venn: 'Venn diagram' };

/** "23 Nov, 14:02", always in the same words so that server and browser agree. */
function when(iso: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: 'UTC',
  }).format(new Date(iso));
}

/** One diagram on the Desk: its own drawing, and what is in it. */
export function DiagramCard({ diagram, onBin }: { diagram: DeskDiagram; onBin: () => void }) {
  const { id, kind, title, entries, tiers, findings, revision, changedAt, changedBy } = diagram;
  return (
    <li className="group relative border border-hair bg-raised focus-within:border-moss hover:border-moss">
      <a href={`/diagrams/${id}`} className="block text-ink no-underline">
        <span className="block h-48 border-b border-hair bg-ground p-3">
          <img
            src={`/api/diagrams/${id}/picture?revision=${revision}`}
            alt=""
            className="mx-auto h-full max-w-full bg-white object-contain"
          />
        </span>
        <span className="block p-3 pr-12">
          <span className="label block">{own(kindNames, kind) ?? kind}</span>
          <span className="block font-serif text-[17px] leading-snug font-semibold">{title || 'Untitled'}</span>
          <span className="mt-1 block text-sm text-muted">
            {entries} {entries === 1 ? 'entry' : 'entries'} in {tiers} {tiers === 1 ? 'tier' : 'tiers'}
            {findings > 0 && <span className="text-brass"> · {findings} to look at</span>}
          </span>
          <span className="block text-sm text-muted">
            {when(changedAt)} UTC, {changedBy}
          </span>
        </span>
      </a>
      <button
        className="plain absolute right-2 bottom-2"
        onClick={onBin}
        aria-label={`Put ${title} in the bin`}
        title="Put in the bin"
      >
        <Trash2 size={17} aria-hidden="true" />
      </button>
    </li>
  );
}
