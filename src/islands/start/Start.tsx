import '../shared/jitless';
import { useEffect, useRef, useState, type DragEvent, type RefObject } from 'react';
import { leastStrength, madeUpTitle, nearKinds, makeDiagram, type AnyKind } from '../../core/diagram';
import { Picture } from '../drawing/Picture';
import { Guarded } from '../shared/Guarded';
import type { Incoming } from '../shared/incoming';
import { textOf } from '../shared/pasted';
import { tryingTitle } from '../shared/trying';
import { AskWhat } from './AskWhat';
import { CellWays } from './CellWays';
import { Decisions } from './Decisions';
import { KindChoice } from './KindChoice';
import { ListArea } from './ListArea';
import { StartHead } from './StartHead';
import { Understood } from './Understood';
import { useList } from './useList';
import { useMaking } from './useMaking';
import { useReading } from './useReading';
import { WhichKind } from './WhichKind';
import { WhichPart } from './WhichPart';

/** A list to begin with on the front page. */
const sample: Incoming = {
  text: [
    'Maëlle Adeyemi-Fox, Director',
    '    Tomasz Wieczorek, Head of education',
    '        Hana Petrović, Schools lead',
    '        Oluwaseun Bright, Adult courses',
    '    Bao Lindqvist, Boats and sites',
    '        Kalle Nyström, Boat safety',
    '        Fen Abara, Paths',
    '    Salome Achterberg, Visitor house',
    '        Tove Rasmusdotter, Kitchen',
  ].join('\n'),
  name: 'Brackwater Field Centre',
  findings: [],
};

/** The page where a list comes in: the list on the left; on the right, at once, what was understood and the drawing. `front`: for whoever is not signed in. */
export function Start({ front = false }: { front?: boolean }) {
  const typed = useRef<Incoming | null>(null);
  return (
    <Guarded kept="Your list is kept." typed={() => typed.current?.text ?? ''}>
      <StartPage front={front} typed={typed} />
    </Guarded>
  );
}

