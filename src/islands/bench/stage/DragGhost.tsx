/** Follows the pointer and says in words what will happen. */
export function DragGhost({ x, y, words }: { x: number; y: number; words: string }) {
  return (
    <p
      role="status"
      className="pointer-events-none absolute z-10 max-w-72 border border-moss bg-paper px-2 py-1 text-sm shadow-none"
      style={{ left: x + 14, top: y + 14 }}
    >
      {words}
    </p>
  );
}
