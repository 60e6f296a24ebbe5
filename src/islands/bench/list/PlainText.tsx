import { useDeferredValue, useMemo, useState } from 'react';
import { kindOf } from '../../../core/diagram';
import { newId } from '../../shared/ids';
import { indentKeys } from '../../shared/indent-keys';
import { useParts } from '../context';

/** The list as plain text, to edit or paste over as a whole. Entries that are found again keep their style. */
export function PlainText({ onDone }: { onDone: () => void }) {
  const { store } = useParts();
  const kind = kindOf(store.getState().diagram.kind);
  const [text, setText] = useState(() => kind.text(store.getState().diagram));
  const looked = useDeferredValue(text);
  const problems = useMemo(
    () =>
      looked.trim() === ''
        ? []
        : kind.update(store.getState().diagram, looked, newId).findings.filter((one) => one.severity !== 'note'),
    [looked, kind, store],
  );
  function takeOver() {
    const { diagram, perform } = store.getState();
    const { gesture } = kind.update(diagram, text, newId);
    if (gesture.length === 0 || perform(gesture)) onDone();
  }
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2 px-3 pb-2 max-md:min-h-72">
      <label className="flex min-h-0 flex-1 flex-col gap-1">
        <span className="text-sm text-muted">{kind.lineTold}</span>
        <textarea
          className="field min-h-0 flex-1 resize-none whitespace-pre [tab-size:4]"
          wrap="off"
          spellCheck={false}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={kind.indents ? indentKeys : undefined}
        />
      </label>
      {problems.slice(0, 3).map((one) => (
        <p key={one.message} className="border-l-4 border-brass bg-brasswash px-2 py-1 text-sm">
          {one.message}
        </p>
      ))}
      <div className="flex gap-2">
        <button className="button button-main" onClick={takeOver}>
          Take this list
        </button>
        <button className="button" onClick={onDone}>
          Leave it as it was
        </button>
      </div>
    </div>
  );
}
