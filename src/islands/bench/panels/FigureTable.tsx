import type { ReactNode } from 'react';

/** The heading of a column of figures; what it means, where that needs telling. */
export type FigureHead = string | { readonly words: string; readonly means: string };

/** A table of figures: what each row is about at the left, its figures at the right. */
export function FigureTable({
  about,
  heads,
  className = '',
  children,
}: {
  about: string;
  heads: readonly FigureHead[];
  className?: string;
  children: ReactNode;
}) {
  return (
    <table className={`${className} w-full text-sm`}>
      <thead>
        <tr className="text-left text-muted">
          <th className="font-normal">{about}</th>
          {heads.map((head) => {
            const { words, means } = typeof head === 'string' ? { words: head, means: undefined } : head;
            return (
              <th key={words} className="pl-2 text-right font-normal" title={means}>
                {words}
              </th>
            );
          })}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </table>
  );
}

/** A row of figures; pointing at it lights what it is about. Cells are set to the right. */
export function LitRow({
  light,
  about,
  cells,
}: {
  light: () => void;
  about: ReactNode;
  cells: readonly (string | number | { readonly words: string | number; readonly className: string })[];
}) {
  return (
    <tr className="border-t border-hair hover:bg-mosswash" onPointerEnter={light}>
      <th scope="row" className="py-1 text-left font-semibold">
        {about}
      </th>
      {cells.map((cell, k) => {
        const { words, className } = typeof cell === 'object' ? cell : { words: cell, className: '' };
        return (
          <td key={k} className={`text-right ${className}`}>
            {words}
          </td>
        );
      })}
    </tr>
  );
}