function StartPage({ front, typed }: { front: boolean; typed: RefObject<Incoming | null> }) {
  const list = useList(typed, front ? sample : null);
  const { text, title, choices, setChoices } = list;
  const [goTo, setGoTo] = useState<{ line: number } | null>(null);
  const { make, problem, stop } = useMaking(front);
  const [trying] = useState(() => (front ? tryingTitle() : null));
  const chooser = useRef<HTMLInputElement>(null);
  const [wanted, setWanted] = useState<AnyKind['id'] | null>(null);
  const { readings, busy, fault } = useReading(text, choices);
  const empty = text.trim() === '';
  // What was chosen by hand stays chosen while the list can be drawn so.
  const byHand = readings.find((one) => one.kind.id === wanted && (empty || one.fit !== null));
  const chosen = byHand ?? readings[0]!;
  // Of a long list only its beginning may have been read as the kind that is chosen.
  const unread = chosen.whole ? null : chosen.kind.id;
  useEffect(() => {
    if (unread) setChoices((before) => ({ ...before, kind: unread }));
  }, [unread, setChoices]);
  const { kind, read, drawn, fit: fits, tiers } = chosen;
  const unsure = !empty && !busy && fault === null && !byHand && chosen.strength < leastStrength;
  const name = title.trim() || kind.titleIn(read) || madeUpTitle(kind);
  const findings = [...list.decoding, ...(empty ? [] : read.findings)];
  const ready = !busy && chosen.whole && !unsure && fault === null && (read.entries.length > 0 || empty);

  function drop(event: DragEvent) {
    event.preventDefault();
    const files = [...event.dataTransfer.files];
    if (files.length > 0) void list.take(files);
    else list.type(text + textOf(event.dataTransfer));
  }
  const separator = choices.separator ?? chosen.table?.separator;
  const ways = separator && (
    <CellWays
      kind={kind}
      header={choices.firstRow ? choices.firstRow === 'heading' : read.header}
      separator={separator}
      onFirstRow={(firstRow) => setChoices((before) => ({ ...before, firstRow, columns: {} }))}
      onSeparator={(next) => setChoices({ structure: 'table', separator: next })}
    />
  );
  return (
    <div className="flex min-h-screen flex-col lg:h-screen">
      <StartHead front={front} title={title} told={kind.titleIn(read)} onTitle={list.setTitle} />
      <main
        className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[minmax(340px,41%)_minmax(0,1fr)]"
        onDragOver={(event) => event.preventDefault()}
        onDrop={drop}
      >
        <div className="flex min-h-[420px] flex-col gap-3 p-4 md:p-6">
          {trying !== null && (
            <p role="status" className="border-l-4 border-moss bg-mosswash px-3 py-2">
              You are trying out “{trying}” in this tab.{' '}
              <a className="underline" href="/try">
                Go on with it
              </a>
            </p>
          )}
          <h1 className="text-[28px]">
            {front ? 'You keep the list; Dendrotax keeps the drawing' : 'What is on your list?'}
          </h1>
          <p className="text-muted">
            {front
              ? 'Here is a list, drawn beside it. Put yours in its place as it is: from a spreadsheet, a mail, a document. Or drop a file.'
              : 'Paste it as it is: from a spreadsheet, a mail, a document. Or drop a file.'}
          </p>
          <WhichPart parts={list.parts} chosen={list.part} onChoose={list.choosePart} />
          <ListArea
            text={text}
            findings={read.findings}
            goTo={goTo}
            onChange={list.type}
            onFiles={(files) => void list.take(files)}
          />
          <div className="flex flex-wrap items-center gap-3">
            <button className="button" onClick={() => chooser.current?.click()}>
              Choose a file
            </button>
            <input
              ref={chooser}
              type="file"
              multiple
              className="hidden"
              aria-label="A list file"
              onChange={(event) => {
                void list.take([...(event.target.files ?? [])]);
                event.target.value = '';
              }}
            />
            <span className="text-sm text-muted">
              Spreadsheets (XLSX, ODS), CSV, text as it is, pages and mails, OPML, JSON, LDIF, vCard, GEDCOM, GraphML;
              or lines such as “curlew: mudflat, saltmarsh” or “tides --carry--&gt; silt”
            </span>
          </div>
        </div>
        <div className="flex min-h-0 min-w-0 flex-col gap-3 border-hair bg-ground p-4 md:p-6 lg:border-l">
          <div aria-live="polite" className="grid grid-cols-1 gap-3">
            {(busy || list.taking) && (
              <p className="text-sm text-muted">{list.taking ? 'Reading the file …' : 'Reading the list …'}</p>
            )}
            {fault && <p className="border-l-4 border-brick bg-paper px-3 py-2 text-brick">{fault}</p>}
            {choices.separator && (unsure || !chosen.table) && ways}
            {unsure ? (
              <AskWhat readings={readings} onChoose={setWanted} />
            ) : (
              <Understood
                kind={kind}
                read={read}
                tiers={tiers}
                table={chosen.table}
                chosen={choices.columns ?? {}}
                onUse={(index, use) =>
                  setChoices((before) => ({ ...before, columns: { ...before.columns, [index]: use } }))
                }
                onStructure={(structure) => setChoices({ structure })}
                ways={ways}
              />
            )}
            {!unsure && !byHand && <WhichKind near={empty || busy ? [] : nearKinds(readings)} onChoose={setWanted} />}
            <Decisions
              read={read}
              findings={findings}
              onAnswer={(answers) =>
                setChoices((before) => ({ ...before, answers: { ...before.answers, ...answers } }))
              }
              onGo={(line) => setGoTo({ line })}
            />
          </div>
          <KindChoice readings={readings} chosen={unsure ? null : chosen} empty={empty} onChoose={setWanted} />
          {!unsure && (
            <section
              aria-label={`${kind.name}, as it will look`}
              className="flex min-h-72 flex-1 flex-col border-2 border-moss bg-white"
            >
              <p className="flex justify-between border-b border-hair bg-paper px-3 py-1.5">
                <span className="font-semibold">{kind.name}</span>
                <span className="text-muted">{fits?.words ?? 'waiting for a list'}</span>
              </p>
              <div className="min-h-0 flex-1 p-2">
                {drawn && read.entries.length > 0 && (
                  <Picture scene={drawn.scene} small={read.entries.length > 400} label={drawn.scene.description} />
                )}
                {!drawn && read.entries.length > 0 && (
                  <p className="p-4 text-muted">So many entries are drawn once the diagram is made.</p>
                )}
              </div>
            </section>
          )}
          {problem && (
            <p role="alert" className="border-l-4 border-brick bg-paper px-3 py-2 text-brick">
              {problem}
            </p>
          )}
          <div className="flex flex-wrap items-center justify-between gap-3">
            <span className="text-muted" role="status">
              {stop
                ? `Making it of ${read.entries.length.toLocaleString('en')} entries …`
                : front
                  ? 'Arrange and style it at once; an account is asked for when you keep it.'
                  : 'You can change any of this later.'}
            </span>
            <span className="flex gap-2">
              {stop && (
                <button className="button" onClick={stop}>
                  Stop
                </button>
              )}
              <button
                className="button button-main"
                disabled={!ready || stop !== null}
                onClick={() => void make(makeDiagram(kind, read, name))}
              >
                {empty ? `Make an empty ${kind.nameInSentence}` : `Make the ${kind.nameInSentence}`}
              </button>
            </span>
          </div>
        </div>
      </main>
    </div>
  );
}
