import { X } from 'lucide-react';
import { useBench, useParts } from './context';

/** What was refused and why, until it is put away: over the sheet where there is room beside it, in a row of its own where there is none. */
export function Notices() {
  const notices = useBench((state) => state.notices);
  const { store } = useParts();
  return (
    <div
      role="alert"
      className="pointer-events-none grid grid-cols-1 gap-2 overflow-y-auto max-md:max-h-[35vh] max-md:shrink-0 md:fixed md:right-4 md:bottom-14 md:z-30 md:max-h-[60vh] md:w-[420px]"
    >
      {notices.map((notice) => (
        <p
          key={notice}
          className="pointer-events-auto flex items-start gap-3 border border-brass bg-brasswash px-3 py-2"
        >
          <span className="min-w-0 flex-1 wrap-anywhere">{notice.replaceAll(/(?<=“[^“”]{60})[^“”]+(?=”)/g, ' …')}</span>
          <button className="plain" aria-label="Put this message away" onClick={() => store.getState().dismiss(notice)}>
            <X size={16} aria-hidden="true" />
          </button>
        </p>
      ))}
    </div>
  );
}
