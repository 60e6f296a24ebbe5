import { kinds } from '../../core/diagram';
import { Trash2 } from 'lucide-react';
import type { DeskDiagram } from './desk-diagram';
import { Thumbnail } from './Thumbnail';
import { when } from './when';

/** One diagram on the Desk: its own drawing, and what is in it. */
export function DiagramCard({
  diagram,
  onBin,
  onRestore,
}: {
  diagram: DeskDiagram;
  onBin: () => void;
  onRestore: () => void;
}) {
  const { id, kind, title, entries, tiers, findings, problem, revision, changedAt, changedBy } = diagram;
  return (
    <li className="group relative border border-hair bg-raised focus-within:border-moss hover:border-moss">
      <a href={`/diagrams/${id}`} className="block text-ink no-underline">
        <span className="relative block h-48 border-b border-hair bg-ground p-3">
          <Thumbnail key={revision} id={id} revision={revision} problem={problem} />
        </span>
        <span className="block p-3 pr-12">
          <span className="label block">{kinds.find((one) => one.id === kind)?.name ?? kind}</span>
          <span className="block font-serif text-[17px] leading-snug font-semibold">{title || 'Untitled'}</span>
          <span className="mt-1 block text-sm text-muted">
            {entries} {entries === 1 ? 'entry' : 'entries'}
            {tiers !== null && ` in ${tiers} ${tiers === 1 ? 'tier' : 'tiers'}`}
            {findings !== null && findings > 0 && <span className="text-brass"> · {findings} to look at</span>}
          </span>
          <span className="block text-sm text-muted">
            {when(new Date(changedAt), new Date())}, {changedBy}
          </span>
        </span>
      </a>
      {problem !== null && (
        <button className="button mx-3 mb-3" onClick={onRestore}>
          Bring back its last good state
        </button>
      )}
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
