/** What is said where a page cannot be shown, by its status. */
const told: Readonly<Record<number, readonly [heading: string, text: string]>> = {
  404: [
    'There is nothing here',
    'No page has this address, or the diagram that had it was erased or belongs to somebody else.',
  ],
  429: ['That was much at once', 'It could not be made just now. Nothing is lost; go back and try again in a moment.'],
  422: ['That could not be made', 'Nothing is lost; go back and try again.'],
  503: ['The database cannot be reached just now', 'Nothing is lost; load this page again in a moment.'],
};
const fault = [
  'That did not work',
  'Something went wrong on our side. Nothing is lost; load this page again.',
] as const;

const style = `
:root { color-scheme: light dark; --paper: #f7f4ec; --ink: #26241f; --muted: #5f5b50; --moss: #3d5c3a; --hair: #d8d2c3; }
@media (prefers-color-scheme: dark) { :root { --paper: #1e1d1a; --ink: #ece7db; --muted: #aaa494; --moss: #9cbf97; --hair: #3c3a34; } }
body { margin: 0; min-height: 100vh; display: grid; place-items: center; background: var(--paper); color: var(--ink); font: 17px/1.5 'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', sans-serif; }
main { max-width: 30em; padding: 2em; border: 1px solid var(--hair); margin: 1em; }
h1 { font: 600 28px/1.25 'Source Serif 4 Variable', 'Source Serif 4', Georgia, serif; margin: 0 0 .5em; }
p { margin: 0 0 1.2em; } .name { color: var(--muted); margin: 0 0 1.5em; }
a { color: var(--moss); } a + a { margin-left: 1.5em; }`;

/** A page of our own where something is missing or failed, with the way on. It needs nothing else, so that it shows whatever is broken. */
export function errorPage(status: number): Response {
  const [heading, text] = told[status] ?? fault;
  const body = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${heading} · Dendrotax</title><style>${style}</style></head><body><main><p class="name">Dendrotax</p><h1>${heading}</h1><p>${text}</p><p><a href="/">To the Desk</a><a href="/start">A new diagram</a></p></main></body></html>`;
  return new Response(body, {
    status: told[status] ? status : 500,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'",
    },
  });
}
