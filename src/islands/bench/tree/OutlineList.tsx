import { useState } from 'react';
import { useBench } from '../context';
import { AsText } from '../list/AsText';
import { AddLine, RemoveLine } from '../list/LineTools';
import { ListGrid } from './ListGrid';
import { SelectAlike } from '../list/SelectAlike';
import { Links } from './Links';
import { PlainText } from '../list/PlainText';
import { RoleChoice } from './RoleChoice';
import type { TreeBenchWords } from './words';
import { Pictures } from '../pictures/Pictures';
import { Tray } from '../list/Tray';

/** The list: an outline grid for the keyboard, or plain text. */
export function OutlineList({ words }: { words: TreeBenchWords }) {
  const [plain, setPlain] = useState(false);
  const count = useBench((state) => state.structure.ids.length);
  return (
    <>
      <div className="flex shrink-0 flex-wrap items-center gap-1 px-3 pb-2">
        {!plain && (
          <>
            <AddLine where="next" />
            <AddLine where="under" />
            <RemoveLine />
            <Pictures />
          </>
        )}
        <AsText plain={plain} onChange={setPlain} />
      </div>
      {plain ? <PlainText onDone={() => setPlain(false)} /> : <ListGrid words={words} />}
      {!plain && <RoleChoice words={words} />}
      {!plain && <Links />}
      {!plain && <Tray />}
      <div className="flex shrink-0 items-center gap-2 border-t border-hair px-4 py-1.5 text-sm text-muted">
        <p className="min-w-0 flex-1">
          {count.toLocaleString('en')} {count === 1 ? 'entry' : 'entries'}. Tab and Shift+Tab change the tier; Esc
          leaves the list.
        </p>
        {!plain && <SelectAlike />}
      </div>
    </>
  );
}
