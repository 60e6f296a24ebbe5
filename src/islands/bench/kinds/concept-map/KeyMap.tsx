import { useState } from 'react';
import {
  mapText,
  sentenceOf,
  type Comparison,
  type ConceptMap,
  type KeyProposition,
} from '../../../../core/kinds/concept-map';
import { own } from '../../../../core/model';
import { useBench, useParts } from '../../context';
import { linkPick } from '../../selection';
import { KeyFrom } from './KeyFrom';

const said = ({ from, phrase, to }: KeyProposition): string => `${from} ${phrase || '…'} ${to}`;

/** A key map, pasted or taken from another of the maps, and what of it this map says. */
export function KeyMap({
  compared,
  light,
}: {
  compared: Comparison | null;
  light: (entries: readonly string[]) => void;
}) {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as ConceptMap);
  const { key } = diagram.map;
  const [open, setOpen] = useState(false);
  const set = (next: string) => store.getState().perform([{ kind: 'setKey', key: next }], { merge: 'key' });
  const asSaid = (link: string) => {
    const one = own(diagram.links, link);
    return one ? sentenceOf(diagram, one) : '';
  };
  const group = (
    title: string,
    rows: readonly { readonly words: string; readonly link: string | null; readonly more?: string }[],
  ) =>
    rows.length > 0 && (
      <>
        <h3 className="mt-2 font-semibold">
          {title} ({rows.length})
        </h3>
        <ul>
          {rows.map(({ words, link, more }, i) => {
            const one = link === null ? undefined : own(diagram.links, link);
            return (
              <li key={`${words}${i}`} className="border-t border-hair py-0.5">
                {one ? (
                  <button
                    className="text-left hover:underline"
                    onPointerEnter={() => light([one.from, one.to])}
                    onFocus={() => light([one.from, one.to])}
                    onClick={() => store.getState().pick([linkPick(one.id)])}
                  >
                    {words}
                  </button>
                ) : (
                  words
                )}
                {more && <span className="block text-muted">{more}</span>}
              </li>
            );
          })}
        </ul>
      </>
    );
  return (
    <section aria-label="Compared with a key map" className="mt-5 text-sm">
      <h2 className="label mb-1 font-sans">Compared with a key map</h2>
      {!compared && (
        <p className="text-muted">A key map says what is to be found; spelling and word order may differ.</p>
      )}
      {compared && (
        <p className="text-[15px]">
          <strong>{compared.found.length}</strong> of{' '}
          {compared.found.length + compared.otherWords.length + compared.reversed.length + compared.missing.length}{' '}
          propositions of the key are found.
        </p>
      )}
      {compared && (
        <>
          {group(
            'Linked by other words',
            compared.otherWords.map((one) => ({
              words: asSaid(one.link),
              link: one.link,
              more: `Key: ${said(one.key)}`,
            })),
          )}
          {group(
            'The other way round',
            compared.reversed.map((one) => ({
              words: asSaid(one.link),
              link: one.link,
              more: `Key: ${said(one.key)}`,
            })),
          )}
          {group(
            'Missing',
            compared.missing.map((one) => ({ words: said(one), link: null })),
          )}
          {group(
            'Besides the key',
            compared.extra.map((link) => ({ words: asSaid(link), link })),
          )}
          {group(
            'Found',
            compared.found.map((one) => ({ words: asSaid(one.link), link: one.link })),
          )}
          {compared.missingIdeas.length > 0 && (
            <p className="mt-2">Ideas of the key that are not in the map: {compared.missingIdeas.join(', ')}.</p>
          )}
        </>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <button className="button" aria-expanded={open} onClick={() => setOpen(!open)}>
          {key === '' ? 'Write or paste a key' : 'Edit the key'}
        </button>
        <KeyFrom onTake={(other) => set(mapText({ ...other, notPlaced: [] }))} />
        {key !== '' && (
          <button className="plain" onClick={() => set('')}>
            Take the key away
          </button>
        )}
      </div>
      {open && (
        <label className="mt-2 grid gap-1">
          <span className="text-muted">One proposition a line: tides --carry--&gt; silt</span>
          <textarea
            className="field h-40 resize-y whitespace-pre"
            spellCheck={false}
            maxLength={100_000}
            value={key}
            onChange={(event) => set(event.target.value)}
          />
        </label>
      )}
    </section>
  );
}
