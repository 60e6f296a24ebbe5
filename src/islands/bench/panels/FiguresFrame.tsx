import type { ReactNode } from 'react';

/** The panel of figures of any kind; what they light in the drawing goes out when the pointer leaves. */
export function FiguresFrame({ onLeave, children }: { onLeave: () => void; children: ReactNode }) {
  return (
    <div
      className="min-h-0 flex-1 overflow-auto px-4 pb-6"
      onPointerLeave={onLeave}
      tabIndex={0}
      role="group"
      aria-label="Figures"
    >
      {children}
    </div>
  );
}
