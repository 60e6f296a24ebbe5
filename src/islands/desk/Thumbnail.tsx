import { useState } from 'react';

const firstWaitMs = 1500;
const longestWaitMs = 30_000;

/** The drawing of a diagram; while it is being made, or where it did not come, words stand in its place and it is asked for again. */
export function Thumbnail({ id, revision, problem }: { id: string; revision: number; problem: string | null }) {
  const [tries, setTries] = useState(0);
  const [shown, setShown] = useState(false);
  if (problem !== null)
    return <span className="grid h-full place-items-center px-4 text-center text-sm text-brick">{problem}</span>;
  const again = () =>
    setTimeout(() => setTries((before) => before + 1), Math.min(longestWaitMs, firstWaitMs * 2 ** Math.min(tries, 5)));
  return (
    <>
      {!shown && (
        <span className="grid h-full place-items-center text-sm text-muted">
          {tries < 4 ? 'Being drawn …' : 'Still being drawn …'}
        </span>
      )}
      <img
        src={`/api/diagrams/${id}/picture?revision=${revision}${tries > 0 ? `&try=${tries}` : ''}`}
        alt=""
        loading="lazy"
        className={shown ? 'mx-auto h-full max-w-full bg-white object-contain' : 'absolute h-px w-px opacity-0'}
        onLoad={() => setShown(true)}
        onError={again}
      />
    </>
  );
}
