/** The sign of Dendrotax: three tiers. */
export function Mark() {
  return (
    <svg width="24" height="20" viewBox="0 0 24 20" aria-hidden="true" className="shrink-0 fill-moss">
      <rect x="8.5" y="1" width="7" height="4" />
      <rect x="5" y="8" width="14" height="4" />
      <rect x="1" y="15" width="22" height="4" />
    </svg>
  );
}
