import { Dialog as Radix } from 'radix-ui';
import { useRef, type ReactNode } from 'react';

/** A window over the page that holds the focus until it is closed. */
export function Dialog({
  title,
  told,
  onClose,
  children,
}: {
  title: string;
  told?: string;
  onClose: () => void;
  children: ReactNode;
}) {
  // Where the focus was when it opened: there it goes back to.
  const before = useRef(document.activeElement);
  return (
    <Radix.Root open onOpenChange={(open) => !open && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/35" />
        <Radix.Content
          className="fixed top-1/2 left-1/2 z-50 max-h-[88vh] w-[min(560px,92vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto border border-edge bg-paper p-6"
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            if (before.current instanceof HTMLElement && before.current.isConnected) before.current.focus();
          }}
          {...(told ? {} : { 'aria-describedby': undefined })}
        >
          <Radix.Title className="mb-2 text-xl">{title}</Radix.Title>
          {told && <Radix.Description className="mb-4">{told}</Radix.Description>}
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
