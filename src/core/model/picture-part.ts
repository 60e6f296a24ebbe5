import type { ImageRef, PicturePart } from './common';

/** The largest square in the middle. */
export const middlePart: PicturePart = { x: 0.5, y: 0.5, side: 1 };
const isMiddle = ({ x, y, side }: PicturePart): boolean => x === 0.5 && y === 0.5 && side === 1;

const within = (at: number, half: number): number => Math.min(1 - half, Math.max(half, at));

/** The nearest square that lies within the picture. */
export function partWithin({ width, height }: Pick<ImageRef, 'width' | 'height'>, part: PicturePart): PicturePart {
  const side = Math.min(1, Math.max(0.1, part.side));
  const half = (side * Math.min(width, height)) / 2;
  return { x: within(part.x, half / width), y: within(part.y, half / height), side };
}

/** The picture with another square of it shown; without one where that is the largest in the middle. */
export function withPart(image: ImageRef, part: PicturePart): ImageRef {
  const whole: ImageRef = { id: image.id, width: image.width, height: image.height };
  const told = partWithin(image, part);
  return isMiddle(told) ? whole : { ...whole, part: told };
}

/** Where the whole picture stands when a square of it fills a place of some side, from the place's corner. */
export function wholeAround(
  { width, height }: Pick<ImageRef, 'width' | 'height'>,
  given: PicturePart,
  side: number,
): { readonly x: number; readonly y: number; readonly width: number; readonly height: number } {
  const part = partWithin({ width, height }, given);
  const zoom = side / (part.side * Math.min(width, height));
  const [wide, high] = [width * zoom, height * zoom];
  return { x: side / 2 - part.x * wide, y: side / 2 - part.y * high, width: wide, height: high };
}
