import { useState } from 'react';
import { useParts } from '../context';

/** A link to a page below the diagram's address. To whoever has no account it says, where it was clicked, what it asks for. */
export function KeptLink({ to, go, apart }: { to: string; go: string; apart?: boolean }) {
  const { sync } = useParts();
  const [asked, setAsked] = useState(false);
  if (!sync.guest)
    return (
      <a className="button" href={`/diagrams/${sync.id}/${to}`} {...(apart && { target: '_blank' })}>
        {go}
      </a>
    );
  return (
    <span className="grid justify-items-end gap-1">
      <button className="button" onClick={() => setAsked(true)}>
        {go}
      </button>
      <span role="status" className="max-w-44 text-right text-sm text-brass">
        {asked && 'This asks for an account: choose “Keep it” above.'}
      </span>
    </span>
  );
}
