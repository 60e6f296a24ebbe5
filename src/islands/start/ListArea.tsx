import { useEffect, useRef, useState } from 'react';
import type { Finding } from '../../core/model';
import { indentKeys } from '../shared/indent-keys';
import { listFilesOf, textOf } from '../shared/pasted';

const lineHeight = 25;

/** Wide enough for the widest cell of a table whose cells are parted by tabs, in widths of a space; a usual indent else. */
function tabSizeFor(text: string): number {
  const lines = text.slice(0, 20_000).split('\n').slice(0, 200);
  // Tabs that indent lines of an outline are no cells, whatever stands after the words.
  if (lines.some((line) => line.startsWith('\t'))) return 10;
  const cells = lines.flatMap((line) => (/\S\t/.test(line) ? line.split('\t').slice(0, -1) : []));
  const widest = cells.reduce((most, cell) => Math.max(most, cell.length), 0);
  return widest === 0 ? 10 : Math.min(70, Math.ceil(widest * 2.1) + 3);
}

/** The list as plain text with line numbers; lines that need a decision are marked. */
export function ListArea({
  text,
  findings,
  goTo,
  onChange,
  onFiles,
}: {
  text: string;
  findings: readonly Finding[];
  goTo: { line: number } | null;
  onChange: (text: string) => void;
  /** Files that were pasted. */
  onFiles: (files: readonly File[]) => void;
}) {
  const area = useRef<HTMLTextAreaElement>(null);
  const [top, setTop] = useState(0);
  const lines = text.split('\n').length;
  const marked = new Map(
    findings.filter((one) => one.line !== null && one.severity !== 'note').map((one) => [one.line!, one]),
  );
  const first = Math.max(0, Math.floor(top / lineHeight) - 2);
  const visible = Array.from({ length: Math.min(lines - first, 60) }, (_, i) => first + i + 1);

  useEffect(() => {
    if (!goTo || !area.current) return;
    const starts = area.current.value.split('\n').slice(0, goTo.line - 1);
    const at = starts.reduce((sum, each) => sum + each.length + 1, 0);
    area.current.focus();
    area.current.setSelectionRange(at, at + (area.current.value.split('\n')[goTo.line - 1]?.length ?? 0));
    area.current.scrollTop = Math.max(0, (goTo.line - 4) * lineHeight);
  }, [goTo]);

  return (
    <div className="relative min-h-48 flex-1 overflow-hidden border border-edge bg-raised">
      <div aria-hidden="true" className="absolute inset-y-0 left-0 w-11 border-r border-hair bg-paper" />
      <div
        aria-hidden="true"
        className="pointer-events-none absolute inset-x-0 top-0"
        style={{ transform: `translateY(${8 - top}px)` }}
      >
        {visible.map((line) => (
          <div
            key={line}
            className={`absolute inset-x-0 pr-2 ${marked.has(line) ? (marked.get(line)!.severity === 'error' ? 'border-l-[3px] border-brick bg-brick/10' : 'border-l-[3px] border-brass bg-brasswash') : ''}`}
            style={{ top: (line - 1) * lineHeight, height: lineHeight, lineHeight: `${lineHeight}px` }}
          >
            <span className="block w-9 text-right text-[13px] text-muted">{line}</span>
          </div>
        ))}
      </div>
      <textarea
        ref={area}
        aria-label="Your list"
        className="absolute inset-0 h-full w-full resize-none bg-transparent py-2 pr-3 pl-14 whitespace-pre "
        style={{ lineHeight: `${lineHeight}px`, tabSize: tabSizeFor(text) }}
        wrap="off"
        spellCheck={false}
        placeholder={
          'Maëlle Adeyemi-Fox, Director\n    Tomasz Wieczorek, Head of education\n        Hana Petrović, Schools lead'
        }
        value={text}
        onChange={(event) => onChange(event.target.value)}
        onKeyDown={indentKeys}
        onPaste={(event) => {
          const files = listFilesOf(event.clipboardData);
          const pasted = textOf(event.clipboardData);
          if (files.length === 0 && pasted === event.clipboardData.getData('text/plain')) return;
          event.preventDefault();
          if (files.length > 0) onFiles(files);
          // As if it were typed, so that the browser can undo it.
          else document.execCommand('insertText', false, pasted);
        }}
        onScroll={(event) => setTop(event.currentTarget.scrollTop)}
      />
    </div>
  );
}
