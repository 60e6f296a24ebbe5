import { KeptLink } from './KeptLink';

export interface HandOutLink {
  readonly name: string;
  readonly told: string;
  /** What stands on the link. */
  readonly go: string;
  /** Below the address of the diagram: "sort". */
  readonly to: string;
  /** In a window of its own. */
  readonly apart?: true;
}

/** Further ways to hand out, each a line with its link. */
export function HandOutLinks({ links }: { links: readonly HandOutLink[] }) {
  return links.map(({ name, told, go, to, apart }) => (
    <div key={name} className="grid grid-cols-[1fr_auto] items-center gap-3 border-b border-hair py-2">
      <span>
        <strong>{name}</strong>
        <span className="block text-sm text-muted">{told}</span>
      </span>
      <KeptLink to={to} go={go} apart={apart === true} />
    </div>
  ));
}
