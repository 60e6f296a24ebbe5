import '../shared/jitless';
import { useRef, useState, type DragEvent } from 'react';
import type { Kind } from '../../core/kind';
import type { Finding } from '../../core/model';
import type { ReadChoices } from '../../core/read';
import { Picture } from '../drawing/Picture';
import { api, ApiError } from '../shared/api';
import { newId } from '../shared/ids';
import { takeFile, takeIncoming } from '../shared/incoming';
import { Mark } from '../shared/Mark';
import { Decisions } from './Decisions';
import { KindChoice } from './KindChoice';
import { ListArea } from './ListArea';
import { Understood } from './Understood';
import { useReading } from './useReading';

/** The page where a list comes in: the list on the left; on the right, at once, what was understood and the drawing. */
export function Start() {
  const [incoming] = useState(takeIncoming);
  const [text, setText] = useState(incoming?.text ?? '');
  const [title, setTitle] = useState(incoming?.name ?? '');
  const [decoding, setDecoding] = useState<readonly Finding[]>(incoming?.findings ?? []);
  const [choices, setChoices] = useState<ReadChoices>({});
  const [goTo, setGoTo] = useState<{ line: number } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);
  const [wanted, setWanted] = useState<Kind['id'] | null>(null);
  const readings = useReading(text, choices, title.trim());
  const empty = text.trim() === '';
  // What was chosen by hand stays chosen while the list can be drawn so.
  const chosen = readings.find((one) => one.kind.id === wanted && (empty || one.fit !== null)) ?? readings[0];
  const { kind, read, drawn, fit: fits } = chosen;
  const name = title.trim() || `New ${kind.nameInSentence}`;
  const findings = [...decoding, ...(empty ? [] : read.findings)];

  async function take(file: File | undefined) {
    if (!file) return;
    const taken = await takeFile(file);
    setDecoding(taken.findings);
    // A file that could not be read leaves the list as it is.
    if (taken.text === '' && taken.findings.length > 0) return;
    setText(taken.text.replaceAll('\r\n', '\n').replaceAll('\r', '\n'));
    if (title === '') setTitle(taken.name);
    setChoices({});
  }
  function drop(event: DragEvent) {
    event.preventDefault();
    const file = event.dataTransfer.files[0];
    if (file) void take(file);
    else setText((before) => before + event.dataTransfer.getData('text/plain'));
  }
  async function make() {
    setBusy(true);
    setProblem(null);
    const id = newId();
    try {
      await api('/api/diagrams', { method: 'POST', body: { id, diagram: kind.make(read, name) } });
      location.assign(`/diagrams/${id}`);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(`${error.message} The list is still here.`);
      setBusy(false);
    }
  }

  return (
    <div className="flex min-h-screen flex-col lg:h-screen">
      <header className="flex h-12 shrink-0 items-center gap-3 border-b border-hair px-4">
        <Mark />
        <a href="/" className="plain text-muted">
          Desk
        </a>
        <span className="h-6 border-l border-hair" />
        <label className="flex-1">
          <span className="sr-only">Title of the diagram</span>
          <input
            className="w-full max-w-md border border-transparent bg-transparent px-1.5 py-0.5 font-serif text-lg font-semibold placeholder:text-ink hover:border-edge"
            placeholder="A new diagram"
            value={title}
            onChange={(event) => setTitle(event.target.value)}
          />
        </label>
      </header>
      <main
        className="grid min-h-0 flex-1 lg:grid-cols-[minmax(340px,41%)_1fr]"
        onDragOver={(event) => event.preventDefault()}
        onDrop={drop}
      >
        <div className="flex min-h-[420px] flex-col gap-3 p-4 md:p-6">
          <h1 className="text-[28px]">What is on your list?</h1>
          <p className="text-muted">Paste it as it is: from a spreadsheet, a mail, a document. Or drop a file.</p>
          <ListArea
            text={text}
            findings={read.findings}
            goTo={goTo}
            onChange={(next) => (setText(next), setDecoding([]))}
          />
          <div className="flex flex-wrap items-center gap-3">
            <button className="button" onClick={() => chooser.current?.click()}>
              Choose a file
            </button>
            <input
              ref={chooser}
              type="file"
              className="hidden"
              aria-label="A list file"
              onChange={(event) => (void take(event.target.files?.[0]), (event.target.value = ''))}
            />
            <span className="text-sm text-muted">
              Tables (CSV, cells from a spreadsheet), indented lists, lines such as “curlew: mudflat, saltmarsh”
            </span>
          </div>
        </div>
        <div className="flex min-h-0 flex-col gap-3 border-hair bg-ground p-4 md:p-6 lg:border-l">
          <div aria-live="polite" className="grid gap-3">
            <Understood
              kind={kind}
              read={read}
              tiers={drawn.scene.tiers.length}
              onUse={(index, use) =>
                setChoices((before) => ({ ...before, columns: { ...before.columns, [index]: use } }))
              }
              onStructure={(structure) => setChoices({ structure })}
            />
            <Decisions
              read={read}
              findings={findings}
              onAnswer={(question, answer) =>
                setChoices((before) => ({ ...before, answers: { ...before.answers, [question]: answer } }))
              }
              onGo={(line) => setGoTo({ line })}
            />
          </div>
          <KindChoice readings={readings} chosen={chosen} empty={empty} onChoose={setWanted} />
          <section
            aria-label={`${kind.name}, as it will look`}
            className="flex min-h-72 flex-1 flex-col border-2 border-moss bg-white"
          >
            <p className="flex justify-between border-b border-hair bg-paper px-3 py-1.5">
              <span className="font-semibold">{kind.name}</span>
              <span className="text-muted">{fits?.words ?? 'waiting for a list'}</span>
            </p>
            <div className="min-h-0 flex-1 p-2">
              {read.entries.length > 0 && (
                <Picture scene={drawn.scene} small={read.entries.length > 400} label={drawn.scene.description} />
              )}
            </div>
          </section>
          {problem && (
            <p role="alert" className="border-l-4 border-brick bg-paper px-3 py-2 text-brick">
              {problem}
            </p>
          )}
          <div className="flex flex-wrap items-center justify-between gap-3">
            <span className="text-muted">You can change any of this later.</span>
            <button
              className="button button-main"
              disabled={busy || (read.entries.length === 0 && !empty)}
              onClick={() => void make()}
            >
              {empty ? `Make an empty ${kind.nameInSentence}` : `Make the ${kind.nameInSentence}`}
            </button>
          </div>
        </div>
      </main>
    </div>
  );
}
