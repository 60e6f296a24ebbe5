const origin = 'http://here.invalid';

/** A path to return to as browsers would read it, if it stays on our own pages; else the front page. */
export function ownPath(asked: string | null): string {
  if (!asked || !URL.canParse(asked, origin)) return '/';
  const url = new URL(asked, origin);
  const path = url.pathname + url.search + url.hash;
  return url.origin === origin && asked.startsWith('/') && !path.startsWith('//') ? path : '/';
}
