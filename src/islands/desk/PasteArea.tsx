import { useState, type DragEvent } from 'react';
import { keepForStart, takeFiles } from '../shared/incoming';
import { listFilesOf, textOf } from '../shared/pasted';

function go(list: string): void {
  keepForStart({ text: list, name: '', findings: [] });
  location.assign('/start');
}

/** What is dropped anywhere on the page goes on to Start; the browser never opens it in place of the application. */
export async function takeDropped(event: DragEvent): Promise<void> {
  event.preventDefault();
  const files = [...event.dataTransfer.files];
  if (files.length === 0) return go(textOf(event.dataTransfer));
  keepForStart(await takeFiles(files));
  location.assign('/start');
}

/** Where a list comes in: what is pasted, typed or dropped here goes on to Start. */
export function PasteArea() {
  const [over, setOver] = useState(false);
  const [text, setText] = useState('');

  return (
    <div>
      <textarea
        aria-label="Your list: paste or type it here, or drop a file"
        className={`block h-32 w-full resize-y border-2 bg-raised p-4 ${over ? 'border-moss bg-mosswash' : 'border-edge border-dashed'}`}
        placeholder={'Paste it as it is: from a spreadsheet, a mail, a document. Or drop a file here.'}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onPaste={(event) => {
          const files = listFilesOf(event.clipboardData);
          const pasted = textOf(event.clipboardData);
          if (files.length > 0) {
            event.preventDefault();
            void takeFiles(files).then((taken) => {
              keepForStart(taken);
              location.assign('/start');
            });
          } else if (text.trim() === '' && pasted.includes('\n')) {
            event.preventDefault();
            go(pasted);
          }
        }}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={() => setOver(false)}
      />
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button className="button button-main" disabled={text.trim() === ''} onClick={() => go(text)}>
          See what was understood
        </button>
        <a className="button" href="/start">
          Start with an empty list
        </a>
      </div>
    </div>
  );
}
