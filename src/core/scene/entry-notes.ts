import { extentOfBoxes, grown, lineRunsThrough, overlap, type Polyline } from '../arrange/graph';
import { own, type DiagramCommon } from '../model';
import { lookOf } from '../style';
import type { Drawn } from './enclosures';
import type { Rect, SceneGroup } from './scene';
import { breakNote, noteGroup, type BrokenNote } from './set-note';

/** Between a note and the box it stands beside, and between it and all else. CSS px. */
const near = 8;
const clear = 4;
/** A drawing so many times wider than high has its further notes below it. */
const wideFrom = 1.2;

/**
 * The notes beside their entries, where nothing else stands and no line runs; one that finds no such place stands below the drawing, or to the right
 * of a narrow one, and begins with the name of its entry. A note whose entry is gone, or not drawn, is not drawn either. O(notes × (entries + lines)).
 */
export function entryNotes(diagram: DiagramCommon, { boxes, words, lines }: Drawn): SceneGroup[] {
  const notes = Object.values(diagram.notes)
    .filter(({ place, text }) => place.kind === 'entry' && boxes.has(place.entry) && text.trim() !== '')
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  if (notes.length === 0) return [];
  const look = lookOf(diagram);
  const taken: Rect[] = [...boxes.values(), ...words];
  const whole = extentOfBoxes(taken);
  const under = whole.width > wideFrom * whole.height;
  let next = under ? whole.x : whole.y;
  return notes.map((note) => {
    const { entry } = note.place as { readonly entry: string };
    const box = boxes.get(entry)!;
    const broken = breakNote(note, note.width);
    const free = freeBeside(box, broken, taken, lines);
    if (free) {
      taken.push(free);
      return noteGroup(broken, look, free);
    }
    const named = breakNote(
      { ...note, text: `**${own(diagram.entries, entry)!.name || 'No name yet'}:** ${note.text}` },
      note.width,
    );
    const size = { width: named.width, height: named.height };
    const place = under
      ? { x: next, y: whole.y + whole.height + 2 * near, ...size }
      : { x: whole.x + whole.width + 3 * near, y: Math.max(next, box.y), ...size };
    next = under ? place.x + place.width + 2 * near : place.y + place.height + near;
    taken.push(place);
    return noteGroup(named, look, place);
  });
}

function freeBeside(
  box: Rect,
  { width, height }: BrokenNote,
  taken: readonly Rect[],
  lines: readonly Polyline[],
): Rect | null {
  const [across, down] = [box.x + (box.width - width) / 2, box.y + (box.height - height) / 2];
  const places = [
    { x: box.x + box.width + near, y: down },
    { x: box.x - width - near, y: down },
    { x: across, y: box.y + box.height + near },
    { x: across, y: box.y - height - near },
    { x: box.x + box.width + near, y: box.y },
    { x: box.x - width - near, y: box.y },
    { x: box.x + box.width + near, y: box.y + box.height - height },
    { x: box.x - width - near, y: box.y + box.height - height },
  ].map(({ x, y }) => ({ x, y, width, height }));
  return (
    places.find((place) => {
      const room = grown(place, clear);
      return !taken.some((other) => overlap(other, room)) && !lines.some((line) => lineRunsThrough(line, room));
    }) ?? null
  );
}
