import { unzipSync, type UnzipFileInfo } from 'fflate';

/** A part of a file may unpack to so many bytes, and all that are read together. */
const mostPart = 80_000_000;
const mostTogether = 160_000_000;

/** A container that holds more than is unpacked. */
export class TooMuchInside extends Error {}

/**
 * The parts of a zip container whose names are wanted, as text. What it says of their sizes is summed before anything is unpacked, and nothing is unpacked
 * beyond what was said. Throws TooMuchInside; null where the container is broken.
 */
export function partsOf(bytes: Uint8Array, isWanted: (name: string) => boolean): Map<string, string> | null {
  let together = 0;
  const filter = ({ name, originalSize }: UnzipFileInfo): boolean => {
    if (!isWanted(name)) return false;
    together += originalSize;
    if (originalSize > mostPart || together > mostTogether) throw new TooMuchInside(name);
    return true;
  };
  try {
    const decoder = new TextDecoder();
    return new Map(Object.entries(unzipSync(bytes, { filter })).map(([name, part]) => [name, decoder.decode(part)]));
  } catch (error) {
    if (error instanceof TooMuchInside) throw error;
    return null;
  }
}

/** The names of all parts of a container; null where it is broken. */
export function namesIn(bytes: Uint8Array): string[] | null {
  const names: string[] = [];
  try {
    unzipSync(bytes, { filter: ({ name }) => (names.push(name), false) });
    return names;
  } catch {
    return null;
  }
}
