import { useEffect, useRef, type CSSProperties } from 'react';
import { useParts } from '../context';

/**
 * A field over the drawing, for what is edited where it stands: focused and selected at once. Enter, Tab and Escape leave it; what was typed stays, as in the
 * list, and undo takes it back.
 */
export function StageField({
  label,
  value,
  change,
  onDone,
  look,
  style,
  placeholder,
  maxLength,
}: {
  label: string;
  value: string;
  change: (value: string) => void;
  onDone: () => void;
  look: string;
  style: CSSProperties;
  placeholder?: string;
  maxLength?: number;
}) {
  const { store } = useParts();
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    input.current?.focus();
    input.current?.select();
  }, []);
  /** What is typed when it is opened again is a step of its own. */
  const end = () => {
    const { selection, pick, set } = store.getState();
    set({ editing: null });
    pick(selection);
  };
  const close = () => {
    end();
    onDone();
  };
  return (
    <input
      ref={input}
      aria-label={label}
      placeholder={placeholder}
      maxLength={maxLength}
      className={`absolute border-2 border-moss bg-raised px-2 py-1 text-center text-ink ${look}`}
      style={style}
      value={value}
      onChange={(event) => change(event.target.value)}
      onBlur={end}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === 'Tab' || event.key === 'Escape') {
          event.preventDefault();
          close();
        }
        event.stopPropagation();
      }}
    />
  );
}
