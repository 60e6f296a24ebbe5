export interface Listed {
  readonly id: string;
  readonly width: number;
  readonly height: number;
  /** Of its first line, from its top. */
  readonly baseline: number;
}

export interface ListedPlace {
  readonly id: string;
  readonly x: number;
  readonly y: number;
}

const rowGap = 4;

/** Entries in rows, each row in the middle of the room; returns places and where the last row ends. */
export function listBelow(
  list: readonly Listed[],
  room: { readonly x: number; readonly y: number; readonly width: number },
  apart: number,
): { readonly places: ListedPlace[]; readonly bottom: number } {
  const places: ListedPlace[] = [];
  const most = room.width - 24;
  let y = room.y;
  for (let i = 0; i < list.length;) {
    let width = list[i]!.width;
    let end = i + 1;
    while (end < list.length && width + apart + list[end]!.width <= most) width += apart + list[end++]!.width;
    const height = Math.max(...list.slice(i, end).map((one) => one.height));
    let x = room.x + (room.width - width) / 2;
    for (; i < end; i++) {
      places.push({ id: list[i]!.id, x, y: y + (height - list[i]!.height) / 2 });
      x += list[i]!.width + apart;
    }
    y += height + rowGap;
  }
  return { places, bottom: list.length > 0 ? y - rowGap : room.y };
}
