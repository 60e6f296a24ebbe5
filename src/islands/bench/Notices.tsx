import { X } from 'lucide-react';
import { useBench, useParts } from './context';

/** What was refused and why, until it is put away. */
export function Notices() {
  const notices = useBench((state) => state.notices);
  const { store } = useParts();
  return (
    <div
      role="alert"
      className="pointer-events-none fixed bottom-14 left-1/2 z-30 grid max-h-[60vh] w-[min(520px,92vw)] -translate-x-1/2 grid-cols-1 gap-2 overflow-y-auto"
    >
      {notices.map((notice) => (
        <p
          key={notice}
          className="pointer-events-auto flex items-start gap-3 border border-brass bg-brasswash px-3 py-2"
        >
          <span className="min-w-0 flex-1">{notice}</span>
          <button className="plain" aria-label="Put this message away" onClick={() => store.getState().dismiss(notice)}>
            <X size={16} aria-hidden="true" />
          </button>
        </p>
      ))}
    </div>
  );
}
