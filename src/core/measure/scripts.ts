import type { EastAsian, Script } from './face';

/** Blocks of scripts with faces of their own; `east` stands for letters that Japanese, Korean and Chinese share. */
const blocks: readonly (readonly [from: number, to: number, script: Script | 'east'])[] = [
  [0x0590, 0x05ff, 'hebr'],
  [0x0600, 0x06ff, 'arab'],
  [0x0750, 0x077f, 'arab'],
  [0x08a0, 0x08ff, 'arab'],
  [0x0900, 0x097f, 'deva'],
  [0x1100, 0x11ff, 'kore'],
  [0x2e80, 0x303f, 'east'],
  [0x3040, 0x30ff, 'jpan'],
  [0x3100, 0x312f, 'east'],
  [0x3130, 0x318f, 'kore'],
  [0x31a0, 0x31ef, 'east'],
  [0x31f0, 0x31ff, 'jpan'],
  [0x3200, 0x9fff, 'east'],
  [0xac00, 0xd7ff, 'kore'],
  [0xf900, 0xfaff, 'east'],
  [0xfb1d, 0xfb4f, 'hebr'],
  [0xfb50, 0xfdff, 'arab'],
  [0xfe30, 0xfe4f, 'east'],
  [0xfe70, 0xfefc, 'arab'],
  [0xff00, 0xffef, 'east'],
];

/** Whose face a character wants: a script's, one of the East Asian ones', or none but the usual faces. */
export function scriptOf(point: number): Script | 'east' | null {
  if (point < 0x0590) return null;
  return blocks.find(([from, to]) => point >= from && point <= to)?.[2] ?? null;
}

/** Whether one of the East Asian faces is asked, which depends on the rest of the text. */
export const asksEastAsian = (script: Script | 'east' | null): script is EastAsian | 'east' =>
  script === 'east' || script === 'jpan' || script === 'kore' || script === 'hans';

const kana = /[\u3040-\u30ff\u31f0-\u31ff]/;
const hangul = /[\u1100-\u11ff\u3130-\u318f\uac00-\ud7ff]/;

/**
 * The order in which East Asian faces are asked for a text: kana tell Japanese, hangul tell Korean; ideographs alone are set in the first face of
 * Japanese and Chinese that has them all, so that no name is a patchwork of two.
 */
export function eastAsianOrder(text: string, has: (script: EastAsian, point: number) => boolean): EastAsian[] {
  if (kana.test(text)) return ['jpan', 'hans', 'kore'];
  if (hangul.test(text)) return ['kore', 'jpan', 'hans'];
  for (const character of text) {
    const point = character.codePointAt(0)!;
    if (scriptOf(point) === 'east' && !has('jpan', point)) return ['hans', 'jpan', 'kore'];
  }
  return ['jpan', 'hans', 'kore'];
}
